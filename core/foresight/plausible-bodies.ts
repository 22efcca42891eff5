import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { BODY_STATISTICS, type BuildStatistics } from '../capture/body-statistics';
import { SIZE_ROOM, VARIABLE } from '../capture/likelihood';
import { micrometres, type Length } from '../quantity/length';

/** Draws from 0 up to 1. */
export type Random = () => number;

/** What is known of a wearer, by measurement. */
export type Known = ReadonlyMap<MeasurementCode, Length>;

const HEIGHT = BODY_STATISTICS.variables.indexOf('height');
/** Of a measurement the statistics do not know, the limits are taken for four standard deviations either way. */
const LIMITS_REACH = 8;

/**
 * Bodies that go with what has been measured: what is known stays as it is, the rest is drawn
 * from the two builds of the 507 bodies, given what is known; measurements the statistics do
 * not have are drawn each by itself, widely about the middle of what a body can be.
 *
 * @param codes the measurements wanted of each body
 * @returns a column of values a code, `count` long, in micrometres
 */
export function plausibleBodies(
  known: Known,
  codes: readonly MeasurementCode[],
  count: number,
  random: Random,
): Float64Array[] {
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const observed = observedOf(known);
  const builds = BODY_STATISTICS.builds.map((build) => new ConditionedBuild(build, observed));
  const weights = builds.map(({ logLikelihood }) => logLikelihood);
  const most = Math.max(...weights);
  const shares = weights.map((weight) => Math.exp(weight - most));
  const total = shares.reduce((sum, share) => sum + share, 0);
  const columns = codes.map(() => new Float64Array(count));
  for (let row = 0; row < count; row++) {
    const build = random() * total < shares[0]! ? builds[0]! : builds[1]!;
    const drawn = build.draw(normal);
    codes.forEach((code, at) => {
      columns[at]![row] = known.get(code) ?? valueOf(code, drawn, normal);
    });
  }
  return columns;
}

/** What the rest leads one to expect of a measurement that was not taken. */
export function expectedValue(known: Known, code: MeasurementCode): Length {
  const variable = VARIABLE[code];
  const { least, most } = measurement(code).limits;
  if (variable === undefined) return micrometres(Math.round((least + most) / 2));
  const observed = observedOf(known);
  const builds = BODY_STATISTICS.builds.map((build) => new ConditionedBuild(build, observed));
  const likelier = builds.reduce((one, other) => (other.logLikelihood > one.logLikelihood ? other : one));
  const expected = likelier.mean()[BODY_STATISTICS.variables.indexOf(variable)]!;
  return micrometres(Math.round(Math.min(Math.max(Math.exp(expected), least), most)));
}

function valueOf(code: MeasurementCode, drawn: Float64Array, normal: () => number): number {
  const { least, most } = measurement(code).limits;
  const variable = VARIABLE[code];
  const value =
    variable === undefined
      ? (least + most) / 2 + ((most - least) / LIMITS_REACH) * normal()
      : Math.exp(drawn[BODY_STATISTICS.variables.indexOf(variable)]!);
  return Math.round(Math.min(Math.max(value, least), most));
}

interface Observed {
  readonly variable: number;
  readonly log: number;
}

/** What is known, by the variables of the statistics; a bust and a chest are one of them. */
function observedOf(known: Known): Observed[] {
  const found = new Map<number, number>();
  for (const [code, value] of known) {
    const variable = VARIABLE[code];
    if (variable !== undefined && value > 0)
      found.set(BODY_STATISTICS.variables.indexOf(variable), Math.log(value));
  }
  return [...found].map(([variable, log]) => ({ variable, log }));
}

/** A build's normal distribution, given some of its variables. */
class ConditionedBuild {
  readonly logLikelihood: number;
  private readonly lower: readonly Float64Array[];
  private readonly gains: readonly Float64Array[];

  constructor(
    private readonly build: BuildStatistics,
    private readonly observed: readonly Observed[],
  ) {
    const { means } = build;
    this.lower = cholesky(means.map((_, row) => means.map((__, column) => this.covariance(row, column))));
    const among = cholesky(
      observed.map((row) => observed.map((column) => this.covariance(row.variable, column.variable))),
    );
    const off = observed.map(({ variable, log }) => log - means[variable]!);
    const weighed = solve(among, off);
    const squared = weighed.reduce((sum, one, at) => sum + one * off[at]!, 0);
    const determinant = among.reduce((sum, row, at) => sum + Math.log(row[at]!), 0);
    this.logLikelihood = -squared / 2 - determinant;
    // How far each variable moves with each that is known.
    this.gains = means.map((_, row) =>
      Float64Array.from(
        solve(
          among,
          observed.map(({ variable }) => this.covariance(row, variable)),
        ),
      ),
    );
  }

  /** The logarithms of one body: drawn free, then moved by what is known of it. */
  draw(normal: () => number): Float64Array {
    const size = this.build.means.length;
    const free = Float64Array.from({ length: size }, normal);
    const drawn = new Float64Array(size);
    for (let row = 0; row < size; row++) {
      let sum = this.build.means[row]!;
      for (let column = 0; column <= row; column++) sum += this.lower[row]![column]! * free[column]!;
      drawn[row] = sum;
    }
    return this.moved(drawn);
  }

  /** The logarithms one would expect. */
  mean(): Float64Array {
    return this.moved(Float64Array.from(this.build.means));
  }

  private moved(body: Float64Array): Float64Array {
    const off = this.observed.map(({ variable, log }) => log - body[variable]!);
    return body.map((value, row) => off.reduce((sum, one, at) => sum + this.gains[row]![at]! * one, value));
  }

  /** Girths grow together: their common factor is given the same room as in the checks. */
  private covariance(row: number, column: number): number {
    const girths = row !== HEIGHT && column !== HEIGHT;
    return this.build.covariances[row]![column]! + (girths ? SIZE_ROOM * SIZE_ROOM : 0);
  }
}

function cholesky(matrix: readonly (readonly number[])[]): Float64Array[] {
  const lower = matrix.map((row) => Float64Array.from(row));
  for (let i = 0; i < lower.length; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i]![j]!;
      for (let k = 0; k < j; k++) sum -= lower[i]![k]! * lower[j]![k]!;
      lower[i]![j] = i === j ? Math.sqrt(sum) : sum / lower[j]![j]!;
    }
  return lower;
}

function solve(lower: readonly Float64Array[], right: readonly number[]): number[] {
  const forward: number[] = [];
  right.forEach((value, i) => {
    let sum = value;
    for (let k = 0; k < i; k++) sum -= lower[i]![k]! * forward[k]!;
    forward.push(sum / lower[i]![i]!);
  });
  const solved = new Array<number>(right.length).fill(0);
  for (let i = right.length - 1; i >= 0; i--) {
    let sum = forward[i]!;
    for (let k = i + 1; k < right.length; k++) sum -= lower[k]![i]! * solved[k]!;
    solved[i] = sum / lower[i]![i]!;
  }
  return solved;
}
