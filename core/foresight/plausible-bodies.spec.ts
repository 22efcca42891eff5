import { BODY_STATISTICS } from '../capture/checks/body-statistics';
import { covarianceOf, variableOf } from '../capture/checks/builds';
import { cm, expectedValue, measurement, plausibleBodies, type Length, type MeasurementCode } from '../index';
import { seededRandom } from '../testing/random';

const MANY = 40_000;
const known = (values: Partial<Record<MeasurementCode, number>>) =>
  new Map<MeasurementCode, Length>(
    Object.entries(values).map(([code, value]) => [code as MeasurementCode, cm(value)]),
  );
const logs = (column: Float64Array) => [...column].map((value) => Math.log(value));
const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const covariance = (one: readonly number[], other: readonly number[]) => {
  const [a, b] = [mean(one), mean(other)];
  return mean(one.map((value, at) => (value - a) * (other[at]! - b)));
};

/** What two builds that are as likely as each other come to, mixed: mean and covariance (textbook: law of total covariance). */
function mixed(one: MeasurementCode, other: MeasurementCode) {
  const [a, b] = [variableOf(one)!, variableOf(other)!];
  const means = BODY_STATISTICS.builds.map((build) => [build.means[a]!, build.means[b]!] as const);
  const middle = [mean(means.map(([x]) => x)), mean(means.map(([, y]) => y))] as const;
  return {
    mean: middle[0],
    covariance:
      mean(BODY_STATISTICS.builds.map((build) => covarianceOf(build, a, b))) +
      mean(means.map(([x, y]) => (x - middle[0]) * (y - middle[1]))),
  };
}

describe('bodies drawn with nothing known', () => {
  const codes: MeasurementCode[] = ['height', 'chest-girth', 'waist-girth', 'ankle-girth'];

  it('are of both builds alike, with their means and covariances', () => {
    const drawn = plausibleBodies(new Map(), codes, MANY, seededRandom(11)).map(logs);
    codes.forEach((one, i) =>
      codes.forEach((other, j) => {
        const expected = mixed(one, other);
        const spread = Math.sqrt(mixed(one, one).covariance * mixed(other, other).covariance);
        expect(Math.abs(covariance(drawn[i]!, drawn[j]!) - expected.covariance) / spread)
          .withContext(`${one}, ${other}`)
          .toBeLessThan(0.02);
        if (i === j)
          expect(Math.abs(mean(drawn[i]!) - expected.mean) / spread)
            .withContext(one)
            .toBeLessThan(0.05);
      }),
    );
  });
});

describe('bodies drawn to go with two values', () => {
  // A height that is a man's leaves one build, so that the textbook's formulas hold of it alone.
  const given = known({ height: 200, 'chest-girth': 104 });
  const [tall] = [...BODY_STATISTICS.builds].sort((a, b) => b.means[0]! - a.means[0]!) as [
    (typeof BODY_STATISTICS.builds)[number],
    (typeof BODY_STATISTICS.builds)[number],
  ];
  const of = (row: MeasurementCode, column: MeasurementCode) =>
    covarianceOf(tall, variableOf(row)!, variableOf(column)!);

  /** Mean and variance of a variable given the two, by Cramer's rule. */
  function conditional(code: MeasurementCode) {
    const [a, b, d] = [of('height', 'height'), of('height', 'chest-girth'), of('chest-girth', 'chest-girth')];
    const [x, y] = [of(code, 'height'), of(code, 'chest-girth')];
    const determinant = a * d - b * b;
    const gains = [(x * d - y * b) / determinant, (y * a - x * b) / determinant] as const;
    const off = (of: MeasurementCode) => Math.log(given.get(of)!) - tall.means[variableOf(of)!]!;
    return {
      mean: tall.means[variableOf(code)!]! + gains[0] * off('height') + gains[1] * off('chest-girth'),
      variance: of(code, code) - gains[0] * x - gains[1] * y,
    };
  }

  it('have the mean and the spread that the two leave them', () => {
    const codes: MeasurementCode[] = ['hip-girth', 'wrist-girth'];
    const drawn = plausibleBodies(given, codes, MANY, seededRandom(12)).map(logs);
    codes.forEach((code, at) => {
      const { mean: expected, variance } = conditional(code);
      expect(Math.abs(mean(drawn[at]!) - expected) / Math.sqrt(variance))
        .withContext(code)
        .toBeLessThan(0.03);
      expect(covariance(drawn[at]!, drawn[at]!) / variance)
        .withContext(code)
        .toBeCloseTo(1, 1);
      expect(Math.log(expectedValue(given, code)))
        .withContext(code)
        .toBeCloseTo(expected, 4);
    });
  });
});

describe('what is drawn of a measurement', () => {
  it('stays within what a body can be, whatever is known', () => {
    const codes: MeasurementCode[] = ['waist-girth', 'inside-leg-length'];
    const drawn = plausibleBodies(known({ 'chest-girth': 198 }), codes, 2_000, seededRandom(13));
    codes.forEach((code, at) => {
      const { least, most } = measurement(code).limits;
      for (const value of drawn[at]!) {
        expect(value >= least && value <= most)
          .withContext(code)
          .toBeTrue();
        expect(Number.isInteger(value)).toBeTrue();
      }
    });
    const waist = drawn[0]!.filter((value) => value === measurement('waist-girth').limits.most);
    expect(waist.length).withContext('some would be larger yet').toBeGreaterThan(0);
  });

  it('spreads over its limits where the statistics know nothing of it, and is expected in their middle', () => {
    const { least, most } = measurement('inside-leg-length').limits;
    const drawn = [...plausibleBodies(new Map(), ['inside-leg-length'], MANY, seededRandom(14))[0]!];
    expect(mean(drawn)).toBeCloseTo((least + most) / 2, -4);
    expect(Math.sqrt(covariance(drawn, drawn)) / (most - least)).toBeCloseTo(1 / 8, 2);
    expect(expectedValue(new Map(), 'inside-leg-length')).toBe(Math.round((least + most) / 2) as Length);
  });

  it('is expected no smaller and no larger than a body can be', () => {
    const { most } = measurement('waist-girth').limits;
    const huge = new Map([['chest-girth', measurement('chest-girth').limits.most * 3]]) as never;
    expect(expectedValue(huge, 'waist-girth')).toBe(most);
    const tiny = new Map([['chest-girth', 1_000]]) as never;
    expect(expectedValue(tiny, 'waist-girth')).toBe(measurement('waist-girth').limits.least);
  });

  it('takes no value for known that is none', () => {
    const nothing = expectedValue(new Map(), 'waist-girth');
    expect(expectedValue(new Map([['chest-girth', 0]]) as never, 'waist-girth')).toBe(nothing);
  });
});

describe('a bust and a chest', () => {
  it('are one variable, of which the first given counts', () => {
    const both = known({ 'bust-girth': 90, 'chest-girth': 130 });
    expect(expectedValue(both, 'waist-girth')).toBe(
      expectedValue(known({ 'bust-girth': 90 }), 'waist-girth'),
    );
  });
});
