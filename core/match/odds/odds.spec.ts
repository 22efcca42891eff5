import { cumulativeStdNormalProbability } from 'simple-statistics';
import {
  chartSheetSchema,
  cm,
  compileChart,
  DIMENSIONS,
  DRAWS,
  drawOdds,
  judge,
  Kernel,
  normalBelow,
  normalCoordinate,
  evenCoordinate,
  normalQuantiles,
  sobolCoordinate,
  type MeasurementCode,
  type Weighed,
} from '../../testing/all';
import { compiledOf } from '../../testing/charts';
import { drawFrom, randomBody, randomChart, randomPreference } from '../../testing/random-chart';
import { seededNormal, seededRandom } from '../../testing/random';
import { frontAndBack, scale, wholeSheet } from '../../testing/whole-sheet';
import { sharesByPlainDraws, farthestApart } from '../../testing/plain-draws';

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

  it('is turned round by the quantiles', () => {
    const quantiles = normalQuantiles(1_000);
    quantiles.forEach((z, at) => expect(normalBelow(z)).toBeCloseTo((at + 0.5) / 1_000, 12));
  });
});

describe('the draws', () => {
  it('are the Sobol sequence by Joe and Kuo’s direction numbers', () => {
    // The first points in five dimensions, as SciPy gives them (scipy.stats.qmc.Sobol(5, scramble=False)).
    const first = [0, 1, 2, 3, 4, 5, 6, 7].map((point) =>
      [0, 1, 2, 3, 4].map((dimension) => sobolCoordinate(dimension)[point]! / DRAWS),
    );
    expect(first).toEqual([
      [0, 0, 0, 0, 0],
      [0.5, 0.5, 0.5, 0.5, 0.5],
      [0.75, 0.25, 0.25, 0.25, 0.75],
      [0.25, 0.75, 0.75, 0.75, 0.25],
      [0.375, 0.375, 0.625, 0.875, 0.375],
      [0.875, 0.875, 0.125, 0.375, 0.875],
      [0.625, 0.125, 0.875, 0.625, 0.625],
      [0.125, 0.625, 0.375, 0.125, 0.125],
    ]);
  });

  it('take every value once in every dimension, in the first eighth every eighth one', () => {
    for (let dimension = 0; dimension < DIMENSIONS + 4; dimension++) {
      const column = evenCoordinate(dimension);
      expect(new Set(column).size).withContext(`dimension ${dimension}`).toBe(DRAWS);
      if (dimension < DIMENSIONS)
        expect(new Set(column.subarray(0, DRAWS / 8).map((one) => one >> 3)).size).toBe(DRAWS / 8);
    }
  });

  it('are even in pairs of dimensions, as far as sixteen by sixteen fields', () => {
    for (const [one, other] of [
      [0, 1],
      [2, 5],
      [7, 12],
      [3, 31],
    ] as const) {
      const [evenOne, evenOther] = [evenCoordinate(one), evenCoordinate(other)];
      const counts = new Array<number>(256).fill(0);
      for (let point = 0; point < DRAWS; point++)
        counts[(evenOne[point]! >> 9) * 16 + (evenOther[point]! >> 9)]! += 1;
      expect(new Set(counts))
        .withContext(`${one}, ${other}`)
        .toEqual(new Set([DRAWS / 256]));
    }
  });

  it('weigh two readings that are just alike as often one way as the other, in every pair of the first twelve', () => {
    for (let one = 0; one < 12; one++)
      for (let other = 0; other < one; other++) {
        const [a, b] = [normalCoordinate(one), normalCoordinate(other)];
        const share = a.reduce((sum, value, point) => sum + (value > b[point]! ? 1 : 0), 0) / DRAWS;
        expect(Math.abs(share - 0.5))
          .withContext(`${one}, ${other}: ${share}`)
          .toBeLessThan(0.004);
      }
  });

  it('have the spread of a standard normal variable', () => {
    const draws = normalCoordinate(4);
    const mean = draws.reduce((sum, one) => sum + one, 0) / DRAWS;
    const square = draws.reduce((sum, one) => sum + one * one, 0) / DRAWS;
    expect(Math.abs(mean)).toBeLessThan(1e-9);
    expect(square).toBeCloseTo(1, 2);
  });
});

/** Half a point in a hundred. */
const HALF_A_POINT = 0.005;
const PLAIN_DRAWS = 200_000;

describe('drawOdds', () => {
  const oddsOf = (kernel: Kernel, readings: readonly Weighed[]) => drawOdds(kernel, readings);

  it('lies within half a point of plain draws on random charts of every feature', () => {
    const draw = drawFrom(seededRandom(5_5));
    const normal = seededNormal(seededRandom(7));
    let compared = 0;
    for (let chart = 0; chart < 12; chart++) {
      const compiled = compileChart(chartSheetSchema.parse(randomChart(draw)));
      const kernel = new Kernel(compiled, { preference: randomPreference(draw) });
      const readings = [...randomBody(draw)].map(
        ([code, value]): Weighed => ({ code, value, standardError: 3_000 + draw(9) * 1_000 }),
      );
      const known = readings.filter(({ code }) => compiled.arithmetic.readings.has(code));
      const odds = oddsOf(kernel, known);
      const plain = sharesByPlainDraws(kernel, known, PLAIN_DRAWS, normal);
      const { far, where } = farthestApart(odds, plain);
      // The plain draws have an error of their own: three standard errors at a half.
      if (far > HALF_A_POINT + 1.5 / Math.sqrt(PLAIN_DRAWS)) fail(`chart ${chart}: ${far} at ${where}`);
      compared += plain.parts.reduce((sum, part) => sum + part.length, 0);
    }
    expect(compared).toBeGreaterThan(60);
  });

  it('weighs what shares a reading as it is', () => {
    // A largest of chest and waist, less the chest: nothing, wherever the chest is well the larger.
    const chart = compileChart(
      wholeSheet({
        derivations: [
          {
            code: 'derived:over',
            name: 'Over',
            steps: [
              { do: 'max', as: 'largest', of: ['chest-girth', 'waist-girth'] },
              { do: 'subtract', as: 'over', from: 'largest', take: 'chest-girth' },
            ],
          },
        ],
        parts: [scale('size', 'derived:over', ['none', 'some'], {}, ['<1/4', '>=1/4'])],
      }),
    );
    const verdict = judge(
      chart,
      new Map<MeasurementCode, { value: ReturnType<typeof cm> }>([
        ['chest-girth', { value: cm(100) }],
        ['waist-girth', { value: cm(97.5) }],
      ]),
    );
    expect(verdict.verdict).toBe('settled');
    expect(verdict.parts[0]!.odds[0]!.chance).toBeGreaterThan(0.99);
  });

  it('weighs two columns under the closest as often one way as the other where they tie', () => {
    const chart = compiledOf(
      'size,chest-girth (cm),waist-girth (cm)\nS,80-88,70-78\nM,88-96,78-86\nL,96-104,86-94',
      { rule: 'closest' },
    );
    // As far past M by the chest as short of it by the waist: S and M, or M and L, tie at a line.
    const odds = drawOdds(new Kernel(chart), [
      { code: 'chest-girth', value: cm(84), standardError: 7_000 },
      { code: 'waist-girth', value: cm(82), standardError: 7_000 },
    ]);
    const [small, middle] = odds.parts[0]!;
    expect(small! + middle!).toBeCloseTo(1, 3);
    expect(Math.abs(middle! - 0.5)).toBeLessThan(HALF_A_POINT);
  });

  it('counts what a requirement refuses, and a part after the one it goes by', () => {
    const held = compileChart(
      wholeSheet({
        derivations: [
          {
            code: 'derived:upper',
            name: 'Upper',
            steps: [
              {
                do: 'require',
                as: 'upper',
                of: 'clavicle-to-apex',
                least: 'apex-to-belt',
                because: 'so it is',
              },
            ],
          },
        ],
        parts: [scale('length', 'derived:upper', ['7', '9'])],
      }),
    );
    const refused = drawOdds(new Kernel(held), [
      { code: 'clavicle-to-apex', value: cm(18), standardError: 6_000 },
      { code: 'apex-to-belt', value: cm(18), standardError: 6_000 },
    ]);
    // As likely met as not, but for a micrometre.
    expect(refused.parts[0]!.at(-1)).toBeCloseTo(0.5, 2);

    const pair = compileChart(frontAndBack({ 40: '16 in', 42: '18 in' }, ['18', '20']));
    // The chest lies on the line between 40 and 42, so the back is 18 as often as 20, the waist being exact.
    const both = drawOdds(new Kernel(pair), [
      { code: 'chest-girth', value: 41 * 25_400, standardError: 7_000 },
      { code: 'waist-girth', value: 36 * 25_400, standardError: 0 },
    ]);
    expect([...both.parts[1]!]).toEqual([
      jasmine.any(Number) as unknown as number,
      jasmine.any(Number) as unknown as number,
      0,
    ]);
    expect(both.parts[1]![0]).toBeCloseTo(0.5, 2);
    expect(both.labels.map(({ label }) => label).sort()).toEqual(['40/20', '42/18']);
  });

  it('is certain of what has no error, and says so with one draw', () => {
    const gapped = compiledOf('size,chest-girth (cm)\nS,86-94\nM,94-102');
    const odds = drawOdds(new Kernel(gapped), [{ code: 'chest-girth', value: cm(98), standardError: 0 }]);
    expect([...odds.parts[0]!]).toEqual([0, 1, 0]);
    expect(odds.labels).toEqual([{ label: 'M', chance: 1 }]);
  });

  it('gives a label of parts that are not made together to none', () => {
    const chart = compileChart(
      wholeSheet({
        parts: [scale('a', 'chest-girth', ['40', '42']), scale('b', 'waist-girth', ['30', '32'])],
        label: '{a}x{b}',
        combinations: [{ parts: ['a', 'b'], made: { 40: ['30'], 42: ['32'] } }],
      }),
    );
    const odds = drawOdds(new Kernel(chart), [
      { code: 'chest-girth', value: 41 * 25_400, standardError: 7_000 },
      { code: 'waist-girth', value: 30 * 25_400, standardError: 0 },
    ]);
    expect(odds.labels.map(({ label }) => label).sort()).toEqual(['40x30', null] as never);
  });

  it('ends for a chart of single values by the closest over four derived steps', () => {
    const steps = [
      { do: 'max', as: 'a', of: ['chest-girth', 'waist-girth'] },
      { do: 'average', as: 'b', of: ['a', 'hip-girth'] },
      { do: 'round', as: 'c', of: 'b', to: { mode: 'nearest', step: '1/2 in' } },
      { do: 'difference', as: 'd', of: ['c', 'height'] },
    ];
    const sizes = Array.from({ length: 40 }, (_, at) => `${at + 10}`);
    const chart = compileChart(
      wholeSheet({
        rule: 'closest',
        derivations: [{ code: 'derived:it', name: 'It', steps }],
        parts: [
          {
            code: 'size',
            name: 'Size',
            sizes,
            columns: [
              { code: 'derived:it', unit: 'in', cells: sizes },
              { code: 'chest-girth', unit: 'in', cells: sizes },
            ],
          },
        ],
      }),
    );
    const body = new Map(
      (['chest-girth', 'waist-girth', 'hip-girth', 'height'] as const).map((code) => [
        code as MeasurementCode,
        { value: cm(code === 'height' ? 180 : 97) },
      ]),
    );
    const sum = judge(chart, body).parts[0]!.odds.reduce((all, { chance }) => all + chance, 0);
    expect(sum).toBeGreaterThan(0.97);
  });
});

describe('the middles of equally likely stretches', () => {
  it('have as much below them as they say, and lie alike on both sides', () => {
    for (const count of [64, 65, 1_024]) {
      const quantiles = normalQuantiles(count);
      quantiles.forEach((z, at) => {
        expect(normalBelow(z)).toBeCloseTo((at + 0.5) / count, 10);
        expect(z).toBeCloseTo(-quantiles[count - 1 - at]!, 12);
      });
      expect(quantiles.length).toBe(count);
    }
  });
});

describe('how many draws there are', () => {
  it('is all of them where some of the first come to another size', () => {
    const chart = compiledOf('size,chest-girth (cm)\nS,86-94\nM,94-102');
    const { odds } = judge(chart, new Map([['chest-girth', { value: cm(93.5) }]])).parts[0]!;
    const shares = odds.map(({ chance }) => chance * DRAWS);
    expect(shares.every((share) => Math.abs(share - Math.round(share)) < 1e-6)).toBeTrue();
    expect(shares.some((share) => Math.round(share) % 8 !== 0))
      .withContext('finer than an eighth of them could tell')
      .toBeTrue();
  });
});
