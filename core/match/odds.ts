import type { CompiledColumn, CompiledPart } from '../chart/compile-chart';
import { middle } from '../chart/interval';
import type { FitPreference } from '../chart/size-chart';
import { micrometres, type Length } from '../quantity/length';
import { place, type Placement } from './placement';
import { commonSizes, leastMisfit, misfits, propose } from './propose';

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
  const stretches = part.deciding.map((column, index) => cut(column, measured[index]!));
  const odds = new Array<number>(part.sizes.length + 1).fill(0);
  const walk = (index: number, chance: number, placements: Placement[]): void => {
    if (chance < NEGLIGIBLE) return;
    if (index === stretches.length) {
      if (part.rule === 'closest' && chance > REFINED && commonSizes(placements).length === 0)
        return refine(chance, placements);
      const size = propose(part, placements, preference) ?? part.sizes.length;
      odds[size]! += chance;
      return;
    }
    for (const stretch of stretches[index]!)
      walk(index + 1, chance * stretch.chance, [...placements, stretch.placement]);
  };
  const sliceOf = new Map<Placement, Slice[]>();
  // How far outside each value lies decides here, so the combination is cut fine and walked again.
  const refine = (chance: number, placements: readonly Placement[]): void => {
    const count = Math.max(2, Math.floor(SLICES ** (1 / placements.length)));
    const slices = part.deciding.map((column, index) => {
      const stretch = placements[index]!;
      const known = sliceOf.get(stretch) ?? sliced(column, measured[index]!, stretch, count);
      sliceOf.set(stretch, known);
      return known;
    });
    const outside: (readonly number[])[] = [];
    const finer = (index: number, share: number): void => {
      if (share < NEGLIGIBLE) return;
      if (index === slices.length) {
        odds[leastMisfit(outside)]! += share;
        return;
      }
      for (const slice of slices[index]!) {
        outside[index] = slice.outside;
        finer(index + 1, share * slice.chance);
      }
    };
    finer(0, chance);
  };
  walk(0, 1, []);
  return { sizes: odds.slice(0, -1), none: odds.at(-1)! };
}

function cut(column: CompiledColumn, { value, below: chanceBelow }: Measured): Stretch[] {
  const points = [-Infinity, ...breakpoints(column), Infinity];
  const below = points.map((point) =>
    point === -Infinity ? 0 : point === Infinity ? 1 : chanceBelow(point),
  );
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

/**
 * Under `closest` a combination in which no size holds every value is cut into about so many
 * pieces, if it is likelier than this.
 */
const SLICES = 1_500;
const REFINED = 1e-4;

/** A slice of a stretch: how far outside each size it lies, and its share of the stretch's chance. */
interface Slice {
  readonly outside: readonly number[];
  readonly chance: number;
}

/** The stretch of a placement cut into slices. */
function sliced(
  column: CompiledColumn,
  { value, below }: Measured,
  { value: inside }: Placement,
  count: number,
): Slice[] {
  const points = breakpoints(column);
  const at = points.filter((point) => point <= inside).length;
  const reach = reachOf({ value, below });
  const from = Math.max(points[at - 1] ?? -Infinity, value - reach);
  const until = Math.min(points[at] ?? Infinity, value + reach);
  const whole = [{ outside: misfits(column, inside), chance: 1 }];
  if (until - from < count) return whole;
  const width = (until - from) / count;
  const slices = Array.from({ length: count }, (_, slice) => ({
    outside: misfits(column, micrometres(Math.floor(from + (slice + 0.5) * width))),
    chance: below(from + (slice + 1) * width) - below(from + slice * width),
  }));
  const sum = slices.reduce((all, { chance }) => all + chance, 0);
  return sum <= 0 ? whole : slices.map(({ outside, chance }) => ({ outside, chance: chance / sum }));
}

/** How far from its value a spread reaches, but for one in a hundred thousand on either side. */
function reachOf({ value, below }: Measured): number {
  let reach = 1_000;
  while (reach < 1_000_000 && (below(value + reach) < 1 - 1e-5 || below(value - reach) > 1e-5)) reach *= 1.25;
  return reach;
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
