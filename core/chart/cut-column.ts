import type { Interval } from './interval';

/** No size: below every one, above every one, or nothing to go by. */
export const NONE = -1;

/** Where a stretch of a column lies. */
export const INSIDE = 0;
export const GAP = 1;
export const BELOW = 2;
export const ABOVE = 3;

/**
 * A column cut at every end of every interval, so that placing a value is one search among
 * sorted numbers: stretch `n` reaches from `points[n - 1]` to before `points[n]`.
 */
export interface CutColumn {
  readonly points: Float64Array;
  /** Which sizes a stretch lies in, a bit a size, `words` words a stretch. */
  readonly masks: Int32Array;
  readonly words: number;
  readonly where: Uint8Array;
  /** In a gap, the sizes on either side; below or above, the nearest on its one side. */
  readonly below: Int16Array;
  readonly above: Int16Array;
  /** Of each size: where it begins and ends, and its ends as printed; `NaN` where such an end is open. */
  readonly from: Float64Array;
  readonly until: Float64Array;
  readonly lower: Float64Array;
  readonly upper: Float64Array;
  /** Twice the middle of each size, so that it is whole; of one open end twice the other, of two `NaN`. */
  readonly twiceMiddle: Float64Array;
}

/**
 * Whether a value lies right on an end of a stretch: the first of its own, or the last.
 *
 * @example isOnBound(cutColumn(onlyPart(compileChart(jacket.sheet)).deciding[0].intervals), cm(102)) // true
 */
export function isOnBound({ points }: Pick<CutColumn, 'points'>, value: number): boolean {
  const stretch = stretchOf({ points }, value);
  return value === points[stretch - 1] || value === points[stretch]! - 1;
}

/**
 * Cuts the settled intervals of a column, smallest size first.
 *
 * @example [...cutColumn(onlyPart(compileChart(jacket.sheet)).deciding[0].intervals).points] // [cm(94), cm(102), 1_100_001, cm(111), 1_190_001]
 */
export function cutColumn(intervals: readonly Interval[]): CutColumn {
  const points = [...new Set(intervals.flatMap(({ from, until }) => [from, until]))]
    .filter(Number.isFinite)
    .sort((a, b) => a - b);
  const stretches = points.length + 1;
  const words = Math.ceil(intervals.length / 32);
  const masks = new Int32Array(stretches * words);
  const where = new Uint8Array(stretches);
  const below = new Int16Array(stretches).fill(NONE);
  const above = new Int16Array(stretches).fill(NONE);
  for (let at = 0; at < stretches; at++) {
    const start = at === 0 ? -Infinity : points[at - 1]!;
    const end = at === points.length ? Infinity : points[at]!;
    let inside = false;
    let [highest, lowest] = [-Infinity, Infinity];
    intervals.forEach(({ from, until }, size) => {
      if (from <= start && end <= until) {
        masks[at * words + (size >> 5)]! |= 1 << (size & 31);
        inside = true;
      }
      // Of equals the larger size.
      if (until <= start && until >= highest) [highest, below[at]] = [until, size];
      if (from >= end && from <= lowest) [lowest, above[at]] = [from, size];
    });
    where[at] = inside ? INSIDE : below[at] === NONE ? BELOW : above[at] === NONE ? ABOVE : GAP;
  }
  const ends = (pick: (interval: Interval) => number | null) =>
    Float64Array.from(intervals, (interval) => pick(interval) ?? NaN);
  return {
    points: Float64Array.from(points),
    masks,
    words,
    where,
    below,
    above,
    from: ends(({ from }) => from),
    until: ends(({ until }) => until),
    lower: ends(({ lower }) => lower),
    upper: ends(({ upper }) => upper),
    twiceMiddle: ends(twiceMiddle),
  };
}

/**
 * The stretch a value lies in.
 *
 * @example stretchOf({ points: Float64Array.of(860000, 940000) }, 900000) // 1
 */
export function stretchOf({ points }: Pick<CutColumn, 'points'>, value: number): number {
  let low = 0;
  let high = points.length;
  while (low < high) {
    const at = (low + high) >>> 1;
    if (points[at]! <= value) low = at + 1;
    else high = at;
  }
  return low;
}

/**
 * The sizes a stretch lies in, smallest first.
 *
 * @example sizesIn(cutColumn([{ from: cm(94), until: cm(102), lower: cm(94), upper: cm(102) }]), 1) // [0]
 */
export function sizesIn({ masks, words }: CutColumn, stretch: number): number[] {
  const sizes: number[] = [];
  for (let word = 0; word < words; word++) {
    let bits = masks[stretch * words + word]!;
    while (bits !== 0) {
      sizes.push(word * 32 + lowestBit(bits));
      bits &= bits - 1;
    }
  }
  return sizes;
}

/**
 * Which bit of a word, not zero, is its lowest.
 *
 * @example lowestBit(12) // 2
 */
export function lowestBit(bits: number): number {
  return 31 - Math.clz32(bits & -bits);
}

function twiceMiddle({ lower, upper }: Interval): number | null {
  if (lower === null || upper === null) return lower === null ? upper && upper * 2 : lower * 2;
  return lower + upper;
}
