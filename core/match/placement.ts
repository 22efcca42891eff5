import type { ColumnCode } from '../chart/column-code';
import { holds, toNearestEnd, type Interval } from '../chart/interval';
import type { CompiledColumn } from '../chart/compile-chart';
import type { Length } from '../quantity/length';

/** Where one measurement of a wearer falls on the sizes of a part. Sizes are indices, smallest first. */
export interface Placement {
  readonly code: ColumnCode;
  readonly value: Length;
  /** The sizes whose interval holds the value; empty unless `where` is `inside`. */
  readonly containing: readonly number[];
  /** `below` and `above`: outside every size. `gap`: between two sizes, in neither. */
  readonly where: 'inside' | 'gap' | 'below' | 'above';
  /** In a gap: the sizes on either side. Below or above: the nearest size, on its one side. */
  readonly below: number | null;
  readonly above: number | null;
  /** How far the value is from the nearest end of what holds it, or of the nearest size. */
  readonly toEdge: Length | null;
}

/**
 * Places a value on a column: which sizes hold it, and if none does, between or beyond which.
 */
export function place(column: Pick<CompiledColumn, 'code' | 'intervals'>, value: Length): Placement {
  const { code, intervals } = column;
  const containing = intervals.flatMap((interval, size) => (holds(interval, value) ? [size] : []));
  if (containing.length > 0) {
    return {
      code,
      value,
      containing,
      where: 'inside',
      below: null,
      above: null,
      toEdge: nearest(intervals, containing, value),
    };
  }
  const below = extreme(intervals, (interval) => (interval.until <= value ? interval.until : null));
  const above = extreme(intervals, (interval) => (interval.from > value ? -interval.from : null));
  const sides = [below, above].filter((size): size is number => size !== null);
  const where = below === null ? 'below' : above === null ? 'above' : 'gap';
  return { code, value, containing, where, below, above, toEdge: nearest(intervals, sides, value) };
}

/** The size that scores highest among those that score at all; of equals, the last. */
function extreme(
  intervals: readonly Interval[],
  score: (interval: Interval) => number | null,
): number | null {
  let best: { size: number; score: number } | null = null;
  intervals.forEach((interval, size) => {
    const scored = score(interval);
    if (scored !== null && (best === null || scored >= best.score)) best = { size, score: scored };
  });
  return (best as { size: number } | null)?.size ?? null;
}

function nearest(intervals: readonly Interval[], sizes: readonly number[], value: Length): Length | null {
  const ends = sizes
    .map((size) => toNearestEnd(intervals[size]!, value))
    .filter((end): end is Length => end !== null);
  return ends.length === 0 ? null : (Math.min(...ends) as Length);
}
