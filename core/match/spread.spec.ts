import {
  derive,
  exactly,
  inches,
  judge,
  compileChart,
  lengthAlgebra,
  micrometres,
  mm,
  readingSpread,
  roundSpread,
  spreadAlgebra,
  type MeasurementCode,
  type Spread,
} from '../index';
import { seededNormal, seededRandom } from '../testing/random';
import { scale, wholeSheet } from '../testing/whole-sheet';

const ERROR = 7_000;
/** Mean and standard deviation as the middle and the reach of one, by bisection of the chance. */
const quantile = ({ below }: Spread, chance: number, near: number) => {
  let [low, high] = [near - 200_000, near + 200_000];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (below(middle) < chance) low = middle;
    else high = middle;
  }
  return high;
};

describe('a spread', () => {
  const chest = readingSpread('chest-girth', inches(40), ERROR);
  const waist = readingSpread('waist-girth', inches(34), ERROR);
  const algebra = spreadAlgebra(
    () => undefined,
    () => undefined,
  );

  it('of a sum of readings is normal, with errors joined', () => {
    const mean = algebra.average([chest, waist]);
    expect(mean.standardError).toBeCloseTo(ERROR / Math.SQRT2, 6);
    expect(quantile(mean, 0.5, mean.value)).toBeCloseTo(mean.value, -1);
  });

  it('of a reading against itself has no error left', () => {
    const nothing = algebra.subtract(chest, chest);
    expect([nothing.below(0), nothing.below(1)]).toEqual([0, 1]);
    expect(algebra.add([chest, chest]).standardError).toBeCloseTo(2 * ERROR, 6);
  });

  it('of a rounded reading takes whole steps only', () => {
    const up = roundSpread(chest, { mode: 'up', step: inches(1) })!;
    expect(up.below(inches(40))).toBeCloseTo(0, 3);
    // 40 in exactly: half of the readings lie above and go up to 41.
    expect(up.below(inches(40) + 1)).toBeCloseTo(0.5, 3);
    expect(up.below(inches(41) + 1)).toBeCloseTo(1, 3);
  });

  it('of the largest is below where all of them are', () => {
    const both = algebra.max([chest, readingSpread('hip-girth', inches(40), ERROR)]);
    expect(both.below(inches(40))).toBeCloseTo(0.25, 6);
    expect(algebra.max([chest, exactly(inches(20))])).toBe(chest);
  });

  it('of a difference counts both ways', () => {
    const apart = algebra.difference(waist, chest);
    expect(apart.value).toBe(inches(6));
    expect(apart.below(0)).toBe(0);
    expect(apart.below(inches(6))).toBeCloseTo(0.5, 3);
  });
});

/** Arithmetic of every kind, each on readings near an edge of the scale. */
const CASES: [string, object[], Partial<Record<MeasurementCode, number>>, string][] = [
  [
    'a sum',
    [{ do: 'add', as: 'it', of: ['chest-girth', 'waist-girth'] }],
    { 'chest-girth': 40, 'waist-girth': 35.3 },
    '74',
  ],
  [
    'a share, rounded',
    [
      { do: 'multiply', as: 'share', of: 'chest-girth', by: 0.8 },
      { do: 'round', as: 'it', of: 'share', to: { mode: 'nearest', step: '1 in' } },
    ],
    { 'chest-girth': 40.7 },
    '31',
  ],
  [
    'rounded and then taken off',
    [
      { do: 'round', as: 'band', of: 'waist-girth', to: { mode: 'up', step: '2 in' } },
      { do: 'subtract', as: 'it', from: 'chest-girth', take: 'band' },
    ],
    { 'chest-girth': 40, 'waist-girth': 35.9 },
    '2',
  ],
  [
    'two rounded and added',
    [
      { do: 'round', as: 'a', of: 'chest-girth', to: { mode: 'up', step: '1 in' } },
      { do: 'round', as: 'b', of: 'waist-girth', to: { mode: 'down', step: '1 in' } },
      { do: 'add', as: 'it', of: ['a', 'b'] },
    ],
    { 'chest-girth': 40.1, 'waist-girth': 34.8 },
    '73',
  ],
  [
    'the largest',
    [{ do: 'max', as: 'it', of: ['chest-girth', 'waist-girth', 'hip-girth'] }],
    { 'chest-girth': 40.2, 'waist-girth': 40.1, 'hip-girth': 40 },
    '38',
  ],
  [
    'the largest, less an inch',
    [
      { do: 'max', as: 'most', of: ['chest-girth', 'hip-girth'] },
      { do: 'subtract', as: 'it', from: 'most', take: '1 in' },
    ],
    { 'chest-girth': 40.4, 'hip-girth': 40.3 },
    '38',
  ],
  [
    'looked up',
    [
      {
        do: 'lookup',
        as: 'it',
        of: 'chest-girth',
        rows: [
          { upTo: '39 in', gives: '30 in' },
          { upTo: '40 in', gives: '31.6 in' },
          { upTo: '44 in', gives: '32.4 in' },
        ],
      },
    ],
    { 'chest-girth': 39.8 },
    '30',
  ],
  [
    'kept within limits',
    [{ do: 'clamp', as: 'it', of: 'chest-girth', least: '40 in', most: '41 in' }],
    { 'chest-girth': 40.4 },
    '38',
  ],
  [
    'the largest and a reading added',
    [
      { do: 'max', as: 'most', of: ['chest-girth', 'hip-girth'] },
      { do: 'add', as: 'it', of: ['most', 'waist-girth'] },
    ],
    { 'chest-girth': 40, 'hip-girth': 40, 'waist-girth': 34.4 },
    '73',
  ],
];

describe('the odds of what is derived', () => {
  for (const [name, steps, readings, first] of CASES) {
    it(`agree with 60,000 simulated readings within three standard errors: ${name}`, () => {
      const sizes = Array.from({ length: 6 }, (_, at) => String(Number(first) + at * 0.5));
      const sheet = wholeSheet({
        derivations: [{ code: 'derived:it', name: 'It', steps }],
        parts: [scale('size', 'derived:it', sizes)],
      });
      const body = new Map(
        Object.entries(readings).map(([code, value]) => [
          code as MeasurementCode,
          { value: inches(value), standardError: ERROR },
        ]),
      );
      const { odds } = judge(compileChart(sheet), body).parts[0]!;
      const draw = seededNormal(seededRandom(11));
      const draws = 60_000;
      const counts = new Map<string | null, number>();
      const part = compileChart(sheet).parts[0]!.whole;
      for (let at = 0; at < draws; at++) {
        const drawn = new Map(
          [...body].map(([code, { value }]) => [code, micrometres(Math.round(value + ERROR * draw()))]),
        );
        const { result } = derive(
          sheet.derivations,
          lengthAlgebra(
            (code) => drawn.get(code),
            () => undefined,
          ),
        ).get('derived:it')!;
        const found = part.deciding[0]!.intervals.findIndex(
          ({ from, until }) => result !== null && from <= result && result < until,
        );
        // Below the smallest, the widest rule takes the smallest; above the largest there is none.
        const below = result !== null && result < part.deciding[0]!.intervals[0]!.from;
        const size = found >= 0 ? part.sizes[found]! : below ? part.sizes[0]! : null;
        counts.set(size, (counts.get(size) ?? 0) + 1);
      }
      for (const size of [...part.sizes, null]) {
        const chance = odds.find((one) => one.size === size)?.chance ?? 0;
        const likely = Math.max(chance, 1e-3);
        const error = Math.sqrt((likely * (1 - likely)) / draws);
        expect(Math.abs((counts.get(size) ?? 0) / draws - chance))
          .withContext(`size ${size}: ${chance}`)
          // Chances below one in a thousand are not listed.
          .toBeLessThanOrEqual(3 * error + 1e-3);
      }
    });
  }
});

describe('a value known exactly', () => {
  it('leaves no doubt', () => {
    expect(readingSpread('height', mm(1700), 0).standardError).toBe(0);
    expect(exactly(5).below(5)).toBe(0);
    expect(exactly(5).below(6)).toBe(1);
  });
});
