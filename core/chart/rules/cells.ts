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
  const [[lower, upper], [under, over]] = [reachOf(larger), reachOf(smaller)];
  return lower < under || upper < over;
}

/** Whether two sizes are one by a column. */
export function isSame(one: Cell, other: Cell): boolean {
  const [[lower, upper], [under, over]] = [reachOf(one), reachOf(other)];
  return lower === under && upper === over;
}

/** Both ends as numbers; a single value is both. */
function reachOf(cell: Cell): readonly [lower: number, upper: number] {
  if (cell.kind === 'nominal') return [cell.at, cell.at];
  return [cell.lower?.at ?? -Infinity, cell.upper?.at ?? Infinity];
}

/** Whether a cell holds every length, and so says nothing of anybody. */
export function saysNothing(cell: Cell): boolean {
  return cell.kind === 'interval' && cell.lower === null && cell.upper === null;
}
