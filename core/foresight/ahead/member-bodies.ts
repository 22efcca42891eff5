import { Matrix, CholeskyDecomposition } from 'ml-matrix';
import { measurement } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { BODY_STATISTICS, type BuildStatistics } from '../../capture/checks/body-statistics';
import { variableOf } from '../../capture/checks/builds';
import { MICROMETRES_PER, type Length } from '../../quantity/length';
import type { Random } from '../plausible-bodies';
import { PROPORTIONS, type Proportion } from './proportions';

/** Builds that the statistics know: 247 men and 260 women. */
export const BUILDS = ['men', 'women'] as const;
export type Build = (typeof BUILDS)[number];

/** What is known of somebody before they are measured: a value, and how far off it may be, as a standard deviation. */
export interface KnownAhead {
  readonly code: MeasurementCode;
  /** In micrometres; in grams of a mass. */
  readonly value: Length;
  readonly spread: number;
}

/** Somebody who is to be kitted out, as far as anything is known of them. */
export interface Member {
  readonly known: readonly KnownAhead[];
  /** Whom they are built like, where that is all that is known; `null` where it is not. */
  readonly build: Build | null;
}

const WEIGHT = BODY_STATISTICS.variables.indexOf('weight');

/**
 * Draws bodies that somebody may have, by what is known of them: the statistics of 507 adults, given the values with
 * their errors (a conditional normal of the logarithms, sampled by moving free draws; textbook). Unlike the bodies that
 * the checks go by, which leave room for larger and smaller people than the 507, these are people as the 507 are: an
 * order for many rests on how common a body is, and not on what is possible.
 *
 * @param codes the measurements wanted of each body
 * @returns a column of values a code, `count` long, in micrometres; `NaN` of what neither is known, nor in the statistics,
 *   nor usually goes with what is
 * @example memberBodies({ known: [{ code: 'chest-girth', value: cm(98), spread: cm(1) }], build: null }, ['waist-girth', 'nape-to-belt'], 3, steadyRandom(1)).map((column) => column.some(Number.isNaN)) // [false, true]
 */
export function memberBodies(
  { known, build }: Member,
  codes: readonly MeasurementCode[],
  count: number,
  random: Random,
): Float64Array[] {
  const normal = normalOf(random);
  const values = new Map(known.map((one) => [one.code, one]));
  const seen = seenOf(known);
  const builds = BODY_STATISTICS.builds
    .filter((_, at) => build === null || BUILDS[at] === build)
    .map((one) => new SeenBuild(one, seen));
  const most = Math.max(...builds.map(({ logLikelihood }) => logLikelihood));
  const shares = builds.map(({ logLikelihood }) => Math.exp(logLikelihood - most));
  const total = shares.reduce((sum, share) => sum + share, 0);
  const wanted = codes.map((code) => {
    const { least, most } = measurement(code).limits;
    const usual = PROPORTIONS[code];
    return {
      ...{ variable: aheadVariable(code), own: values.get(code), least, most },
      usual: usual === undefined ? null : { ...usual, variable: variableOf(usual.from)! },
    };
  });
  const columns = codes.map(() => new Float64Array(count));
  const drawn = new Float64Array(BODY_STATISTICS.variables.length);
  const residuals = new Map<string, number>();
  const residualOf = (like: string) => {
    const before = residuals.get(like);
    if (before !== undefined) return before;
    const drawnNow = normal();
    residuals.set(like, drawnNow);
    return drawnNow;
  };
  for (let row = 0; row < count; row++) {
    residuals.clear();
    (random() * total < shares[0]! ? builds[0]! : builds.at(-1)!).draw(normal, drawn);
    for (let at = 0; at < wanted.length; at++) {
      const { variable, own, usual, least, most } = wanted[at]!;
      const value =
        variable !== null
          ? Math.exp(drawn[variable]!)
          : own !== undefined
            ? own.value + own.spread * normal()
            : usual !== null
              ? usualOf(usual, drawn, residualOf)
              : NaN;
      columns[at]![row] = Math.round(Math.min(Math.max(value, least), most));
    }
  }
  return columns;
}

/** A value as it usually goes with what was drawn, off by as much as people differ. */
function usualOf(
  { variable, at, is, power, spread, like }: Proportion & { readonly variable: number },
  drawn: Float64Array,
  residualOf: (like: string) => number,
): number {
  const further = power * (drawn[variable]! - Math.log(at * MICROMETRES_PER.mm));
  return is * MICROMETRES_PER.mm * Math.exp(further + spread * residualOf(like));
}

/** Standard normal draws, two at a time by Box and Muller's transform (textbook): a group takes millions. */
function normalOf(random: Random): () => number {
  let kept = NaN;
  return () => {
    if (!Number.isNaN(kept)) {
      const one = kept;
      kept = NaN;
      return one;
    }
    const [far, turn] = [Math.sqrt(-2 * Math.log(1 - random())), 2 * Math.PI * random()];
    kept = far * Math.sin(turn);
    return far * Math.cos(turn);
  };
}

/** The variable of the statistics that a measurement is; here the weight is one of them. */
function aheadVariable(code: MeasurementCode): number | null {
  return code === 'weight' ? WEIGHT : variableOf(code);
}

/** A value on its variable, as a logarithm, with the variance of its error. */
interface Seen {
  readonly variable: number;
  readonly log: number;
  readonly variance: number;
}

/** The least error a value is taken to have, of itself: nobody measures a body to less, and it keeps the sums sound. */
const LEAST_ERROR = 0.002;

function seenOf(known: readonly KnownAhead[]): Seen[] {
  const seen = new Map<number, Seen>();
  for (const { code, value, spread } of known) {
    const variable = aheadVariable(code);
    if (variable === null || value <= 0 || seen.has(variable)) continue;
    const error = Math.max(spread / value, LEAST_ERROR);
    seen.set(variable, { variable, log: Math.log(value), variance: error * error });
  }
  return [...seen.values()];
}

/** A build of which something was seen: how likely that is, and bodies that go with it. */
class SeenBuild {
  readonly logLikelihood: number;
  private readonly lower: readonly (readonly number[])[];
  /** How far each variable moves with each that was seen. */
  private readonly gains: readonly (readonly number[])[];
  private readonly free = new Float64Array(BODY_STATISTICS.variables.length);
  private readonly off: Float64Array;

  constructor(
    private readonly build: BuildStatistics,
    private readonly seen: readonly Seen[],
  ) {
    this.lower = lowerOf(build);
    this.off = new Float64Array(seen.length);
    if (seen.length === 0) {
      this.logLikelihood = 0;
      this.gains = build.means.map(() => []);
      return;
    }
    const among = new Matrix(
      seen.map((one, row) =>
        seen.map(
          (other, column) =>
            build.covariances[one.variable]![other.variable]! + (row === column ? one.variance : 0),
        ),
      ),
    );
    const decomposed = new CholeskyDecomposition(among);
    const off = Matrix.columnVector(seen.map(({ variable, log }) => log - build.means[variable]!));
    const solved = decomposed.solve(off);
    const logDeterminant = decomposed.lowerTriangularMatrix
      .diagonal()
      .reduce((sum, one) => sum + Math.log(one), 0);
    this.logLikelihood = -off.dot(solved) / 2 - logDeterminant;
    const across = new Matrix(
      seen.map(({ variable }) => build.means.map((_, at) => build.covariances[variable]![at]!)),
    );
    this.gains = decomposed.solve(across).transpose().to2DArray();
  }

  /** The logarithms of one body, put into `drawn`: free first, then moved by what was seen, each with an error of its own. */
  draw(normal: () => number, drawn: Float64Array): void {
    const { build, lower, seen, gains, free, off } = this;
    for (let at = 0; at < free.length; at++) free[at] = normal();
    for (let variable = 0; variable < drawn.length; variable++) {
      const row = lower[variable]!;
      let log = build.means[variable]!;
      for (let at = 0; at <= variable; at++) log += row[at]! * free[at]!;
      drawn[variable] = log;
    }
    for (let at = 0; at < seen.length; at++) {
      const { variable, log, variance } = seen[at]!;
      off[at] = log - drawn[variable]! - Math.sqrt(variance) * normal();
    }
    for (let variable = 0; variable < drawn.length; variable++) {
      const own = gains[variable]!;
      for (let at = 0; at < seen.length; at++) drawn[variable]! += own[at]! * off[at]!;
    }
  }
}

const LOWER = new Map<BuildStatistics, readonly (readonly number[])[]>();

function lowerOf(build: BuildStatistics): readonly (readonly number[])[] {
  const before = LOWER.get(build);
  if (before !== undefined) return before;
  const lower = new CholeskyDecomposition(
    new Matrix(build.covariances.map((row) => [...row])),
  ).lowerTriangularMatrix.to2DArray();
  LOWER.set(build, lower);
  return lower;
}
