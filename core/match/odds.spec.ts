import { cumulativeStdNormalProbability } from 'simple-statistics';
import {
  cm,
  micrometres,
  normalBelow,
  place,
  propose,
  sizeOdds,
  type FitPreference,
  exactly,
  onlyPart,
  readingSpread,
  type Measured,
  type Spread,
} from '../index';
import { compiledOf } from '../testing/charts';
import { seededNormal, seededRandom } from '../testing/random';

describe('normalBelow', () => {
  it('agrees with simple-statistics', () => {
    // Its table ends at 3.09.
    for (let z = -3; z <= 3; z += 0.25)
      expect(normalBelow(z)).toBeCloseTo(cumulativeStdNormalProbability(z), 4);
  });

  // Tabulated values, Abramowitz and Stegun (1964), table 26.1 and 26.2.
  const tabulated: [number, number][] = [
    [0, 0.5],
    [1, 0.841344746068543],
    [2, 0.977249868051821],
    [3, 0.99865010196837],
    [5, 0.999999713348428],
  ];
  for (const [z, probability] of tabulated) {
    it(`meets the table at ${z}, on either side`, () => {
      expect(normalBelow(z)).toBeCloseTo(probability, 13);
      expect(normalBelow(-z)).toBeCloseTo(1 - probability, 13);
    });
  }

  it('keeps its relative accuracy far out', () => {
    // Upper tails 1 - P(z) from the same tables: 2.866516e-7 at 5, 9.865876e-10 at 6.
    expect(normalBelow(-5) / 2.866516e-7).toBeCloseTo(1, 5);
    expect(normalBelow(-6) / 9.865876e-10).toBeCloseTo(1, 5);
    expect([normalBelow(Infinity), normalBelow(-Infinity)]).toEqual([1, 0]);
  });
});

const asMeasured = ({ value, below }: Spread): Measured => ({ value: micrometres(value), below });

describe('sizeOdds', () => {
  const gapped = 'size,chest-girth (cm),waist-girth (cm)\nS,86-94,74-82\nM,94-102,82-88\nL,102-110,92-98';
  const overlapping = 'size,chest-girth (cm)\nS,86-96\nM,92-102\nL,100-110';
  const cases: [string, string, number[], FitPreference, 'widest-decides' | 'key-decides'][] = [
    ['near an edge', gapped, [101.6, 87], 'regular', 'widest-decides'],
    ['in a gap', gapped, [98, 90], 'regular', 'widest-decides'],
    ['in a gap, the key deciding', gapped, [98, 90.3], 'regular', 'key-decides'],
    ['past the largest', gapped, [109.8, 97.5], 'roomy', 'widest-decides'],
    ['in an overlap', overlapping, [94.2], 'regular', 'widest-decides'],
    ['in an overlap, close', overlapping, [96.3], 'close', 'widest-decides'],
  ];
  for (const [name, csv, values, preference, rule] of cases) {
    it(`agrees with 100,000 simulated readings within three standard errors: ${name}`, () => {
      const part = onlyPart(compiledOf(csv, { rule, key: rule === 'key-decides' ? 'waist-girth' : null }));
      const measured = values.map((value) => readingSpread('chest-girth', cm(value), 7_000));
      const { sizes, none } = sizeOdds(part, measured.map(asMeasured), preference);
      const normal = seededNormal(seededRandom(20_1));
      const draws = 100_000;
      const counts = new Array<number>(sizes.length + 1).fill(0);
      for (let draw = 0; draw < draws; draw++) {
        const placements = measured.map(({ value, standardError }, at) =>
          place(part.deciding[at]!, micrometres(Math.round(value + standardError * normal()))),
        );
        counts[propose(part, placements, preference) ?? sizes.length]!++;
      }
      [...sizes, none].forEach((chance, at) => {
        const error = Math.sqrt((chance * (1 - chance)) / draws);
        expect(Math.abs(counts[at]! / draws - chance))
          .withContext(`size ${at}`)
          .toBeLessThanOrEqual(3 * error + 1e-5);
      });
    });
  }

  it('is certain of a value without error', () => {
    const { sizes } = sizeOdds(
      onlyPart(compiledOf(gapped)),
      [exactly(cm(98)), exactly(cm(85))].map(asMeasured),
      'regular',
    );
    expect(sizes).toEqual([0, 1, 0]);
  });
});
