import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { MeasurementCode } from '../../body/catalogue/codes';
import type { Length } from '../../quantity/length';
import { BODY_STATISTICS, type BuildStatistics } from './body-statistics';

/**
 * Room for bodies larger or smaller all over than the 507, who were young and active: a
 * standard deviation on the logarithm common to all girths. A large body is not an unlikely
 * one; girths that do not go together are.
 */
export const SIZE_ROOM = 0.15;

/** The variable of the statistics that each measurement is. */
const VARIABLE: Partial<Record<MeasurementCode, string>> = {
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

const HEIGHT = BODY_STATISTICS.variables.indexOf('height');

/** Which variable of the statistics a measurement is, by its place among them; `null` for none. */
export function variableOf(code: MeasurementCode): number | null {
  const name = VARIABLE[code];
  return name === undefined ? null : BODY_STATISTICS.variables.indexOf(name);
}

/** A value that the statistics know something of, and its variable. */
export interface Observed {
  readonly code: MeasurementCode;
  readonly variable: number;
  readonly value: Length;
}

/** What of some values the statistics know, each variable once: a bust and a chest are the same one, the first counts. */
export function observedOf(values: Iterable<readonly [MeasurementCode, Length]>): Observed[] {
  const found: Observed[] = [];
  for (const [code, value] of values) {
    const variable = variableOf(code);
    if (variable === null || value <= 0 || found.some((one) => one.variable === variable)) continue;
    found.push({ code, variable, value });
  }
  return found;
}

/** How two variables of a build go together. Girths grow together: their common factor is given room, the height none. */
export function covarianceOf(build: BuildStatistics, row: number, column: number): number {
  const girths = row !== HEIGHT && column !== HEIGHT;
  return build.covariances[row]![column]! + (girths ? SIZE_ROOM * SIZE_ROOM : 0);
}

/** The covariances of some variables of a build, decomposed. */
export function amongThem(build: BuildStatistics, variables: readonly number[]): CholeskyDecomposition {
  return new CholeskyDecomposition(
    new Matrix(variables.map((row) => variables.map((column) => covarianceOf(build, row, column)))),
  );
}

/** A build of which some variables are known: how likely values of them are, and what they lead one to expect. */
export class GivenBuild {
  private readonly inverse: readonly (readonly number[])[];
  private readonly halfLogDeterminant: number;

  /** @param variables those that are known, by their places among the statistics' */
  constructor(
    private readonly build: BuildStatistics,
    private readonly variables: readonly number[],
  ) {
    const decomposed = amongThem(build, variables);
    this.inverse = decomposed.solve(Matrix.eye(variables.length)).to2DArray();
    this.halfLogDeterminant = decomposed.lowerTriangularMatrix
      .diagonal()
      .reduce((sum, one) => sum + Math.log(one), 0);
  }

  /** The squared Mahalanobis distance of values from the build's mean, by their logarithms. */
  squaredDistance(logs: readonly number[]): number {
    const off = this.off(logs);
    return this.weigh(off).reduce((sum, one, at) => sum + one * off[at]!, 0);
  }

  /** The logarithm of the values' likelihood, up to what is the same for every build. */
  logLikelihood(logs: readonly number[]): number {
    return -this.squaredDistance(logs) / 2 - this.halfLogDeterminant;
  }

  /** How far a variable moves with each that is known. */
  gainsOf(variable: number): number[] {
    return this.weigh(this.variables.map((known) => covarianceOf(this.build, variable, known)));
  }

  /** The logarithm one would expect of a variable. */
  expectedLog(variable: number, logs: readonly number[]): number {
    const off = this.off(logs);
    return this.gainsOf(variable).reduce(
      (sum, gain, at) => sum + gain * off[at]!,
      this.build.means[variable]!,
    );
  }

  /** How far the logarithm of a variable lies from the one expected, as a standard deviation. */
  spreadOf(variable: number): number {
    const explained = this.gainsOf(variable).reduce(
      (sum, gain, at) => sum + gain * covarianceOf(this.build, variable, this.variables[at]!),
      0,
    );
    return Math.sqrt(Math.max(0, covarianceOf(this.build, variable, variable) - explained));
  }

  private off(logs: readonly number[]): number[] {
    return logs.map((log, at) => log - this.build.means[this.variables[at]!]!);
  }

  private weigh(right: readonly number[]): number[] {
    return this.inverse.map((row) => row.reduce((sum, one, at) => sum + one * right[at]!, 0));
  }
}

/** What was decomposed before, by the variables known: there are no more sets of them than measurements are taken in. */
const GIVEN = new Map<string, readonly GivenBuild[]>();

/** Both builds, of which the variables of some values are known. */
export function givenBuilds(observed: readonly Observed[]): readonly GivenBuild[] {
  const variables = observed.map(({ variable }) => variable);
  const key = variables.join();
  const before = GIVEN.get(key);
  if (before !== undefined) return before;
  const builds = BODY_STATISTICS.builds.map((build) => new GivenBuild(build, variables));
  GIVEN.set(key, builds);
  return builds;
}

/** The logarithms of some values. */
export function logsOf(observed: readonly Observed[]): number[] {
  return observed.map(({ value }) => Math.log(value));
}
