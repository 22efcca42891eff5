import type { MeasurementCode } from '../../body/catalogue/codes';
import { failure, success, type Outcome } from '../../outcome';
import { WORKING_UNITS, type WorkingUnit } from '../../quantity/length';
import { isDerivedCode } from '../column-code';
import type { Finding } from '../finding';
import type { ChartPart } from '../chart-shape';
import { turned, type Grid } from './grid';
import { guessHeading, guessUnit, possibleUnits } from './guess-heading';
import { parseColumnHeading } from './heading';
import { readTable } from './read-table';

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
  readonly asks: 'which-measurement' | 'which-unit' | null;
  /** The first cells, to know it by. */
  readonly sample: readonly string[];
  /** The column that holds the upper ends, where lower and upper stand in two. */
  readonly upperIn: number | null;
  /** What a heading of ours says of the cells beyond the unit: `ease 8-14`, `reported`; else nothing. */
  readonly says: string;
}

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
}

const NUMERIC = /^[<>≤≥=\s]*\d/;
const SIZE_WORDS = /^(?:size|sizes|label|code|style|letter|us size|uk size)$/i;
const LETTER_SIZE = /^(?:\d?x{0,4}[sl]|m|[2-6]xl|small|medium|large|one size)(?:[\s/-].*)?$/i;

/** Guesses how a table is to be read. The fitter sees the guess and may change all of it. */
export function planTable(grid: Grid): TablePlan {
  const across = standAcross(grid);
  const { rows } = across ? turned(grid) : grid;
  const first = rows.findIndex((row) => numbersIn(row.cells) >= 1 && filled(row.cells) >= 2);
  const start = first < 0 ? rows.length : first;
  const width = Math.max(0, ...rows.slice(start, start + 3).map(({ cells }) => filled(cells)));
  const headings = rows.slice(0, start).filter(({ cells }) => filled(cells) > 1 || width <= 2);
  const titles = rows.slice(0, start).filter((row) => !headings.includes(row));
  let until = start;
  while (until < rows.length && numbersIn(rows[until]!.cells) >= 1 && filled(rows[until]!.cells) >= 2)
    until += 1;
  const notes = [...titles, ...rows.slice(until)].map(({ cells }) =>
    [...new Set(cells)].filter(Boolean).join(' '),
  );
  const general = notes.map(guessUnit).find((unit) => unit !== null) ?? null;
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
    columns: withoutDoubles(withPairs(columns)),
    notes,
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
        ...taken.map(({ index, upperIn, unit }) => cellOf(cells, index, upperIn, unit!)),
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

/** One cell as the reader of tables takes it: the column's own unit may stand behind its numbers. */
function cellOf(cells: readonly string[], index: number, upperIn: number | null, unit: WorkingUnit): string {
  const strip = (text: string) => {
    const own =
      unit === 'in'
        ? /\s*(?:["″”]|''|\bin(?:ch(?:es)?|s)?\b\.?)/gi
        : unit === 'cm'
          ? /\s*\bcms?\b\.?/gi
          : /\s*\bmm\b\.?/gi;
    return text
      .replace(own, '')
      .replace(/(\d)(?:cm|mm|in)\b/gi, '$1')
      .trim();
  };
  const lower = strip(cells[index] ?? '');
  const upper = upperIn === null ? '' : strip(cells[upperIn] ?? '');
  if (upperIn === null) {
    const openUp = /^(.*\d.*?)\s*(?:\+|and (?:up|over|more|above))$/i.exec(lower);
    const openDown = /^(?:up to|under|below)\s+(.*)$/i.exec(lower);
    if (openUp) return `>=${openUp[1]!}`;
    if (openDown) return /^up to/i.test(lower) ? `<=${openDown[1]!}` : `<${openDown[1]!}`;
    return lower;
  }
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
  const base = { index, heading, sample: cells.slice(0, 3), upperIn: null, says };
  if (isSize) return { ...base, means: 'size', unit: null, candidates: [], asks: null };
  if (own?.ok === true && !isDerivedCode(own.value.code)) {
    const { code, unit } = own.value;
    return { ...base, means: code, unit, candidates: [code], asks: null };
  }
  const { code, candidates, unit } = guessHeading(heading);
  const numbers = cells.flatMap((cell) =>
    (cell.match(/\d+(?:[.,]\d+)?/g) ?? []).map((one) => Number(one.replace(',', '.'))),
  );
  // Fractions bring small numbers with them; only the large ones tell the unit.
  const telling = numbers.filter((number) => number * 4 >= Math.max(...numbers));
  const cellUnit = cells.map(guessUnit).find((one) => one !== null) ?? null;
  const possible = candidates[0] === undefined ? [] : possibleUnits(code ?? candidates[0], telling);
  const known = unit ?? cellUnit ?? general ?? (possible.length === 1 ? possible[0]! : null);
  const isNothing = numbers.length === 0 || heading === '';
  const asks = isNothing ? null : code === null ? 'which-measurement' : known === null ? 'which-unit' : null;
  return {
    ...base,
    means: isNothing ? null : code,
    unit: known,
    candidates: isNothing ? [] : candidates,
    asks,
  };
}

/** Lower and upper ends in two columns, `Chest from` and `Chest to`, are one measurement. */
function withPairs(columns: readonly PlannedColumn[]): PlannedColumn[] {
  const end = (heading: string) =>
    /\b(?:min(?:imum)?|from|low(?:er)?)\b/i.test(heading)
      ? 'lower'
      : /\b(?:max(?:imum)?|to|upper|up)\b/i.test(heading)
        ? 'upper'
        : null;
  return columns.map((column, at) => {
    const next = columns[at + 1];
    const before = columns[at - 1];
    if (next !== undefined && end(column.heading) === 'lower' && end(next.heading) === 'upper')
      return { ...column, upperIn: next.index };
    if (before !== undefined && end(column.heading) === 'upper' && end(before.heading) === 'lower')
      return { ...column, means: null, asks: null, candidates: [] };
    return column;
  });
}

/** The same measurement in inches and centimetres side by side: the first is taken, the other left out. */
function withoutDoubles(columns: readonly PlannedColumn[]): PlannedColumn[] {
  const seen = new Set<string>();
  return columns.map((column) => {
    const same = column.means ?? (column.asks === 'which-measurement' ? column.candidates.join() : null);
    if (same === null || same === 'size') return column;
    if (seen.has(same)) return { ...column, means: null, asks: null };
    seen.add(same);
    return column;
  });
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
  return cells.slice(1).filter((cell) => NUMERIC.test(cell) || /^(?:up to|under|below)\s+\d/i.test(cell))
    .length;
}
