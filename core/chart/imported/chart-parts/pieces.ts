// Small tables cut out of what was imported, each read as a part; faults are told where they stand there.
import { failure, success, type Outcome } from '../../../outcome';
import type { ChartPart } from '../../chart-shape';
import type { Finding, Place } from '../../finding';
import { readTable } from '../../formats/read-table';
import { writeCell } from '../../formats/write-cell';
import { parseCell } from '../../formats/parse-cell';
import { MICROMETRES_PER, micrometres, type WorkingUnit } from '../../../quantity/length';
import type { Cell } from '../../interval';
import { behindMeaning, derivationOf, type Meaning } from '../words/meaning';
import { isNotGiven } from '../cells/not-given';
import { rewriteCell } from '../cells/maker-cell';
import { cellIn, type PlannedColumn } from '../plan/planned-column';

/** A column that is taken: a measurement, in a unit. */
export type TakenColumn = PlannedColumn & { readonly means: Meaning; readonly unit: WorkingUnit };

/** A text with where it stands: its line, and its column counted from 0. */
export interface Placed {
  readonly text: string;
  readonly line: number;
  readonly column: number;
}

/** A small table: what heads each column, and a row a size, its label first. */
export interface Piece {
  readonly columns: readonly TakenColumn[];
  readonly rows: readonly (readonly Placed[])[];
  /** Whether sizes may be alike, for they are never offered together. */
  readonly mayBeAlike?: boolean;
}

/** Reads a small table as a part; faults are told where they stand in what was imported. */
export function readPiece(
  { columns, rows, mayBeAlike = false }: Piece,
  code: string,
  name: string,
): Outcome<ChartPart, readonly Finding[]> {
  const read = readTable(
    [
      {
        line: 1,
        cells: [
          'size',
          ...columns.map(
            ({ means, unit, says, ease }) =>
              `${behindMeaning(means)} (${unit}${says}${ease === null ? '' : `, ease ${ease}`})`,
          ),
        ],
      },
      ...rows.map((row, at) => ({ line: at + 2, cells: row.map(({ text }) => text) })),
    ],
    mayBeAlike,
  );
  if (read.ok) {
    const named = read.value.columns.map((column, at) => ({
      ...column,
      code: derivationOf(columns[at]!.means)?.code ?? column.code,
    }));
    return success({ ...read.value, columns: named, code, name });
  }
  return failure(
    read.problem.map((finding) => {
      if (!('place' in finding)) return finding;
      const { line, column } = finding.place;
      const placed = line === 1 ? undefined : rows[line - 2]?.[column - 1];
      const place: Place = {
        ...finding.place,
        line: placed?.line ?? rows[0]?.[0]?.line ?? 1,
        column: (placed?.column ?? columns[column - 2]?.index ?? 0) + 1,
      };
      const first = 'firstLine' in finding ? { firstLine: rows[finding.firstLine - 2]?.[0]?.line ?? 1 } : {};
      return { ...finding, ...first, place } as Finding;
    }),
  );
}

/** The cell of a column as the reader of tables takes it: both ends where they stand in two columns, twice where it is half. */
export function takenCell(row: readonly string[], column: TakenColumn): string {
  const { named, unit, thousands, upperIn } = column;
  const text = (at: string) =>
    isNotGiven(at) ? '' : rewriteCell(at, { unit: named ?? unit, thousands }).text;
  const own = cellIn(row, column);
  const spread = column.spreads && isNotGiven(own) === false && /^[\d.,/½¼¾⅛⅜⅝⅞ ]+$/.test(own);
  const lower = text(spread ? `${own}±${column.eitherSide!}` : own);
  const whole = upperIn === null ? lower : bothEnds(lower, text(row[upperIn] ?? ''));
  return column.times === 1 ? whole : doubled(whole, unit);
}

function bothEnds(lower: string, upper: string): string {
  if (lower === '' && upper === '') return '';
  if (lower === '') return /^[<>=]/.test(upper) ? upper : `<=${upper}`;
  if (upper === '') return /^[<>=]/.test(lower) ? lower : `>=${lower}`;
  return `${lower} - ${upper}`;
}

/** A measure of half the way round as the whole way. */
function doubled(text: string, unit: WorkingUnit): string {
  const cell = parseCell(text, unit);
  if (!cell.ok) return text;
  const twice = (at: number) => micrometres(at * 2);
  const whole: Cell =
    cell.value.kind === 'nominal'
      ? { kind: 'nominal', at: twice(cell.value.at) }
      : {
          kind: 'interval',
          lower: cell.value.lower && { ...cell.value.lower, at: twice(cell.value.lower.at) },
          upper: cell.value.upper && { ...cell.value.upper, at: twice(cell.value.upper.at) },
        };
  return writeCell(whole, unit);
}

/** Where a cell begins, in its column's unit, to order sizes by; nothing where it is not read. */
export function beginsAt(text: string, unit: WorkingUnit): number | null {
  const cell = parseCell(text, unit);
  if (!cell.ok) return null;
  const { value } = cell;
  const at =
    value.kind === 'nominal'
      ? value.at
      : (value.lower?.at ?? (value.upper === null ? null : value.upper.at - 1));
  return at === null ? null : at / MICROMETRES_PER[unit];
}

/** Whether sizes are listed largest first: no column grows, and one falls. */
export function falls(rows: readonly (readonly Placed[])[], taken: readonly TakenColumn[]): boolean {
  const steps = taken.flatMap(({ unit }, at) =>
    rows.slice(1).map((row, index) => {
      const [before, here] = [rows[index]![at + 1]!, row[at + 1]!].map(({ text }) => beginsAt(text, unit));
      return before === null || here === null ? 0 : here! - before!;
    }),
  );
  return steps.some((step) => step < 0) && steps.every((step) => step <= 0);
}

/** Rows, the smallest size first, with open ends that reach to those of the size beside them where that was said. */
export function toNext(rows: readonly (readonly Placed[])[], taken: readonly TakenColumn[]): Placed[][] {
  return rows.map((row, at) =>
    row.map((placed, index) => {
      const column = taken[index - 1];
      if (column === undefined || !column.toNext) return placed;
      const [before, after] = [rows[at - 1]?.[index]?.text, rows[at + 1]?.[index]?.text];
      const below = /^(<=?)\s*(.+)$/.exec(placed.text);
      const under = /^(<=?)\s*(.+)$/.exec(before ?? '');
      if (below !== null && under !== null)
        return { ...placed, text: `${under[1] === '<' ? '>=' : '>'}${under[2]!} ${below[1]!}${below[2]!}` };
      const above = /^(>=?)\s*(.+)$/.exec(placed.text);
      const over = /^(>=?)\s*(.+)$/.exec(after ?? '');
      if (above !== null && over !== null)
        return { ...placed, text: `${above[1]!}${above[2]!} ${over[1] === '>' ? '<=' : '<'}${over[2]!}` };
      return placed;
    }),
  );
}
