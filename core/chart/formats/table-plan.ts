import type { MeasurementCode } from '../../body/catalogue/codes';
import { failure, success, type Outcome } from '../../outcome';
import { WORKING_UNITS, type WorkingUnit } from '../../quantity/length';
import { isDerivedCode } from '../column-code';
import type { Finding } from '../finding';
import type { ChartPart } from '../chart-shape';
import { turned, type Grid } from './grid';
import { withoutDoubles, withPairs } from './column-twins';
import { guessHeading } from './guess-heading';
import { parseColumnHeading } from './heading';
import { endsInWords, rewriteCell } from './maker-cell';
import { readTable } from './read-table';
import { asThousands, tellingNumbers, withMeaning, type PlannedColumn } from './planned-column';
import { unitOfNote, unitsOfCell } from './unit-evidence';

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
