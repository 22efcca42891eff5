import type { MeasurementCode } from '../body/catalogue/codes';
import { normalBelow } from './normal';
import { MICROMETRES_PER, micrometres, type Length } from '../quantity/length';
import { BODY_STATISTICS, type BuildStatistics } from './body-statistics';
import { withinLimits } from './read-reading';

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

/**
 * Room for bodies larger or smaller all over than the 507, who were young and active: a
 * standard deviation on the logarithm common to all girths. A large body is not an unlikely
 * one; girths that do not go together are.
 */
export const SIZE_ROOM = 0.15;

const HEIGHT = BODY_STATISTICS.variables.indexOf('height');

/** What a mend must reach for it to be offered as the guess. */
const LIKELY = 0.01;

/**
 * Asks whether the girths and the height that are known are likely on one body: the Mahalanobis
 * distance of their logarithms from the mean of each build, over whatever subset is present.
 *
 * A chest and a bust girth are one variable of the statistics (the girth at nipple or bust line).
 *
 * @returns `null` when it is likely, or when fewer than two of the measurements are known
 */
export function unlikelyBody(values: ReadonlyMap<MeasurementCode, Length>): Unlikely | null {
  const known = [...values].flatMap(([code, value]): Known[] => {
    const variable = VARIABLE[code];
    return variable === undefined || value <= 0
      ? []
      : [{ code, variable: BODY_STATISTICS.variables.indexOf(variable), value }];
  });
  // Bust and chest at once would count one variable twice.
  const once = known.filter(
    ({ variable }, index) => known.findIndex((one) => one.variable === variable) === index,
  );
  if (once.length < 2) return null;
  const chance = chanceOf(once);
  if (chance >= RARE) return null;
  return { chance, ...guessAt(once) };
}

interface Known {
  readonly code: MeasurementCode;
  readonly variable: number;
  readonly value: Length;
}

/** The variable of the statistics that each measurement is. */
export const VARIABLE: Partial<Record<MeasurementCode, string>> = {
  height: 'height',
  'overarm-girth': 'overarm-girth',
  'chest-girth': 'chest-girth',
  'bust-girth': 'chest-girth',
  'waist-girth': 'waist-girth',
  'navel-girth': 'navel-girth',
  'hip-girth': 'hip-girth',
  'thigh-girth': 'thigh-girth',
  'upper-arm-girth': 'upper-arm-girth',
  'knee-girth': 'knee-girth',
  'calf-girth': 'calf-girth',
  'ankle-girth': 'ankle-girth',
  'wrist-girth': 'wrist-girth',
};

function chanceOf(known: readonly Known[]): number {
  return Math.max(
    ...BODY_STATISTICS.builds.map((build) => chiSquareAbove(squaredDistance(build, known), known.length)),
  );
}

/** The mend that explains most: two exchanged, one in the wrong unit, or else the one that fits worst. */
function guessAt(known: readonly Known[]): Pick<Unlikely, 'culprits' | 'guess'> {
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
      mends.push({ chance: chanceOf(exchanged), culprits: codes, guess: { kind: 'exchanged', codes } });
    }
    for (const factor of [MICROMETRES_PER.in / MICROMETRES_PER.cm, MICROMETRES_PER.cm / MICROMETRES_PER.in]) {
      const meant = micrometres(Math.round(one.value * factor));
      if (!withinLimits(one.code, meant)) continue;
      const chance = chanceOf(known.map((each) => (each === one ? { ...one, value: meant } : each)));
      mends.push({ chance, culprits: [one.code], guess: { kind: 'other-unit', code: one.code, meant } });
    }
  }
  const best = mends.filter(({ chance }) => chance >= LIKELY).sort((a, b) => b.chance - a.chance)[0];
  if (best !== undefined) return { culprits: best.culprits, guess: best.guess };
  const odd = oddOne(known);
  return { culprits: [odd.code], guess: { kind: 'odd-one', ...odd } };
}

/** The measurement without which the rest is likeliest, and what the rest would lead one to expect of it. */
function oddOne(known: readonly Known[]): { code: MeasurementCode; expected: Length } {
  const without = known.map((one) => ({ one, chance: chanceOf(known.filter((other) => other !== one)) }));
  const { one } = without.reduce((worst, each) => (each.chance > worst.chance ? each : worst));
  const rest = known.filter((other) => other !== one);
  const build = BODY_STATISTICS.builds.reduce((nearer, each) =>
    squaredDistance(each, rest) < squaredDistance(nearer, rest) ? each : nearer,
  );
  return { code: one.code, expected: expectedOf(build, one.variable, rest) };
}

function expectedOf(build: BuildStatistics, variable: number, rest: readonly Known[]): Length {
  const weights = solve(covariance(build, rest), deviations(build, rest));
  const shift = rest.reduce(
    (sum, { variable: other }, index) => sum + covarianceOf(build, variable, other) * weights[index]!,
    0,
  );
  return micrometres(Math.round(Math.exp(build.means[variable]! + shift)));
}

function squaredDistance(build: BuildStatistics, known: readonly Known[]): number {
  const off = deviations(build, known);
  return solve(covariance(build, known), off).reduce((sum, one, index) => sum + one * off[index]!, 0);
}

function deviations(build: BuildStatistics, known: readonly Known[]): number[] {
  return known.map(({ variable, value }) => Math.log(value) - build.means[variable]!);
}

function covariance(build: BuildStatistics, known: readonly Known[]): number[][] {
  return known.map((row) => known.map((column) => covarianceOf(build, row.variable, column.variable)));
}

/** Girths grow together: their common factor is given room, the height none. */
function covarianceOf(build: BuildStatistics, row: number, column: number): number {
  const girths = row !== HEIGHT && column !== HEIGHT;
  return build.covariances[row]![column]! + (girths ? SIZE_ROOM * SIZE_ROOM : 0);
}

/** Solves `matrix x = right` for a symmetric positive definite matrix, by Cholesky's decomposition. */
function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] {
  const size = right.length;
  const lower = matrix.map((row) => [...row]);
  for (let i = 0; i < size; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i]![j]!;
      for (let k = 0; k < j; k++) sum -= lower[i]![k]! * lower[j]![k]!;
      lower[i]![j] = i === j ? Math.sqrt(sum) : sum / lower[j]![j]!;
    }
  }
  const forward: number[] = [];
  for (let i = 0; i < size; i++) {
    let sum = right[i]!;
    for (let k = 0; k < i; k++) sum -= lower[i]![k]! * forward[k]!;
    forward.push(sum / lower[i]![i]!);
  }
  const solved = new Array<number>(size).fill(0);
  for (let i = size - 1; i >= 0; i--) {
    let sum = forward[i]!;
    for (let k = i + 1; k < size; k++) sum -= lower[k]![i]! * solved[k]!;
    solved[i] = sum / lower[i]![i]!;
  }
  return solved;
}

/**
 * The chance of a chi-squared variable above a value, by the cube-root approximation of Wilson
 * and Hilferty (1931), PNAS 17: 684-688; good to a few per cent of itself at the tails used.
 */
export function chiSquareAbove(value: number, degrees: number): number {
  const spread = 2 / (9 * degrees);
  return normalBelow(-(Math.cbrt(value / degrees) - 1 + spread) / Math.sqrt(spread));
}
