import { LONGEST_SIZE } from '../../chart-shape';
import { cornerNames } from './corner';
import { isMark, isNotGiven } from '../cells/not-given';
import { isUnit } from '../words/unit-evidence';
import { classRank, headsSizes, isLetterSize, isNoSize, systemOf } from '../words/size-words';
import {
  distinct,
  filled,
  givesNothing,
  holdsMeasure,
  isHeadingRow,
  isLabel,
  isSingle,
  isSizeRow,
  namesMeasurement,
} from './cells-of';
import { turned, type Grid, type GridRow } from './grid';

/** What a row of a table is taken for. */
export type RowRole =
  | 'title'
  | 'note'
  | 'heading'
  | 'unit'
  | 'section'
  | 'size'
  | 'with-above'
  | 'repeated'
  | 'footnote'
  | 'left-out';

/** What the cells of a table are, beside a label: measures, marks where a size is made, or the sizes themselves. */
export type Inside = 'measures' | 'marks' | 'labels';

/** A table by its rows. */
export interface Outline {
  readonly rows: readonly (GridRow & { readonly role: RowRole; readonly section: string | null })[];
  readonly inside: Inside;
}

/** A row of a table as it is taken. */
export type PlannedRow = Outline['rows'][number];

/** What somebody says a row is, by its line. */
export type SaidRows = Readonly<Record<number, 'size' | 'left-out'>>;

/**
 * Takes each row of a table for what it is: the heading is what stands right above the first size, a title
 * what stands above that; between the sizes stand sections, below them footnotes. A row that is none of these and
 * holds a label or a number is left out, to be asked about.
 *
 * @example outlineOf(textGrid('Size,Chest\nM,94').value).rows.map(({ role }) => role) // ['heading', 'size']
 */
export function outlineOf({ rows }: Grid, said: SaidRows = {}): Outline {
  const from = labelColumn(rows);
  const inside = insideOf(rows);
  const isSize = ({ line, cells }: GridRow): boolean => {
    if (said[line] !== undefined) return said[line] === 'size';
    if (isSingle(cells) || (givesNothing(cells.slice(from)) && inside === 'measures')) return false;
    const label = cells[from] ?? '';
    if (isNoSize(label)) return false;
    if (inside !== 'measures') return (holdsMeasure(label) || isLabel(label)) && filled(cells) >= 2;
    return isSizeRow(cells.slice(from));
  };
  const matrix = inside === 'measures' ? -1 : headingOfMatrix(rows, from, inside);
  const first = inside === 'measures' ? rows.findIndex(isSize) : matrix + 1;
  if (first < 0 || rows[first] === undefined)
    return { rows: rows.map((row) => withRole(row, 'note')), inside };
  let top = first;
  while (top > 0 && (isHeading(rows, top - 1, first, from) || isWithinHeading(rows, top - 1, from))) top -= 1;
  const last = rows.findLastIndex(
    (row, at) => at >= first && isSize(row) && !isRepeated(rows, at, top, first),
  );
  const letters = rows.some((row, at) => at >= first && isSize(row) && isLetterSize(row.cells[from] ?? ''));
  let section: string | null = null;
  const above = (row: GridRow, at: number) => {
    const one = distinct(row.cells);
    if (one.length === 1 && classRank(one[0]!) !== null && (at >= top || at === top - 1)) {
      section = one[0]!;
      return withRole(row, 'section');
    }
    if (at >= top && isSingle(row.cells) && firstOf(row.cells) === from && !one.every(isUnit))
      return withRole(row, 'note');
    // What is called as a size is and names nothing is a size of which the cells could not be read: never a heading.
    if (at > top - 1 && inside === 'measures' && looksLikeSize(row.cells.slice(from)))
      return withRole(row, 'left-out');
    if (at >= top) return withRole(row, one.every(isUnit) ? 'unit' : 'heading');
    return withRole(row, holds(row.cells) ? 'left-out' : at === 0 ? 'title' : 'note');
  };
  return {
    inside,
    rows: rows.map((row, at) => {
      if (at < first) return above(row, at);
      if (said[row.line] === 'left-out') return withRole(row, 'left-out');
      if (isRepeated(rows, at, top, first)) return withRole(row, 'heading');
      if (isSize(row) || (at <= last + 1 && givesNothing(row.cells.slice(from))))
        return { ...row, role: 'size' as const, section };
      const one = distinct(row.cells);
      // A letter alone is a size of which nothing is given, where the others are letters.
      if (letters && one.length === 1 && firstOf(row.cells) === from && isLetterSize(one[0]!))
        return { ...row, role: 'size' as const, section };
      if (at < last && one.length === 1 && !holdsMeasure(one[0]!)) {
        if (classRank(one[0]!) === null) return withRole(row, 'note');
        section = one[0]!;
        return withRole(row, 'section');
      }
      return withRole(row, holds(row.cells) ? 'left-out' : at > last ? 'footnote' : 'note');
    }),
  };
}

/**
 * The column in which the sizes of the rows most likely stand: the first that holds anything, unless all of it
 * is one word, the name of what stands down the side.
 */
function labelColumn(rows: readonly GridRow[]): number {
  const from = Math.min(
    ...rows.filter(({ cells }) => !isSingle(cells)).map(({ cells }) => firstOf(cells)),
    99,
  );
  if (from === 99) return 0;
  const down = rows.filter(({ cells }) => filled(cells) > 2).map(({ cells }) => cells[from] ?? '');
  const one = distinct(down);
  return down.length > 2 && one.length === 1 && down.filter(Boolean).length > 2 && !holdsMeasure(one[0]!)
    ? from + 1
    : from;
}

/** Whether a row begins as a size does, with numbers behind it, and names neither a measurement nor a system. */
function looksLikeSize(cells: readonly string[]): boolean {
  const [label = '', ...others] = cells;
  const some = others.filter((cell) => cell !== '');
  return (
    isLetterSize(label) &&
    some.some((cell) => /\d/.test(cell)) &&
    !cells.some((cell) => namesMeasurement(cell) || headsSizes(cell) || systemOf(cell) !== null)
  );
}

function withRole(row: GridRow, role: RowRole) {
  return { ...row, role, section: null };
}

/** A heading repeated above a section. */
function isRepeated(rows: readonly GridRow[], at: number, top: number, first: number): boolean {
  const text = rows[at]!.cells.join('|');
  return (
    at >= first &&
    rows.slice(top, first).some(({ cells }) => cells.join('|') === text) &&
    !isSingle(rows[at]!.cells)
  );
}

/** Whether a row above the sizes is one of their heading: several cells, one over some of the columns, or a section. */
function isHeading(rows: readonly GridRow[], at: number, first: number, from: number): boolean {
  const { cells } = rows[at]!;
  const one = distinct(cells);
  const place = firstOf(cells);
  if (one.length > 1 || (place > from && one.every(isUnit))) return true;
  // One text over some of the columns heads those, if a whole heading stands below it.
  if (at < first - 1 && place > from && !isSingle(rows[at + 1]!.cells)) return true;
  // The name of a section, between the heading and the first of its sizes.
  return (
    at === first - 1 &&
    at > 0 &&
    classRank(one[0] ?? '') !== null &&
    isHeadingRow(rows[at - 1]!.cells.slice(from))
  );
}

/** Whether a row of one text stands between the heading and its sizes: a note, and the heading stands above. */
function isWithinHeading(rows: readonly GridRow[], at: number, from: number): boolean {
  const above = rows[at - 1];
  return (
    above !== undefined &&
    isSingle(rows[at]!.cells) &&
    !isSingle(above.cells) &&
    isHeadingRow(above.cells.slice(from))
  );
}

/** Whether a line outside the table looks like one of it: several cells, or one that begins with a number. */
function holds(cells: readonly string[]): boolean {
  const some = distinct(cells);
  if (some.length === 1) return /^[<>≤≥=\s]*\d[^\p{L}]*$/u.test(some[0]!);
  return some.some((cell) => /\d/.test(cell) || isLetterSize(cell));
}

function firstOf(cells: readonly string[]): number {
  return Math.max(
    0,
    cells.findIndex((cell) => cell !== ''),
  );
}

/**
 * Whether a table is one of marks or of labels between two axes: below a row of numbers or names, and behind
 * a column of them, hardly anything but marks stands, or sizes.
 */
function insideOf(rows: readonly GridRow[]): Inside {
  const from = labelColumn(rows);
  for (const inside of ['marks', 'labels'] as const)
    if (headingOfMatrix(rows, from, inside) >= 0) return inside;
  return 'measures';
}

/** An axis stands among the first rows. */
const HEADING_WITHIN = 16;
/** As many rows below it tell what stands in them. */
const LOOKED_AT = 80;

/** The row that is the axis along the top of such a table; -1 where it is none. */
function headingOfMatrix(rows: readonly GridRow[], from: number, inside: 'marks' | 'labels'): number {
  return rows.slice(0, HEADING_WITHIN).findIndex(({ cells: row }, at) => {
    const axis = row.slice(from + 1).filter(Boolean);
    const below = rows.slice(at + 1, at + 1 + LOOKED_AT).filter(({ cells }) => !isSingle(cells));
    if (axis.length < 2 || below.length < 2) return false;
    const cells = below
      .flatMap((one) => one.cells.slice(from + 1))
      .filter((cell) => isMark(cell) || !isNotGiven(cell));
    // Between two measurements that the corner names, whatever stands is what they are called together.
    const corner = cornerNames(row[from] ?? '').filter(namesMeasurement).length === 2;
    const fits = (cell: string) => {
      if (inside === 'marks') return isMark(cell);
      return corner ? cell !== '' && cell.length <= LONGEST_SIZE : isLabel(cell) && !holdsMeasure(cell);
    };
    // The columns that hold marks or labels, each with its name: numbers, or classes where a mark stands.
    const width = Math.max(...below.map((one) => one.cells.length));
    const columns = Array.from({ length: width }, (_, index) => index).filter(
      (index) => index > from && below.some((one) => fits(one.cells[index] ?? '')),
    );
    const names = columns.map((index) => row[index] ?? '');
    const measures = names.filter(holdsMeasure).length;
    if (columns.length < 2 || new Set(names).size < names.length || names.some((one) => one === ''))
      return false;
    if (measures < names.length) return false;
    const labels = below.map((one) => one.cells[from] ?? '');
    const labelled = labels.filter((one) => holdsMeasure(one) || (inside === 'marks' && isLabel(one))).length;
    const within = columns
      .flatMap((index) => below.map((one) => one.cells[index] ?? ''))
      .filter((cell) => isMark(cell) || !isNotGiven(cell));
    return (
      cells.length >= 2 &&
      within.filter(fits).length >= within.length * 0.75 &&
      labelled >= labels.length * 0.75 &&
      labels.filter(headsSizes).length === 0
    );
  });
}

/**
 * Whether the sizes stand along the top: letters there, or headings that are measurements down the side.
 *
 * @example standAcross(textGrid('Size,S,M,L\nChest (cm),90,98,106').value) // true
 */
export function standAcross(grid: Grid): boolean {
  const rows = grid.rows.filter(({ cells }) => !isSingle(cells));
  if (insideOf(rows) !== 'measures') return false;
  const from = labelColumn(rows);
  const top =
    rows
      .find(({ cells }) => distinct(cells).length > 2)
      ?.cells.slice(from + 1)
      .filter(Boolean) ?? [];
  const side = rows.map(({ cells }) => cells[from] ?? '').filter(Boolean);
  const means = (text: string) =>
    namesMeasurement(text) && !/^[<>≤≥=\s]*\d/.test(text) && !isLetterSize(text);
  const down = side.filter(means).length;
  const across = distinct(rows.flatMap(({ cells }) => cells.slice(from + 1))).filter(means).length;
  if (down === 0 || across > 0) return false;
  if (top.length > 0 && top.every(isLetterSize)) return true;
  const body = turned({ rows }).rows.slice(from + 1);
  return body.length > 0 && body.filter(({ cells }) => isSizeRow(cells)).length * 2 >= body.length;
}
