import type { MeasurementCode } from '../../body/catalogue/codes';
import type { WorkingUnit } from '../../quantity/length';
import { possibleUnits } from './guess-heading';

/** One column of a brought table and what it is taken for. */
export interface PlannedColumn {
  readonly index: number;
  readonly heading: string;
  /** `size`, a measurement, or nothing: then it is left out. */
  readonly means: 'size' | MeasurementCode | null;
  readonly unit: WorkingUnit | null;
  /** What it might mean, where that is not plain: for the fitter to say. */
  readonly candidates: readonly MeasurementCode[];
  /** Why it must be looked at before anything is imported. */
  readonly asks: ColumnQuestion | null;
  /** The unit that the maker names for it; whether its numbers can be a body's in it is asked besides. */
  readonly named: WorkingUnit | null;
  /** The only unit in which its numbers could be a body's, where the maker names none: proposed, never taken. */
  readonly proposes: WorkingUnit | null;
  /** The numbers that tell which unit they are in. */
  readonly numbers: readonly number[];
  /** Whether a comma or point in its numbers parts thousands: nobody could be so if it began a fraction. */
  readonly thousands: boolean;
  /** The first cells, to know it by. */
  readonly sample: readonly string[];
  /** The column that holds the upper ends, where lower and upper stand in two. */
  readonly upperIn: number | null;
  /** What a heading of ours says of the cells beyond the unit: `ease 8-14`, `reported`; else nothing. */
  readonly says: string;
}

/**
 * What is asked of a column: which measurement it is, in which unit, whether a unit is right in which
 * nobody could be so, whether one end alone is a size's middle, or whether numbers are left out rightly (of a twin, because it says otherwise).
 */
export type ColumnQuestion =
  | 'which-measurement'
  | 'which-unit'
  | 'impossible-unit'
  | 'lone-end'
  | 'left-out'
  | 'twins-differ';

/**
 * A column taken for a measurement, its unit weighed anew against what bodies are: one in which nobody
 * could be so is a question, and so is one that nobody names.
 *
 * @param otherwise what is asked where it is taken for none: nothing, if that was said
 */
export function withMeaning(
  column: PlannedColumn,
  means: MeasurementCode | null,
  otherwise: ColumnQuestion | null = null,
): PlannedColumn {
  if (means === null) return { ...column, means, unit: column.named, asks: otherwise };
  const possible = possibleUnits(means, column.numbers);
  if (column.named === null)
    return {
      ...column,
      means,
      unit: null,
      proposes: possible.length === 1 ? possible[0]! : null,
      asks: 'which-unit',
    };
  const asks = possible.includes(column.named) ? null : 'impossible-unit';
  return { ...column, means, unit: column.named, proposes: null, asks };
}

/** The numbers of some cells without the small ones that fractions bring with them; only the large tell a unit. */
export function tellingNumbers(cells: readonly string[], thousands: boolean): number[] {
  const numbers = cells.flatMap((cell) =>
    (cell.match(/\d+(?:[.,]\d+)?/g) ?? []).map((one) =>
      Number(thousands ? one.replace(/[.,]/g, '') : one.replace(',', '.')),
    ),
  );
  return numbers.filter((number) => number * 4 >= Math.max(...numbers));
}

/**
 * A column whose numbers are written with separators of thousands, told over the whole of it: three digits
 * stand behind every one, and only so can the numbers be a body's in the unit that is named.
 */
export function asThousands(
  column: PlannedColumn,
  cells: readonly string[],
  code: MeasurementCode | undefined,
): PlannedColumn {
  const parted = cells.flatMap((cell) => cell.match(/\d+[.,]\d+/g) ?? []);
  const { named } = column;
  if (code === undefined || named === null || parted.length === 0) return column;
  if (!parted.every((one) => /^\d{1,3}[.,]\d{3}$/.test(one))) return column;
  const numbers = tellingNumbers(cells, true);
  const only =
    possibleUnits(code, numbers).includes(named) && !possibleUnits(code, column.numbers).includes(named);
  return only ? { ...column, numbers, thousands: true } : column;
}
