import type { MeasurementCode } from '../../body/catalogue/codes';
import { failure, success, type Outcome } from '../../outcome';
import { MICROMETRES_PER, WORKING_UNITS, type WorkingUnit } from '../../quantity/length';
import { isDerivedCode } from '../column-code';
import type { Finding } from '../finding';
import type { ChartPart } from '../chart-shape';
import { turned, type Grid } from './grid';
import { guessHeading, possibleUnits } from './guess-heading';
import { parseColumnHeading } from './heading';
import { endsInWords, rewriteCell } from './maker-cell';
import { readTable } from './read-table';
import { unitOfNote, unitsOfCell } from './unit-evidence';

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

/** How a brought table is to be read: guessed, and then the fitter's. */
export interface TablePlan {
  /** Whether the sizes stand across, so that rows and columns change places. */
  readonly across: boolean;
  /** How many lines make the heading. */
  readonly headingRows: number;
  /** The first line that is no size any more: a note under the table. */
  readonly sizesUntil: number;
  readonly columns: readonly PlannedColumn[];
  /** Lines above and below that are no part of the table. */
  readonly notes: readonly string[];
  /** Lines that are left out and hold a size or a number: asked about before anything is taken. */
  readonly leftOut: readonly { readonly line: number; readonly text: string }[];
  /** Whether those are left out rightly, as somebody has said. */
  readonly leftOutRightly: boolean;
}

/** Whether something of a table is to be said before it may be taken. */
export function isAsked({ columns, leftOut, leftOutRightly }: TablePlan): boolean {
  return columns.some(({ asks }) => asks !== null) || (leftOut.length > 0 && !leftOutRightly);
}

const NUMERIC = /^[<>≤≥=\s]*\d/;
const SIZE_WORDS = /^(?:size|sizes|label|code|style|letter|us size|uk size)$/i;
const LETTER_SIZE = /^(?:\d?x{0,4}[sl]|m|[2-6]xl|small|medium|large|one size)(?:[\s/-].*)?$/i;

/**
 * Guesses how a table is to be read. The fitter sees the guess and may change all of it.
 *
 * @param across whether the sizes stand across, where somebody has said
 */
export function planTable(grid: Grid, across = standAcross(grid)): TablePlan {
  const { rows } = across ? turned(grid) : grid;
  const first = rows.findIndex((row) => numbersIn(row.cells) >= 1 && filled(row.cells) >= 2);
  const start = first < 0 ? rows.length : first;
  const width = Math.max(0, ...rows.slice(start, start + 3).map(({ cells }) => filled(cells)));
  const headings = rows.slice(0, start).filter(({ cells }) => filled(cells) > 1 || width <= 2);
  const titles = rows.slice(0, start).filter((row) => !headings.includes(row));
  let until = start;
  while (until < rows.length && numbersIn(rows[until]!.cells) >= 1 && filled(rows[until]!.cells) >= 2)
    until += 1;
  const outside = [...titles, ...rows.slice(until)];
  const notes = outside.filter((row) => !holdsSizes(row.cells)).map(({ cells }) => sentenceOf(cells));
  const leftOut = outside
    .filter((row) => holdsSizes(row.cells))
    .map(({ line, cells }) => ({ line, text: cells.filter(Boolean).join(' · ') }));
  const said = new Set(notes.flatMap((note) => unitOfNote(note) ?? []));
  const general = said.size === 1 ? [...said][0]! : null;
  const body = rows.slice(start, until);
  const count = Math.max(0, ...body.map(({ cells }) => cells.length));
  const headingOf = (index: number) => joined(headings.map(({ cells }) => cells[index] ?? ''));
  const sizeAt = sizeColumn(
    body.map(({ cells }) => cells),
    headingOf,
    count,
  );
  const columns = Array.from({ length: count }, (_, index) =>
    planColumn(
      index,
      index === sizeAt,
      headingOf(index),
      body.map(({ cells }) => cells[index] ?? ''),
      general,
    ),
  );
  return {
    across,
    headingRows: start,
    sizesUntil: until,
    columns: withoutDoubles(
      withPairs(columns),
      body.map(({ cells }) => cells),
    ),
    notes,
    leftOut,
    leftOutRightly: false,
  };
}

/** Reads a table as its plan says: all of it, or every fault with its place. */
export function readPlanned(grid: Grid, plan: TablePlan): Outcome<ChartPart, readonly Finding[]> {
  const { rows } = plan.across ? turned(grid) : grid;
  const size = plan.columns.find(({ means }) => means === 'size');
  const taken = plan.columns.filter(
    (column): column is PlannedColumn & { means: MeasurementCode } =>
      column.means !== null && column.means !== 'size',
  );
  const asked = taken.find(({ unit }) => unit === null);
  if (asked !== undefined)
    return failure([
      {
        code: 'unit-missing',
        units: WORKING_UNITS,
        name: asked.means,
        place: { line: 1, column: asked.index + 1, heading: asked.heading },
      },
    ]);
  if (size === undefined)
    return failure([
      { code: 'no-size-column', place: { line: 1, column: 1 }, found: plan.columns[0]?.heading ?? '' },
    ]);
  const table = [
    {
      line: rows[0]?.line ?? 1,
      cells: ['size', ...taken.map(({ means, unit, says }) => `${means} (${unit!}${says})`)],
    },
    ...rows.slice(plan.headingRows, plan.sizesUntil).map(({ line, cells }) => ({
      line,
      cells: [
        (cells[size.index] ?? '').replace(/^size\s+/i, ''),
        ...taken.map((column) => cellOf(cells, column)),
      ],
    })),
  ];
  const part = readTable(table);
  if (part.ok) return success(part.value);
  // The faults are told where they stand in what was brought, not in the table made of it.
  const indices = [size.index, ...taken.map(({ index }) => index)];
  return failure(
    part.problem.map((finding) =>
      'place' in finding
        ? { ...finding, place: { ...finding.place, column: (indices[finding.place.column - 1] ?? 0) + 1 } }
        : finding,
    ),
  );
}

/** The cell of a column as the reader of tables takes it, both ends where they stand in two columns. */
function cellOf(cells: readonly string[], { index, upperIn, unit, thousands }: PlannedColumn): string {
  const text = (at: number) => rewriteCell(cells[at] ?? '', unit!, thousands);
  const lower = text(index);
  if (upperIn === null) return lower;
  const upper = text(upperIn);
  if (lower === '' && upper === '') return '';
  if (lower === '') return `<=${upper}`;
  return upper === '' ? `>=${lower}` : `${lower} - ${upper}`;
}

function planColumn(
  index: number,
  isSize: boolean,
  heading: string,
  cells: readonly string[],
  general: WorkingUnit | null,
): PlannedColumn {
  // A heading as exports write it says of its column what the cells are, and is taken at its word.
  const own = isSize ? null : parseColumnHeading(heading);
  const says = own?.ok === true ? (/\(\w+(,.*)\)$/.exec(heading.trim())?.[1] ?? '') : '';
  const base = {
    index,
    heading,
    sample: cells.slice(0, 3),
    upperIn: null,
    says,
    proposes: null,
    thousands: false,
  };
  if (isSize)
    return { ...base, means: 'size', unit: null, named: null, numbers: [], candidates: [], asks: null };
  const numbers = tellingNumbers(cells, false);
  if (own?.ok === true && !isDerivedCode(own.value.code)) {
    const { code, unit } = own.value;
    const column = { ...base, means: code, unit, named: unit, numbers, candidates: [code], asks: null };
    // What a heading says of ease is of garments, and those may be of any size.
    return says === '' ? withMeaning(asThousands(column, cells, code), code) : column;
  }
  const { code, candidates, unit } = guessHeading(heading);
  const inCells = new Set(cells.flatMap(unitsOfCell));
  // A column whose cells name several units, or another than its heading, names none.
  const named = new Set([...inCells, ...(unit === null ? [] : [unit])]);
  const one = named.size === 0 ? general : named.size === 1 ? [...named][0]! : null;
  const column = { ...base, numbers, named: one, unit: null, candidates, means: null, asks: null };
  if (numbers.length === 0) return { ...column, candidates: [] };
  if (heading === '') return { ...column, candidates: [], asks: 'left-out' };
  return withMeaning(asThousands(column, cells, code ?? candidates[0]), code, 'which-measurement');
}

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
function tellingNumbers(cells: readonly string[], thousands: boolean): number[] {
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
function asThousands(
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

/** Whether a line outside the table looks like one of it: several cells, or one that begins with a number. */
function holdsSizes(cells: readonly string[]): boolean {
  const some = [...new Set(cells.filter(Boolean))];
  return some.length === 1
    ? /^[<>≤≥=\s]*\d[^\p{L}]*$/u.test(some[0]!)
    : some.some((cell) => /\d/.test(cell) || LETTER_SIZE.test(cell));
}

function sentenceOf(cells: readonly string[]): string {
  return [...new Set(cells)].filter(Boolean).join(' ');
}

/** Lower and upper ends in two columns, `Chest from` and `Chest to`, are one measurement. */
function withPairs(columns: readonly PlannedColumn[]): PlannedColumn[] {
  const end = (heading: string) =>
    /\b(?:min(?:imum)?|from|low(?:er)?)\b/i.test(heading)
      ? 'lower'
      : /\b(?:max(?:imum)?|to|upper|up)\b/i.test(heading)
        ? 'upper'
        : null;
  const rest = (heading: string) =>
    heading
      .toLowerCase()
      .replace(/\b(?:min(?:imum)?|from|low(?:er)?|max(?:imum)?|to|upper|up)\b\.?/g, ' ')
      .replace(/[^\p{L}\d]+/gu, ' ')
      .trim();
  /** Two ends of the same, by their names. */
  const belong = (one: PlannedColumn | undefined, other: PlannedColumn | undefined): boolean =>
    one !== undefined &&
    other !== undefined &&
    end(one.heading) === 'lower' &&
    end(other.heading) === 'upper' &&
    rest(one.heading) === rest(other.heading);
  return columns.map((column, at) => {
    const next = columns[at + 1];
    if (belong(column, next)) return { ...column, upperIn: next!.index };
    if (belong(columns[at - 1], column)) return { ...column, means: null, asks: null, candidates: [] };
    // One end alone, read as a size's middle, would size by half a size too small or too large.
    const lone = /\b(?:min(?:imum)?|max(?:imum)?|from|until)\b/i.test(column.heading);
    return lone && column.asks === null && column.means !== null && column.says === ''
      ? { ...column, asks: 'lone-end' }
      : column;
  });
}

/**
 * The same measurement in inches and centimetres side by side: the one whose unit is named is taken, the
 * other left out where it says the same. Any other column of the same measurement is asked about.
 */
function withoutDoubles(
  columns: readonly PlannedColumn[],
  body: readonly (readonly string[])[],
): PlannedColumn[] {
  const groups = new Map<string, PlannedColumn[]>();
  for (const column of columns) {
    const same = column.means ?? (column.asks === 'which-measurement' ? column.candidates.join() : '');
    if (same !== '' && same !== 'size') groups.set(same, [...(groups.get(same) ?? []), column]);
  }
  const left = new Map<number, ColumnQuestion | null>();
  for (const group of groups.values()) {
    const taken = group.find(({ named, asks }) => named !== null && asks !== 'impossible-unit') ?? group[0]!;
    for (const other of group) if (other !== taken) left.set(other.index, twinQuestion(taken, other, body));
  }
  return columns.map((column) => {
    const asks = left.get(column.index);
    return asks === undefined ? column : { ...column, means: null, unit: column.named, asks };
  });
}

/** What is asked of a second column of the same measurement; nothing of a twin in another unit that says the same. */
function twinQuestion(
  taken: PlannedColumn,
  other: PlannedColumn,
  body: readonly (readonly string[])[],
): ColumnQuestion | null {
  const [one, two] = [taken.named, other.named ?? other.proposes];
  if (one === null || two === null || one === two) return 'left-out';
  const same = body.every((cells) => {
    const lengths = (index: number, unit: WorkingUnit) =>
      numbersOf(cells[index] ?? '').map((number) => number * MICROMETRES_PER[unit]);
    const [here, there] = [lengths(taken.index, one), lengths(other.index, two)];
    return here.length === there.length && here.every((at, end) => Math.abs(at - there[end]!) <= TWINS_APART);
  });
  return same ? null : 'twins-differ';
}

/** How far twins may be apart: what rounding to whole centimetres and half inches leaves. */
const TWINS_APART = 13_000;

/** The numbers of a cell, fractions with their whole. */
function numbersOf(cell: string): number[] {
  const plain = cell.replace(/½/g, ' 1/2').replace(/¼/g, ' 1/4').replace(/¾/g, ' 3/4');
  return [...plain.matchAll(/(\d+(?:[.,]\d+)?)(?:\s+(\d+)\/(\d+))?/g)].map(
    ([, whole, top, bottom]) =>
      Number(whole!.replace(',', '.')) + (top === undefined ? 0 : Number(top) / Number(bottom)),
  );
}

function sizeColumn(
  body: readonly (readonly string[])[],
  headingOf: (index: number) => string,
  count: number,
): number {
  for (let index = 0; index < count; index++) if (SIZE_WORDS.test(headingOf(index))) return index;
  for (let index = 0; index < count; index++)
    if (body.every((cells) => LETTER_SIZE.test(cells[index] ?? ''))) return index;
  return 0;
}

/** Whether the sizes stand along the top: letters there, or headings that are measurements down the side. */
function standAcross({ rows }: Grid): boolean {
  const top =
    rows
      .find(({ cells }) => filled(cells) > 2)
      ?.cells.slice(1)
      .filter(Boolean) ?? [];
  const side = rows.map(({ cells }) => cells[0] ?? '').filter(Boolean);
  const means = (text: string) =>
    guessHeading(text).candidates.length > 0 && !NUMERIC.test(text) && !LETTER_SIZE.test(text);
  const letters = top.filter((text) => LETTER_SIZE.test(text)).length;
  if (top.length > 0 && letters === top.length) return true;
  return (
    side.slice(1).filter(means).length > 1 &&
    top.filter(means).length === 0 &&
    top.every((text) => NUMERIC.test(text))
  );
}

function joined(texts: readonly string[]): string {
  return [...new Set(texts.map((text) => text.trim()).filter(Boolean))].join(' ');
}

function filled(cells: readonly string[]): number {
  return cells.filter((cell) => cell !== '').length;
}

/** Cells behind the first that begin with a number or a comparison. */
function numbersIn(cells: readonly string[]): number {
  return cells.slice(1).filter((cell) => NUMERIC.test(cell) || endsInWords(cell)).length;
}
