import { cm, type Length, type MeasurementCode } from '../../index';
import { BODY_STATISTICS } from './body-statistics';
import { covarianceOf, givenBuilds, logsOf, observedOf, variableOf } from './builds';

const observed = (values: Partial<Record<MeasurementCode, number>>) =>
  observedOf(Object.entries(values).map(([code, value]) => [code as MeasurementCode, cm(value)] as const));

describe('a build of which something is known', () => {
  it('is as likely as the normal density of one value, and of two, by the textbook', () => {
    for (const values of [{ 'chest-girth': 104 }, { 'chest-girth': 104, height: 178 }]) {
      const known = observed(values);
      const logs = logsOf(known);
      givenBuilds(known).forEach((given, at) => {
        const build = BODY_STATISTICS.builds[at]!;
        const off = known.map(({ variable }, n) => logs[n]! - build.means[variable]!);
        const of = (row: number, column: number) =>
          covarianceOf(build, known[row]!.variable, known[column]!.variable);
        const [a, b, d] = [of(0, 0), known.length > 1 ? of(0, 1) : 0, known.length > 1 ? of(1, 1) : 1];
        const determinant = a * d - b * b;
        const [x, y] = [off[0]!, off[1] ?? 0];
        const squared = (d * x * x - 2 * b * x * y + a * y * y) / determinant;
        expect(given.squaredDistance(logs)).toBeCloseTo(squared, 8);
        expect(given.logLikelihood(logs)).toBeCloseTo(-squared / 2 - Math.log(determinant) / 2, 8);
      });
    }
  });

  it('knows each variable once, and nothing of what the statistics do not have or what is no length', () => {
    const known = observedOf([
      ['bust-girth', cm(90)],
      ['chest-girth', cm(98)],
      ['foot-length-left', cm(25)],
      ['height', 0 as Length],
    ]);
    expect(known.map(({ code }) => code)).toEqual(['bust-girth']);
    expect([variableOf('foot-length-left'), variableOf('bust-girth')]).toEqual([
      null,
      variableOf('chest-girth'),
    ]);
  });

  it('gives its girths room in common, and its height none', () => {
    const [build] = BODY_STATISTICS.builds as [(typeof BODY_STATISTICS.builds)[number]];
    const [height, chest] = [variableOf('height')!, variableOf('chest-girth')!];
    expect(covarianceOf(build, height, height)).toBe(build.covariances[height]![height]!);
    expect(covarianceOf(build, height, chest)).toBe(build.covariances[height]![chest]!);
    expect(covarianceOf(build, chest, chest)).toBeCloseTo(build.covariances[chest]![chest]! + 0.0225, 10);
  });
});
