import type { MeasurementCode } from '../../body/catalogue/codes';
import { MICROMETRES_PER, micrometres, type Length } from '../../quantity/length';
import { givenBuilds, logsOf, observedOf, type GivenBuild, type Observed } from './builds';
import { normalBelow } from '../normal';
import { withinLimits } from '../read-reading';

/** Why a set of values is unlikely on one body, and what would make it likely. */
export interface Unlikely {
  /** The chance of a body as unusual as this or more, by the nearer of the two builds. */
  readonly chance: number;
  /** The likeliest culprits first: one measurement, or two that may have been exchanged. */
  readonly culprits: readonly MeasurementCode[];
  readonly guess:
    | { readonly kind: 'exchanged'; readonly codes: readonly [MeasurementCode, MeasurementCode] }
    | { readonly kind: 'other-unit'; readonly code: MeasurementCode; readonly meant: Length }
    | { readonly kind: 'odd-one'; readonly code: MeasurementCode; readonly expected: Length };
}

/**
 * A body rarer than this by either build is asked about. Chosen so that under 1 % of the 507
 * bodies are, whatever subset is measured; the spec prints the rates.
 */
export const RARE = 0.0005;

/** What a mend must reach for it to be offered as the guess. */
const LIKELY = 0.01;

/**
 * Asks whether the girths and the height that are known are likely on one body: the Mahalanobis
 * distance of their logarithms from the mean of each build, over whatever subset is present.
 *
 * A chest and a bust girth are one variable of the statistics (the girth at nipple or bust line).
 *
 * @param rare the chance below which it is asked about
 * @returns `null` when it is likely, or when fewer than two of the measurements are known
 * @example unlikelyBody(new Map([['chest-girth', cm(98)], ['waist-girth', cm(85)]])) // null
 */
export function unlikelyBody(values: ReadonlyMap<MeasurementCode, Length>, rare = RARE): Unlikely | null {
  const known = observedOf(values);
  if (known.length < 2) return null;
  const builds = givenBuilds(known);
  const chance = chanceOf(builds, known);
  if (chance >= rare) return null;
  return { chance, ...guessAt(builds, known) };
}

function chanceOf(builds: readonly GivenBuild[], known: readonly Observed[]): number {
  const logs = logsOf(known);
  return Math.max(...builds.map((build) => chiSquareAbove(build.squaredDistance(logs), known.length)));
}

/** The mend that explains most: two exchanged, one in the wrong unit, or else the one that fits worst. */
function guessAt(
  builds: readonly GivenBuild[],
  known: readonly Observed[],
): Pick<Unlikely, 'culprits' | 'guess'> {
  type Mend = Pick<Unlikely, 'culprits' | 'guess'> & { readonly chance: number };
  const mends: Mend[] = [];
  for (const [index, one] of known.entries()) {
    for (const other of known.slice(index + 1)) {
      if (!withinLimits(one.code, other.value) || !withinLimits(other.code, one.value)) continue;
      const exchanged = known.map((each) =>
        each === one
          ? { ...one, value: other.value }
          : each === other
            ? { ...other, value: one.value }
            : each,
      );
      const codes = [one.code, other.code] as const;
      mends.push({
        chance: chanceOf(builds, exchanged),
        culprits: codes,
        guess: { kind: 'exchanged', codes },
      });
    }
    for (const factor of [MICROMETRES_PER.in / MICROMETRES_PER.cm, MICROMETRES_PER.cm / MICROMETRES_PER.in]) {
      const meant = micrometres(Math.round(one.value * factor));
      if (!withinLimits(one.code, meant)) continue;
      const chance = chanceOf(
        builds,
        known.map((each) => (each === one ? { ...one, value: meant } : each)),
      );
      mends.push({ chance, culprits: [one.code], guess: { kind: 'other-unit', code: one.code, meant } });
    }
  }
  const best = mends.filter(({ chance }) => chance >= LIKELY).sort((a, b) => b.chance - a.chance)[0];
  if (best !== undefined) return { culprits: best.culprits, guess: best.guess };
  const odd = oddOne(known);
  return { culprits: [odd.code], guess: { kind: 'odd-one', ...odd } };
}

/** The measurement without which the rest is likeliest, and what the rest would lead one to expect of it. */
function oddOne(known: readonly Observed[]): { code: MeasurementCode; expected: Length } {
  const without = known.map((one) => {
    const rest = known.filter((other) => other !== one);
    const builds = givenBuilds(rest);
    return { one, rest, builds, chance: chanceOf(builds, rest) };
  });
  const { one, rest, builds } = without.reduce((worst, each) => (each.chance > worst.chance ? each : worst));
  const logs = logsOf(rest);
  const build = builds.reduce((nearer, each) =>
    each.squaredDistance(logs) < nearer.squaredDistance(logs) ? each : nearer,
  );
  const expected = Math.exp(build.expectedLog(one.variable, logs));
  return { code: one.code, expected: micrometres(Math.round(expected)) };
}

/**
 * The chance of a chi-squared variable above a value, by the cube-root approximation of Wilson
 * and Hilferty (1931), PNAS 17: 684-688; good to a few per cent of itself at the tails used.
 *
 * @example chiSquareAbove(3.841, 1).toFixed(3) // '0.047'
 */
export function chiSquareAbove(value: number, degrees: number): number {
  const spread = 2 / (9 * degrees);
  return normalBelow(-(Math.cbrt(value / degrees) - 1 + spread) / Math.sqrt(spread));
}
