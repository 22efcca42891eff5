import type { Cell } from '../interval';

/**
 * What holds of the cells of a column, however they came: typed into a table, imported in a file, or
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

/**
 * Whether a size is another than the one before by some column: sizes of one chest may differ in length.
 *
 * @param columns the cells of every column, in the order of the sizes
 * @param at the index of the size
 */
export function isToldApart(columns: readonly (readonly Cell[])[], at: number): boolean {
  return columns.some((cells) => {
    const [before, here] = [cells[at - 1], cells[at]];
    return before !== undefined && here !== undefined && !isSame(before, here);
  });
}

/** Whether every size has the same single value: how far it reaches is nowhere said, and it tells nobody's size. */
export function isOneValue(cells: readonly Cell[]): boolean {
  return cells.length > 1 && cells.every((cell) => cell.kind === 'nominal' && isSame(cell, cells[0]!));
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
