import type { CompiledColumn } from '../chart/compile-chart';
import { normalQuantiles } from '../capture/normal';
import { micrometres, type Length } from '../quantity/length';
import { chanceOfSight, EYE_SHARE, WEARING_SHARE, type Sight } from './seen-chances';

/** One look at one size of a column on one wearer. */
export interface LookedAtSize {
  /** Whose: looks at the same wearer share how far this garment lies from the chart on them. */
  readonly wearer: string;
  /** What the column goes by came to for them, in micrometres. */
  readonly value: number;
  /** Of that value, as a standard deviation in micrometres. */
  readonly standardError: number;
  /** The place of the size on the column's scale. */
  readonly size: number;
  readonly sight: Sight;
}

/** How the garments of a chart run in what one column goes by. */
export interface ColumnRun {
  /** By how much less the garments hold than the chart says; below zero they hold more. In micrometres. */
  readonly small: Length;
  /** Where that lies with 95 in 100. */
  readonly least: Length;
  readonly most: Length;
  /** Whether it can be told: `no-sign` where they may as well be as the chart says. */
  readonly runs: 'small' | 'large' | 'no-sign';
  readonly wearers: number;
  readonly looks: number;
  /** How many of the looks found it too small, right, too large. */
  readonly seen: Readonly<Record<Sight, number>>;
}

/**
 * How far charts lie from the garments that come by them, before anybody has looked: as a share of the
 * distance from one size to the next, a standard deviation. A working value of ours, no source.
 */
export const PRIOR_SHARE = 0.4;
/** How far to both sides it is looked for, in the same shares, and in how many steps. */
const REACH = 2;
const GRID = 161;
/** Into how many equally likely stretches the error of one wearer is cut. */
const STRETCHES = 16;
/** A step below a tenth of a millimetre is none: the column has one size, or its sizes hold the same. */
const LEAST_STEP = 100;
/** What lies outside the interval, on each side. */
const TAIL = 0.025;

/**
 * What looks at worn garments say of a column: one shift is common to all its sizes, and is found by
 * Bayes' rule on a grid, from a normal prior about zero. A look is too small, right or too large as
 * the wearer's own value, moved by the shift, by the tape's error and by how far wearing lies from what
 * charts say, lies beyond, within or short of what the size holds, for an eye that is off by a little
 * (`chanceOfSight`). The tape's and the wearing's error are one for all looks at a wearer, and are
 * summed over. So a wearer who tried three sizes counts as one, and how the next size was chosen does
 * not matter.
 *
 * @param column compiled, of the version that is asked about
 * @returns `null` where nobody has looked, or where the column has no steps
 * @example howItRuns(onlyPart(compileChart(jacket.sheet)).deciding[0], [1, 2, 3, 4, 5, 6].map((one) => ({ wearer: `${one}`, value: cm(98), standardError: cm(0.5), size: 0, sight: 'small' }))).runs // 'small'
 */
export function howItRuns(column: CompiledColumn, looks: readonly LookedAtSize[]): ColumnRun | null {
  const { step } = column;
  // Where no size has a neighbour there is no distance to reckon in.
  if (looks.length === 0 || step < LEAST_STEP) return null;
  const [prior, spread] = [PRIOR_SHARE * step, (2 * REACH * step) / (GRID - 1)];
  const shifts = Array.from({ length: GRID }, (_, at) => -REACH * step + at * spread);
  const log = shifts.map((shift) => -0.5 * (shift / prior) ** 2);
  const byWearer = new Map<string, LookedAtSize[]>();
  for (const one of looks) byWearer.set(one.wearer, [...(byWearer.get(one.wearer) ?? []), one]);
  for (const own of byWearer.values()) addWearer(log, shifts, column, own);
  const weights = fromLogs(log);
  const mean = weights.reduce((sum, weight, at) => sum + weight * shifts[at]!, 0);
  const [least, most] = [quantile(weights, shifts, TAIL), quantile(weights, shifts, 1 - TAIL)];
  const seen = { small: 0, right: 0, large: 0 };
  for (const { sight } of looks) seen[sight] += 1;
  return {
    small: micrometres(Math.round(mean)),
    least: micrometres(Math.round(least)),
    most: micrometres(Math.round(most)),
    runs: least > 0 ? 'small' : most < 0 ? 'large' : 'no-sign',
    wearers: byWearer.size,
    looks: looks.length,
    seen,
  };
}

/** Adds to the logarithms how likely all that was seen of one wearer is at each shift. */
function addWearer(
  log: number[],
  shifts: readonly number[],
  { intervals, step }: CompiledColumn,
  looks: readonly LookedAtSize[],
): void {
  const error = Math.hypot(Math.max(...looks.map((one) => one.standardError)), WEARING_SHARE * step);
  const offs = normalQuantiles(STRETCHES);
  for (let at = 0; at < shifts.length; at++) {
    let likely = 0;
    for (const off of offs) {
      let both = 1;
      for (const { value, size, sight } of looks)
        both *= chanceOfSight(sight, value + shifts[at]! + off * error, intervals[size]!, EYE_SHARE * step);
      likely += both;
    }
    log[at]! += Math.log(Math.max(likely / STRETCHES, Number.MIN_VALUE));
  }
}

/** Weights that add up to one, from their logarithms. */
function fromLogs(log: readonly number[]): number[] {
  const most = Math.max(...log);
  const weights = log.map((one) => Math.exp(one - most));
  const sum = weights.reduce((all, one) => all + one, 0);
  return weights.map((one) => one / sum);
}

/** Where a share of the weights lies below, between the points of the grid. */
function quantile(weights: readonly number[], shifts: readonly number[], share: number): number {
  let below = 0;
  for (let at = 0; at < weights.length; at++) {
    const next = below + weights[at]!;
    if (next >= share) {
      const half = (shifts[1]! - shifts[0]!) * ((share - below) / weights[at]! - 0.5);
      return shifts[at]! + half;
    }
    below = next;
  }
  return shifts.at(-1)!;
}
