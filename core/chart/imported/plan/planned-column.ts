import { measurement } from '../../../body/catalogue';
import type { WorkingUnit } from '../../../quantity/length';
import { halvesOf } from '../cells/dual-cell';
import { isNotGiven } from '../cells/not-given';
import { behindMeaning, type Meaning } from '../words/meaning';
import { KEPT_IN, possibleUnits, type WrittenUnit } from '../words/unit-evidence';

/** What a column is: the sizes, another system's labels of them, their class of lengths, or a measurement. */
export type ColumnMeaning = 'size' | 'label' | 'class' | Meaning;

/** Where a unit is from, for people to see. */
export type UnitSource = 'heading' | 'cells' | 'note' | 'said';

/** One column of an imported table, or half of one that holds two units, and what it is taken for. */
export interface PlannedColumn {
  /** Its place, and of a column that holds two units which half it is: `3`, `3a`, `3b`; an axis of a matrix has a name. */
  readonly key: string;
  readonly index: number;
  /** Which of the two measures of its cells it is, where they hold two. */
  readonly half: 0 | 1 | null;
  readonly heading: string;
  /** Nothing: then it is left out. */
  readonly means: ColumnMeaning | null;
  /** Of other labels, which system they are of. */
  readonly system: string | null;
  /** Of a column that holds one class of lengths alone, which. */
  readonly class: string | null;
  /** The column that is said together with this one: they are one measurement in several classes. */
  readonly follows: string | null;
  /** The unit it is kept in. */
  readonly unit: WorkingUnit | null;
  /** The unit that the maker names for it; whether its numbers can be a body's in it is asked besides. */
  readonly named: WrittenUnit | null;
  readonly namedBy: UnitSource | null;
  /** The only unit in which its numbers could be a body's, where the maker names none: proposed, never taken. */
  readonly proposes: WrittenUnit | null;
  /** Whether it is of the body, of the garment, or half the way round, by its words. */
  readonly of: 'body' | 'garment' | 'flat';
  /** Twice what stands there, where it is half the way round. */
  readonly times: 1 | 2;
  /** By how much the garment is larger than the body, `8-14` in the column's unit; nothing for a body's measure. */
  readonly ease: string | null;
  /** What it might mean, where that is not plain: for the fitter to say. */
  readonly candidates: readonly Meaning[];
  /** Whether it is taken for what the same heading meant in this maker's last table. */
  readonly recalled: boolean;
  /** Words of its heading that are not known here. */
  readonly unknown: readonly string[];
  readonly slip: { readonly wrote: string; readonly read: string } | null;
  /** Why it must be looked at before anything is imported. */
  readonly asks: ColumnQuestion | null;
  /** Of a twin that says otherwise, which of the sizes is the first to; -1 of every other column. */
  readonly apartAt: number;
  /** The least and the most of the numbers that tell which unit they are in; those between tell no more. */
  readonly numbers: readonly number[];
  /** Whether a comma or point in its numbers parts thousands: nobody could be so if it began a fraction. */
  readonly thousands: boolean;
  /** The first cells, to know it by. */
  readonly sample: readonly string[];
  /** The column that holds the upper ends, where lower and upper stand in two. */
  readonly upperIn: number | null;
  /** How far each of its numbers goes to either side by its heading; nothing where its cells hold both ends. */
  readonly eitherSide: string | null;
  /** Whether it is taken to go so far. */
  readonly spreads: boolean;
  /** Whether each of its open ends reaches to that of the size beside it. */
  readonly toNext: boolean;
  /** What a heading of ours says of the cells beyond the unit: `, ease 8-14`, `, reported`; else nothing. */
  readonly says: string;
}

/**
 * What is asked of a column: which measurement it is, in which unit, whether a unit is right in which nobody
 * could be so, whether one end alone is a size's middle, whether ends that
 * are all open to one side reach to the next, whether a number goes as far to either side as the heading says, whether numbers are left out rightly (of a twin, because
 * it says otherwise), what is to be done with a mass, with one value for every size, with half the way round, with a garment's own measure.
 */
export type ColumnQuestion =
  | 'which-measurement'
  | 'which-unit'
  | 'impossible-unit'
  | 'lone-end'
  | 'one-sided'
  | 'either-side'
  | 'left-out'
  | 'twins-differ'
  | 'mass'
  | 'alike'
  | 'flat'
  | 'garment';

/**
 * A column taken for a measurement, its unit weighed anew against what bodies are: one in which nobody
 * could be so is a question, and so is one that nobody names.
 *
 * @param otherwise what is asked where it is taken for none: nothing, if that was said
 * @example withMeaning(planTable(textGrid('Size,Chest (cm)\nM,94-102\nL,102-110').value).columns[1], 'waist-girth').means // 'waist-girth'
 */
export function withMeaning(
  column: PlannedColumn,
  means: Meaning | null,
  otherwise: ColumnQuestion | null = null,
): PlannedColumn {
  if (means === null) return { ...column, means, unit: kept(column.named), asks: otherwise };
  if (measurement(behindMeaning(means)).kind === 'mass')
    return { ...column, means: null, unit: null, asks: 'mass' };
  const possible = possibleUnits(
    means,
    column.numbers.map((number) => number * column.times),
  );
  const taken = { ...column, means, unit: kept(column.named) };
  // Half the way round, or a garment's measure, is no body's until it is said how much of it is.
  if (column.of === 'flat' && column.times === 1 && column.ease === null)
    return { ...taken, proposes: null, asks: 'flat' };
  if (column.named === null)
    return { ...taken, proposes: possible.length === 1 ? possible[0]! : null, asks: 'which-unit' };
  if (column.of === 'garment' && column.ease === null) return { ...taken, proposes: null, asks: 'garment' };
  // A garment may be of any size.
  const asks = column.ease !== null || possible.includes(named(column.named)) ? null : 'impossible-unit';
  const only = asks !== null && possible.length === 1 ? possible[0]! : null;
  return { ...taken, proposes: only, asks };
}

/** Feet are told by the inches they come to. */
function named(unit: WrittenUnit): WrittenUnit {
  return unit === 'ft' ? 'in' : unit;
}

function kept(unit: WrittenUnit | null): WorkingUnit | null {
  return unit === null ? null : KEPT_IN[unit];
}

/** The numbers of some cells without the small ones that fractions bring with them; only the large tell a unit. */
function tellingNumbers(cells: readonly string[], thousands: boolean): number[] {
  const numbers = cells.flatMap((cell) =>
    (cell.match(/\d+(?:[.,]\d+)?/g) ?? []).map((one) =>
      Number(thousands ? one.replace(/[.,]/g, '') : one.replace(',', '.')),
    ),
  );
  return large(numbers);
}

/**
 * The least and the most of the larger of some numbers; of one number, that.
 *
 * @example large([1, 2, 34, 35, 36]) // [34, 36]
 */
export function large(numbers: readonly number[]): number[] {
  const most = numbers.reduce((largest, one) => Math.max(largest, one), -Infinity);
  const least = numbers.reduce(
    (smallest, one) => (one * 4 >= most ? Math.min(smallest, one) : smallest),
    Infinity,
  );
  return numbers.length === 0 ? [] : [...new Set([least, most])];
}

/**
 * A column whose numbers are written with separators of thousands, told over the whole of it: three digits
 * stand behind every one, and only so can the numbers be a body's in the unit that is named.
 *
 * @example asThousands({ ...planTable(textGrid('Size,Height (mm)\nM,1.650\nL,1.720').value).columns[1] }, ['1.650', '1.720'], 'height').numbers // [1650, 1720]
 */
export function asThousands(
  column: PlannedColumn,
  cells: readonly string[],
  code: Meaning | undefined,
): PlannedColumn {
  const parted = cells.flatMap((cell) => cell.match(/\d+[.,' ]\d+(?!\/)/g) ?? []);
  const unit = column.named;
  if (
    code === undefined ||
    unit === null ||
    parted.length === 0 ||
    measurement(behindMeaning(code)).kind === 'mass'
  )
    return column;
  if (!parted.every((one) => /^\d{1,3}[.,' ]\d{3}$/.test(one))) return column;
  const numbers = tellingNumbers(
    cells.map((cell) => cell.replace(/(\d)[' ](\d{3})/g, '$1.$2')),
    true,
  );
  // An apostrophe before three digits parts thousands; what else parts numbers may begin a fraction.
  const marked = parted.some((one) => one.includes("'"));
  const only =
    possibleUnits(code, numbers).includes(unit) &&
    (marked || !possibleUnits(code, column.numbers).includes(unit));
  return only ? { ...column, numbers, thousands: true } : column;
}

/**
 * The measure of a row that a column is about.
 *
 * @example cellIn(['M', '94-102'], { index: 1, half: null }) // '94-102'
 */
export function cellIn(
  row: readonly string[],
  { index, half }: Pick<PlannedColumn, 'index' | 'half'>,
): string {
  const text = row[index] ?? '';
  return half === null ? text : (halvesOf(text)?.[half] ?? (isNotGiven(text) ? '' : text));
}
