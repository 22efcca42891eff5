import type { CompiledChart, CompiledColumn } from '../chart/compile-chart';
import { middle } from '../chart/interval';
import type { FitPreference } from '../chart/size-chart';
import { micrometres, type Length } from '../quantity/length';
import { normalBelow } from './normal';
import { place, type Placement } from './placement';
import { propose } from './propose';

/** A measurement as it enters the odds: the value and the standard error of it. */
export interface Measured {
  readonly value: Length;
  /** In micrometres; zero for a value that is known exactly. */
  readonly standardError: number;
}

/** A stretch of a column in which every length is placed alike, with the chance that the body lies in it. */
interface Stretch {
  readonly placement: Placement;
  readonly chance: number;
}

/** Stretches less likely than this are left out; together they weigh less than a millionth. */
const NEGLIGIBLE = 1e-9;

/**
 * The probability of each size being the one to propose, given that every reading has a
 * normal error of its own.
 *
 * Each column is cut at every end of every interval (and at the points where a preference
 * tips), so that within a stretch the placement does not change. The probability of a
 * combination of stretches is the product of theirs, the readings being independent; the
 * chart's own rule says which size each combination proposes.
 *
 * @param measured one for each deciding column, in the chart's order
 * @returns one probability a size, smallest first, then that of no size at all
 */
export function sizeOdds(
  chart: CompiledChart,
  measured: readonly Measured[],
  preference: FitPreference,
): { readonly sizes: readonly number[]; readonly none: number } {
  const stretches = chart.deciding.map((column, index) => cut(column, measured[index]!));
  const odds = new Array<number>(chart.sizes.length + 1).fill(0);
  const walk = (index: number, chance: number, placements: Placement[]): void => {
    if (chance < NEGLIGIBLE) return;
    if (index === stretches.length) {
      const size = propose(chart, placements, preference) ?? chart.sizes.length;
      odds[size]! += chance;
      return;
    }
    for (const stretch of stretches[index]!)
      walk(index + 1, chance * stretch.chance, [...placements, stretch.placement]);
  };
  walk(0, 1, []);
  return { sizes: odds.slice(0, -1), none: odds.at(-1)! };
}

function cut(column: CompiledColumn, { value, standardError }: Measured): Stretch[] {
  if (standardError <= 0) return [{ placement: place(column, value), chance: 1 }];
  const points = [-Infinity, ...breakpoints(column), Infinity];
  const below = points.map((point) => normalBelow((point - value) / standardError));
  const stretches: Stretch[] = [];
  for (let at = 0; at + 1 < points.length; at++) {
    const chance = below[at + 1]! - below[at]!;
    if (chance < NEGLIGIBLE) continue;
    // The length of this stretch that is nearest to the reading stands for all of it.
    const inside = Math.min(Math.max(value, points[at]!), points[at + 1]! - 1);
    stretches.push({ placement: place(column, micrometres(inside)), chance });
  }
  return stretches;
}

/** Where the placement on a column changes, and where a preference between two sizes tips; growing. */
function breakpoints({ intervals }: CompiledColumn): number[] {
  const points = new Set<number>();
  intervals.forEach((interval, size) => {
    points.add(interval.from).add(interval.until);
    const next = intervals[size + 1];
    if (next === undefined) return;
    if (interval.upper !== null && next.lower !== null && next.lower > interval.upper)
      points.add(Math.ceil((interval.upper + next.lower) / 2));
    const [here, there] = [middle(interval), middle(next)];
    if (here !== null && there !== null && next.from < interval.until)
      points.add(Math.ceil((here + there) / 2));
  });
  return [...points].filter(Number.isFinite).sort((a, b) => a - b);
}
