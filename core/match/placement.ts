import type { ColumnCode } from '../chart/column-code';
import type { CompiledColumn } from '../chart/compile-chart';
import { BELOW, GAP, INSIDE, NONE, sizesIn, stretchOf } from '../chart/cut-column';
import { toNearestEnd } from '../chart/interval';
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
 * Places a value on a column: which sizes hold it, and if none does, between or beyond which. The
 * same stretch of the same cut column that the kernel goes by, read for people.
 *
 * @example place(onlyPart(compileChart(jacket.sheet)).deciding[0], cm(110.5)).where // 'gap'
 */
export function place(column: Pick<CompiledColumn, 'code' | 'cut' | 'intervals'>, value: Length): Placement {
  const { code, cut, intervals } = column;
  const stretch = stretchOf(cut, value);
  const containing = sizesIn(cut, stretch);
  const orNull = (size: number) => (size === NONE ? null : size);
  const inside = cut.where[stretch] === INSIDE;
  const below = inside ? null : orNull(cut.below[stretch]!);
  const above = inside ? null : orNull(cut.above[stretch]!);
  const where = inside
    ? 'inside'
    : cut.where[stretch] === GAP
      ? 'gap'
      : cut.where[stretch] === BELOW
        ? 'below'
        : 'above';
  const beside = inside ? containing : [below, above].filter((size) => size !== null);
  const ends = beside.map((size) => toNearestEnd(intervals[size]!, value)).filter((end) => end !== null);
  const toEdge = ends.length === 0 ? null : (Math.min(...ends) as Length);
  return { code, value, containing, where, below, above, toEdge };
}

/**
 * The sizes that hold every placement.
 *
 * @example commonSizes(onlyPart(compileChart(jacket.sheet)).deciding.map((column, at) => place(column, [cm(98), cm(85)][at]))) // [0]
 */
export function commonSizes(placements: readonly Placement[]): number[] {
  const [first, ...rest] = placements;
  return (first?.containing ?? []).filter((size) =>
    rest.every((placement) => placement.containing.includes(size)),
  );
}
