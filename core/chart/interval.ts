import { micrometres, type Length } from '../quantity/length';

/**
 * One end of an interval, as its maker prints it.
 *
 * - `printed`: the end of a range such as `86-90`. It belongs to the interval, unless the
 *   next size starts at the same value: then the shared value belongs to the larger size.
 * - `closed` (`>=`, `<=`) and `open` (`>`, `<`) say their own and are never reinterpreted.
 */
export interface Bound {
  readonly at: Length;
  readonly edge: 'printed' | 'closed' | 'open';
}

/** What one cell of a chart holds: an interval (either end may be open-ended), or one nominal value. */
export type Cell =
  | { readonly kind: 'interval'; readonly lower: Bound | null; readonly upper: Bound | null }
  | { readonly kind: 'nominal'; readonly at: Length };

/** How far a nominal size reaches: halfway to its neighbours, or the whole step up to it, or from it. */
export const NOMINAL_REACHES = ['halfway', 'next-up', 'next-down'] as const;
export type NominalReach = (typeof NOMINAL_REACHES)[number];

/**
 * The lengths a size holds, settled to whole micrometres: `from <= length < until`.
 *
 * Lengths are whole micrometres, so an included upper end is simply one micrometre more in
 * `until`, and every question of "in or out" becomes a comparison of whole numbers.
 * `lower` and `upper` keep the printed ends for people and for distances.
 */
export interface Interval {
  readonly from: number;
  readonly until: number;
  readonly lower: Length | null;
  readonly upper: Length | null;
}

/**
 * Whether an interval holds a length.
 *
 * @example holds({ lower: cm(94), upper: cm(102) }, cm(102)) // false
 */
export function holds(interval: Interval, length: Length): boolean {
  return interval.from <= length && length < interval.until;
}

/**
 * How far a length is from the nearest printed end of an interval, on whichever side of it
 * it lies; `null` when the interval has no end at all.
 *
 * @example toNearestEnd({ lower: cm(94), upper: cm(102) }, cm(98)) === cm(4) // true
 */
export function toNearestEnd(interval: Interval, length: Length): Length | null {
  const ends = [interval.lower, interval.upper].filter((end): end is Length => end !== null);
  return ends.length === 0 ? null : micrometres(Math.min(...ends.map((end) => Math.abs(length - end))));
}

/**
 * The middle of an interval; of an open-ended one, its only end; of an endless one, `null`.
 *
 * @example middle({ from: 0, until: 0, lower: cm(86), upper: cm(90) }) // cm(88)
 */
export function middle({ lower, upper }: Interval): Length | null {
  if (lower === null || upper === null) return lower ?? upper;
  return micrometres(Math.round((lower + upper) / 2));
}

/**
 * Settles a column of cells, smallest size first, into intervals.
 *
 * Printed neighbours that share a bound: the shared value goes to the larger size. Nominal
 * values: each size reaches from halfway below (included) to halfway above (not included),
 * the outer two half a step beyond; or, when the chart says so, the whole step below
 * (`next-up`: a body between two sizes takes the upper) or above (`next-down`).
 *
 * @param cells one a size; either all intervals or all nominal (import refuses a mixture),
 *   and nominal ones at least two, none smaller than the one before and not all the same
 *
 * @example settleColumn([{ kind: 'nominal', at: cm(40) }, { kind: 'nominal', at: cm(44) }])[0] // { from: 380000, until: 420000, lower: 380000, upper: 420000 }
 */
export function settleColumn(cells: readonly Cell[], reach: NominalReach = 'halfway'): Interval[] {
  const nominal = cells.flatMap((cell) => (cell.kind === 'nominal' ? [cell.at] : []));
  if (nominal.length > 0) return nominal.map((_, index) => reachOf(nominal, index, reach));
  return cells.map((cell, index) => settlePrinted(cell, cells[index + 1]));
}

function settlePrinted(cell: Cell, larger: Cell | undefined): Interval {
  if (cell.kind === 'nominal') throw new RangeError('a nominal cell among intervals');
  const { lower, upper } = cell;
  const shared =
    upper?.edge === 'printed' &&
    larger?.kind === 'interval' &&
    larger.lower !== null &&
    larger.lower.edge !== 'open' &&
    larger.lower.at === upper.at;
  return {
    from: lower === null ? -Infinity : lower.edge === 'open' ? lower.at + 1 : lower.at,
    until: upper === null ? Infinity : upper.edge === 'open' || shared ? upper.at : upper.at + 1,
    lower: lower?.at ?? null,
    upper: upper?.at ?? null,
  };
}

function reachOf(values: readonly Length[], index: number, reach: NominalReach): Interval {
  const at = values[index]!;
  // A size that is the same by this column is no neighbour by it: what tells the two apart is another column.
  const smaller = values.findLast((value) => value < at);
  const larger = values.find((value) => value > at);
  // The outer sizes have a neighbour on one side only; its step serves on the other side too.
  const below = smaller ?? 2 * at - (larger ?? at);
  const above = larger ?? 2 * at - (smaller ?? at);
  if (reach === 'next-up') return between(below + 1, at + 1, below, at);
  if (reach === 'next-down') return between(at, above, at, above);
  // A half micrometre cannot be read; the smallest whole one at or above it decides alike.
  const from = Math.ceil((below + at) / 2);
  const until = Math.ceil((at + above) / 2);
  return between(from, until, from, until);
}

function between(from: number, until: number, lower: number, upper: number): Interval {
  return { from, until, lower: micrometres(lower), upper: micrometres(upper) };
}
