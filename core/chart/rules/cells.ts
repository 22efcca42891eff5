import type { Cell } from '../interval';

/**
 * What holds of the cells of a column, however they came: typed into a table, brought in a file, or
 * kept in a chart.
 */

/** The single values among intervals: each could mean either, so it is asked about. */
export function singleAmongIntervals(cells: readonly Cell[]): number[] {
  const single = cells.flatMap(({ kind }, at) => (kind === 'nominal' ? [at] : []));
  return single.length < cells.length ? single : [];
}

/** Whether the only cell is a single value: how far it reaches is nowhere said. */
export function isAlone(cells: readonly Cell[]): boolean {
  return cells.length === 1 && cells[0]!.kind === 'nominal';
}

/** Whether a size falls behind the one before: sizes are listed smallest first, so one of the two is a slip. */
export function fallsBehind(smaller: Cell, larger: Cell): boolean {
  if (smaller.kind === 'nominal' || larger.kind === 'nominal')
    return smaller.kind === 'nominal' && larger.kind === 'nominal' && larger.at < smaller.at;
  const lower = larger.lower?.at ?? -Infinity;
  const upper = larger.upper?.at ?? Infinity;
  return lower < (smaller.lower?.at ?? -Infinity) || upper < (smaller.upper?.at ?? Infinity);
}

/** Whether two sizes are one by a column. */
export function isSame(one: Cell, other: Cell): boolean {
  if (one.kind === 'nominal' || other.kind === 'nominal')
    return one.kind === 'nominal' && other.kind === 'nominal' && one.at === other.at;
  return one.lower?.at === other.lower?.at && one.upper?.at === other.upper?.at;
}

/** Whether a cell holds every length, and so says nothing of anybody. */
export function saysNothing(cell: Cell): boolean {
  return cell.kind === 'interval' && cell.lower === null && cell.upper === null;
}
