// The shapes that one table comes in: how it is parted, turned, packed, and where its unit stands.
import { aligned, csv, encoded, html, piped, workbook } from './write-files';

/** A table to be written out: labels, and for each measurement its name, unit and cells as numbers. */
export interface PlainTable {
  readonly size: string;
  readonly labels: readonly string[];
  readonly columns: readonly {
    readonly name: string;
    readonly unit: string;
    /** From and to; the same twice is a single value. */
    readonly cells: readonly (readonly [number, number])[];
  }[];
}

export interface Shape {
  readonly name: string;
  readonly write: (table: PlainTable) => Uint8Array;
}

type Cell = (from: number, to: number) => string;
const between =
  (sign: string): Cell =>
  (from, to) =>
    from === to ? String(from) : `${from}${sign}${to}`;

function rowsOf(
  { size, labels, columns }: PlainTable,
  cell: Cell,
  heading: (name: string, unit: string) => string,
): string[][] {
  return [
    [size, ...columns.map(({ name, unit }) => heading(name, unit))],
    ...labels.map((label, at) => [label, ...columns.map(({ cells }) => cell(...cells[at]!))]),
  ];
}

const bracket = (name: string, unit: string) => `${name} (${unit})`;
const turned = (rows: string[][]) => rows[0]!.map((_, at) => rows.map((row) => row[at]!));
const utf8 = (text: string) => encoded(text, 'utf-8');
const units = ({ columns }: PlainTable) => columns.map(({ unit }) => unit);

/** At least eight of them for every published table. */
export const SHAPES: readonly Shape[] = [
  { name: 'commas', write: (table) => utf8(csv(rowsOf(table, between('-'), bracket))) },
  {
    name: 'semicolons, decimal commas',
    write: (table) =>
      utf8(
        csv(
          rowsOf(table, (from, to) => between(' – ')(from, to).replace(/\./g, ','), bracket),
          ';',
        ),
      ),
  },
  {
    name: 'tabs, ranges in words',
    write: (table) => utf8(csv(rowsOf(table, between(' to '), bracket), '\t')),
  },
  { name: 'upright strokes', write: (table) => utf8(piped(rowsOf(table, between('–'), bracket))) },
  { name: 'columns by spaces', write: (table) => utf8(aligned(rowsOf(table, between('-'), bracket))) },
  {
    name: 'UTF-16, units in the cells',
    write: (table) =>
      encoded(
        csv(
          rowsOf(table, between('-'), (name) => name).map((row, at) =>
            at === 0 ? row : row.map((cell, by) => (by === 0 ? cell : `${cell} ${units(table)[by - 1]!}`)),
          ),
          ';',
        ),
        'utf-16le',
      ),
  },
  {
    name: 'a page, a row of units',
    write: (table) => {
      const [head, ...body] = rowsOf(table, between('&ndash;'), (name) => name);
      return utf8(html([head!, ['', ...units(table)], ...body]));
    },
  },
  {
    name: 'a workbook',
    write: (table) => workbook([{ name: 'Sizes', rows: rowsOf(table, between('-'), bracket) }]),
  },
  {
    name: 'an open document',
    write: (table) => workbook([{ name: 'Sizes', rows: rowsOf(table, between(' - '), bracket) }], 'ods'),
  },
  { name: 'the sizes across', write: (table) => utf8(csv(turned(rowsOf(table, between('-'), bracket)))) },
  {
    name: 'the largest first',
    write: (table) => {
      const [head, ...body] = rowsOf(table, between('-'), bracket);
      return utf8(csv([head!, ...body.reverse()]));
    },
  },
];
