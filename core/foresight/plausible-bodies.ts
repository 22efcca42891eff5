import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { BODY_STATISTICS, type BuildStatistics } from '../capture/checks/body-statistics';
import {
  amongThem,
  GivenBuild,
  givenBuilds,
  logsOf,
  observedOf,
  variableOf,
  type Observed,
} from '../capture/checks/builds';
import type { Expected } from '../match/expected';
import { micrometres, type Length } from '../quantity/length';

/** Draws from 0 up to 1. */
export type Random = () => number;

/** What is known of a wearer, by measurement. */
export type Known = ReadonlyMap<MeasurementCode, Length>;

/** Of a measurement the statistics do not know, the limits are taken for four standard deviations either way. */
const LIMITS_REACH = 8;

/**
 * Bodies that go with what has been measured: what is known stays as it is, the rest is drawn
 * from the two builds of the 507 bodies, given what is known; measurements the statistics do
 * not have are drawn each by itself, widely about the middle of what a body can be.
 *
 * @param codes the measurements wanted of each body
 * @returns a column of values a code, `count` long, in micrometres
 * @example plausibleBodies(new Map([['chest-girth', cm(98)]]), ['waist-girth'], 5, steadyRandom(1)).map((drawn) => drawn.length) // [5]
 */
export function plausibleBodies(
  known: Known,
  codes: readonly MeasurementCode[],
  count: number,
  random: Random,
): Float64Array[] {
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const observed = observedOf(known);
  const builds = BODY_STATISTICS.builds.map((build) => new DrawnBuild(build, observed));
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

/**
 * What the rest leads one to expect of a measurement that was not taken.
 *
 * @example expectedValue(new Map([['chest-girth', cm(120)]]), 'waist-girth') > expectedValue(new Map([['chest-girth', cm(90)]]), 'waist-girth') // true
 */
export function expectedValue(known: Known, code: MeasurementCode): Length {
  const { least, most } = measurement(code).limits;
  return expectedOf(known, code)?.value ?? micrometres(Math.round((least + most) / 2));
}

/**
 * What the rest leads one to expect of a measurement that is not to be had, with how far people of that build differ.
 *
 * @returns `null` where the statistics do not know it, or nothing that tells of it
 * @example estimateOf(new Map([['waist-girth', cm(85)]]), 'foot-length-left') // null
 */
export function estimateOf(known: Known, code: MeasurementCode): Expected | null {
  return observedOf(known).length === 0 ? null : expectedOf(known, code);
}

function expectedOf(known: Known, code: MeasurementCode): Expected | null {
  const variable = variableOf(code);
  if (variable === null) return null;
  const { least, most } = measurement(code).limits;
  const observed = observedOf(known);
  const logs = logsOf(observed);
  const likelier = givenBuilds(observed).reduce((one, other) =>
    other.logLikelihood(logs) > one.logLikelihood(logs) ? other : one,
  );
  const value = Math.min(Math.max(Math.exp(likelier.expectedLog(variable, logs)), least), most);
  return {
    value: micrometres(Math.round(value)),
    spread: micrometres(Math.round(value * likelier.spreadOf(variable))),
  };
}

function valueOf(code: MeasurementCode, drawn: Float64Array, normal: () => number): number {
  const { least, most } = measurement(code).limits;
  const variable = variableOf(code);
  const value =
    variable === null
      ? (least + most) / 2 + ((most - least) / LIMITS_REACH) * normal()
      : Math.exp(drawn[variable]!);
  return Math.round(Math.min(Math.max(value, least), most));
}

/** What a tape reads, of the variables that the statistics have: the weight is not among what is asked of a body here. */
const TAPED = BODY_STATISTICS.variables.flatMap((name, variable) => (name === 'weight' ? [] : [variable]));

/** Draws bodies of a build that go with what is known of one. */
class DrawnBuild {
  readonly logLikelihood: number;
  private readonly logs: readonly number[];
  private readonly lower: readonly (readonly number[])[];
  private readonly gains: readonly (readonly number[])[];

  constructor(
    private readonly build: BuildStatistics,
    private readonly observed: readonly Observed[],
  ) {
    const all = TAPED;
    const given = new GivenBuild(
      build,
      observed.map(({ variable }) => variable),
    );
    this.logs = logsOf(observed);
    this.logLikelihood = given.logLikelihood(this.logs);
    this.lower = amongThem(build, all).lowerTriangularMatrix.to2DArray();
    this.gains = all.map((variable) => given.gainsOf(variable));
  }

  /** The logarithms of one body: drawn free, then moved by what is known of it. */
  draw(normal: () => number): Float64Array {
    const free = this.lower.map(normal);
    const drawn = Float64Array.from(this.lower, (row, variable) =>
      row.reduce((sum, one, at) => sum + one * free[at]!, this.build.means[variable]!),
    );
    const off = this.observed.map(({ variable }, at) => this.logs[at]! - drawn[variable]!);
    return drawn.map((value, variable) =>
      off.reduce((sum, one, at) => sum + this.gains[variable]![at]! * one, value),
    );
  }
}
