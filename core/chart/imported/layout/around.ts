import { isSingle } from './cells-of';
import type { Grid } from './grid';

/**
 * A table with its sizes across, without the lines of one text above and below it: turned, they would be
 * columns.
 *
 * @example aroundIt(textGrid('Size;M;L\nChest (cm);94;102\nAll in cm').value).around.map(({ cells }) => cells[0]) // ['All in cm']
 */
export function aroundIt({ rows }: Grid): { readonly around: Grid['rows']; readonly within: Grid } {
  const whole = rows.map(({ cells }) => !isSingle(cells));
  const [first, last] = [whole.indexOf(true), whole.lastIndexOf(true)];
  if (first < 0) return { around: [], within: { rows } };
  return {
    around: [...rows.slice(0, first), ...rows.slice(last + 1)],
    within: { rows: rows.slice(first, last + 1) },
  };
}

/**
 * Where a cell of a grid stands from the side that is read: its row in the plan, and its place in that row;
 * nothing for lines around a table that is turned.
 *
 * @example columnsTurned(textGrid('Size,M,L\nChest (cm),94,102').value, true)(1, 2) // { row: 2, cell: 1 }
 */
export function columnsTurned(
  grid: Grid,
  across: boolean,
): (row: number, column: number) => { readonly row: number; readonly cell: number } | null {
  if (!across) return (row, column) => ({ row, cell: column });
  const { within } = aroundIt(grid);
  const first = grid.rows.indexOf(within.rows[0]!);
  return (row, column) =>
    row < first || row >= first + within.rows.length ? null : { row: column, cell: row - first };
}
