import type { CompiledColumn, CompiledPart } from '../chart/compile-chart';
import { middle } from '../chart/interval';
import type { FitPreference } from '../chart/size-chart';
import { micrometres, type Length } from '../quantity/length';
import { place, type Placement } from './placement';
import { propose } from './propose';

/** A value as it enters the odds: what was read or derived, and the chance that it truly lies below a length. */
export interface Measured {
  readonly value: Length;
  readonly below: (length: number) => number;
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
  part: CompiledPart,
  measured: readonly Measured[],
  preference: FitPreference,
): { readonly sizes: readonly number[]; readonly none: number } {
  const fine = part.rule === 'closest' && part.deciding.length > 1 ? SLICES ** (1 / part.deciding.length) : 0;
  const stretches = part.deciding.map((column, index) =>
    cut(column, measured[index]!, slices(measured[index]!, Math.floor(fine))),
  );
  const odds = new Array<number>(part.sizes.length + 1).fill(0);
  const walk = (index: number, chance: number, placements: Placement[]): void => {
    if (chance < NEGLIGIBLE) return;
    if (index === stretches.length) {
      const size = propose(part, placements, preference) ?? part.sizes.length;
      odds[size]! += chance;
      return;
    }
    for (const stretch of stretches[index]!)
      walk(index + 1, chance * stretch.chance, [...placements, stretch.placement]);
  };
  walk(0, 1, []);
  return { sizes: odds.slice(0, -1), none: odds.at(-1)! };
}

function cut(
  column: CompiledColumn,
  { value, below: chanceBelow }: Measured,
  extra: readonly number[],
): Stretch[] {
  const points = [-Infinity, ...breakpoints(column, extra), Infinity];
  const below = points.map((point) =>
    point === -Infinity ? 0 : point === Infinity ? 1 : chanceBelow(point),
  );
  const stretches: Stretch[] = [];
  for (let at = 0; at + 1 < points.length; at++) {
    const chance = below[at + 1]! - below[at]!;
    if (chance < NEGLIGIBLE) continue;
    // The length of this stretch that is nearest to the reading stands for all of it; of a
    // fine slice, its middle.
    const [from, until] = [points[at]!, points[at + 1]!];
    const inside =
      extra.length > 0 && Number.isFinite(from) && Number.isFinite(until)
        ? Math.floor((from + until) / 2)
        : Math.min(Math.max(value, from), until - 1);
    stretches.push({ placement: place(column, micrometres(inside)), chance });
  }
  return stretches;
}

/**
 * Under `closest` with several columns the size depends on how far each value lies outside,
 * not only where; so each column is cut fine as well, as far as the whole stays affordable.
 */
const SLICES = 60_000;

function slices({ value, below }: Measured, count: number): number[] {
  if (count < 2) return [];
  const end = (chance: number, away: 1 | -1): number => {
    let reach = 1_000;
    while (
      reach < 1_000_000 &&
      (away > 0 ? below(value + reach) < 1 - chance : below(value - reach) > chance)
    )
      reach *= 1.25;
    return value + away * reach;
  };
  const [low, high] = [end(1e-5, -1), end(1e-5, 1)];
  return Array.from({ length: count + 1 }, (_, index) => Math.round(low + ((high - low) * index) / count));
}

/** Where the placement on a column changes, and where a preference between two sizes tips; growing. */
function breakpoints({ intervals }: CompiledColumn, extra: readonly number[]): number[] {
  const points = new Set<number>(extra);
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
