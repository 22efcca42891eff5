import { failure, success, type Outcome } from '../../outcome';
import type { FileFinding } from '../finding';
import { parseCsv } from './csv';
import { MOST_CHART_BYTES } from './read-text';

/**
 * Any table before it is understood: rows of texts, as they stand in a file, a pasted block, a
 * spreadsheet or a web page. Merged cells stand in each of the places they cover.
 */
export interface Grid {
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
}

/** The most rows and columns of a table that is looked at. */
export const MOST_GRID_ROWS = 5_000;
export const MOST_GRID_COLUMNS = 200;

/** A block of text as a grid: comma, semicolon or tab parted, as files and spreadsheets give it. */
export function gridOfText(text: string): Outcome<Grid, readonly FileFinding[]> {
  if (text.trim() === '') return failure([{ code: 'file-empty' }]);
  if (text.length > MOST_CHART_BYTES)
    return failure([{ code: 'file-too-large', bytes: text.length, most: MOST_CHART_BYTES }]);
  if (text.includes('\0')) return failure([{ code: 'file-binary' }]);
  const rows = parseCsv(text);
  return rows.ok ? success(gridOf(rows.value)) : failure([rows.problem]);
}

/** Rows as a grid: cut to what a size table can be, empty lines dropped, their numbers kept. */
export function gridOf(rows: Grid['rows']): Grid {
  return {
    rows: rows
      .slice(0, MOST_GRID_ROWS)
      .map(({ line, cells }) => ({ line, cells: cells.slice(0, MOST_GRID_COLUMNS).map(plainCell) }))
      .filter(({ cells }) => cells.some((cell) => cell !== '')),
  };
}

/** Rows become columns: for sheets with the sizes across. Lines count what were columns. */
export function turned({ rows }: Grid): Grid {
  const width = Math.max(0, ...rows.map(({ cells }) => cells.length));
  return {
    rows: Array.from({ length: width }, (_, column) => ({
      line: column + 1,
      cells: rows.map(({ cells }) => cells[column] ?? ''),
    })),
  };
}

/** Spaces of every kind made one; a lone dash or "n/a" is an empty cell. */
function plainCell(text: string): string {
  const plain = text.replace(/[\s\u00a0\u2007\u202f]+/g, ' ').trim();
  return /^(?:[-–—]|n\/?a)$/i.test(plain) ? '' : plain;
}
