import {
  cm,
  compileChart,
  expectedValue,
  foresee,
  plausibleBodies,
  type Length,
  type MeasurementCode,
} from '../index';
import { compiledOf } from '../testing/charts';
import { seededRandom } from '../testing/random';
import { wholeSheet } from '../testing/whole-sheet';

const JACKET = compiledOf(
  'size,chest-girth (cm),waist-girth (cm)\nS,86-94,74-82\nM,94-102,82-90\nL,102-110,90-98\nXL,110-118,98-106',
);
const known = (values: Partial<Record<MeasurementCode, number>>) =>
  new Map<MeasurementCode, Length>(
    Object.entries(values).map(([code, value]) => [code as MeasurementCode, cm(value)]),
  );
const quartiles = (values: Float64Array) => {
  const sorted = [...values].sort((a, b) => a - b);
  return [0.25, 0.5, 0.75].map((share) => sorted[Math.floor(share * sorted.length)]! / 10_000);
};

describe('plausibleBodies', () => {
  it('keeps what is known and draws the rest to go with it', () => {
    const [chest, waist, wide] = plausibleBodies(
      known({ 'chest-girth': 120 }),
      ['chest-girth', 'waist-girth', 'inside-leg-length'],
      4_000,
      seededRandom(3),
    );
    expect(new Set(chest)).toEqual(new Set([1_200_000]));
    const [low, middle, high] = quartiles(waist!) as [number, number, number];
    expect(middle).toBeGreaterThan(95);
    expect(high - low).toBeLessThan(20);
    expect(quartiles(wide!)[1])
      .withContext('unknown to the statistics: the middle of what can be')
      .toBeCloseTo(72.5, -1);
  });

  it('narrows with every value', () => {
    const spread = (values: Partial<Record<MeasurementCode, number>>) => {
      const [low, , high] = quartiles(
        plausibleBodies(known(values), ['waist-girth'], 4_000, seededRandom(3))[0]!,
      ) as [number, number, number];
      return high - low;
    };
    const nothing = spread({});
    const chest = spread({ 'chest-girth': 98 });
    expect(chest).toBeLessThan(nothing * 0.7);
    // With the height the build is known too; without it, men and women both are likely.
    const tall = spread({ 'chest-girth': 98, height: 182 });
    expect(spread({ 'chest-girth': 98, height: 182, 'navel-girth': 86 })).toBeLessThan(tall * 0.9);
  });

  it('expects of a girth what the rest leads to', () => {
    expect(
      expectedValue(known({ 'chest-girth': 98, 'hip-girth': 98 }), 'waist-girth') / 10_000,
    ).toBeGreaterThan(75);
    expect(expectedValue(known({ 'chest-girth': 98, 'hip-girth': 98 }), 'waist-girth') / 10_000).toBeLessThan(
      95,
    );
  });
});

describe('foresee', () => {
  const garment = { chart: JACKET, preference: 'regular' as const };

  it('puts the step first that decides most', () => {
    const boots = compileChart(
      wholeSheet({
        unit: 'mm',
        parts: [
          {
            code: 'size',
            name: 'Size',
            sizes: ['any', 'large'],
            columns: [{ code: 'head-girth', unit: 'mm', cells: ['460-679', '679-680'] }],
          },
        ],
      }),
    );
    const { steps, idle } = foresee(
      [garment, { chart: boots, preference: 'regular' }],
      known({}),
      ['head-girth', 'waist-girth'],
      seededRandom(5),
    );
    expect(steps[0]!.code).toBe('waist-girth');
    expect(steps[0]!.bits).toBeGreaterThan(0.5);
    expect(steps[1]!.bits).toBeLessThan(0.1);
    expect(idle).not.toContain('waist-girth');
  });

  it('finds a step idle once no plausible value changes the verdict', () => {
    expect(foresee([garment], known({ 'chest-girth': 98 }), ['waist-girth'], seededRandom(5)).idle).toEqual(
      [],
    );
    // A chest far past the largest size: the waist can be what it likes.
    expect(foresee([garment], known({ 'chest-girth': 140 }), ['waist-girth'], seededRandom(5)).idle).toEqual([
      'waist-girth',
    ]);
  });

  it('offers no step of which no garment has need', () => {
    expect(foresee([garment], known({ 'chest-girth': 140 }), ['head-girth'], seededRandom(5)).idle).toEqual(
      [],
    );
    expect(foresee([], known({}), ['head-girth'], seededRandom(5)).steps).toEqual([
      { code: 'head-girth', bits: 0 },
    ]);
  });

  it('calls no step idle that can still change one of the garments that ask for it', () => {
    const other = compiledOf('size,waist-girth (cm)\nS,60-115\nL,115-160');
    const { idle } = foresee(
      [garment, { chart: other, preference: 'regular' }],
      known({ 'chest-girth': 130 }),
      ['waist-girth'],
      seededRandom(3),
    );
    expect(idle).toEqual([]);
    expect(foresee([garment], known({ 'chest-girth': 130 }), ['waist-girth'], seededRandom(3)).idle).toEqual([
      'waist-girth',
    ]);
  });

  it('goes by the rule that the docket puts in the place of the chart’s', () => {
    const chart = compiledOf(
      'size,chest-girth (cm),waist-girth (cm)\nM,94-102,<80\nL,104-110,80-90\nXL,110-119,>90',
      { rule: 'key-decides', key: 'chest-girth' },
    );
    // In the gap: by the chest alone it is L, whatever the waist.
    const ask = (rule?: 'widest-decides') =>
      foresee(
        [{ chart, preference: 'regular', rule }],
        known({ 'chest-girth': 103 }),
        ['waist-girth'],
        seededRandom(3),
      );
    expect(ask().idle).toEqual(['waist-girth']);
    expect(ask('widest-decides').idle).toEqual([]);
  });
});

describe('how much a step decides', () => {
  const garment = { chart: JACKET, preference: 'regular' as const };
  const bits = (values: Parameters<typeof known>[0]) =>
    new Map(
      foresee(
        [garment],
        known(values),
        ['chest-girth', 'waist-girth', 'neck-girth'],
        seededRandom(5),
      ).steps.map((step) => [step.code, step.bits]),
    );

  it('is no more than there is to be known, and nothing where nobody asks', () => {
    const all = bits({});
    // Four sizes, beyond them either way, and how two measurements pull apart: fewer than 16 outcomes.
    for (const code of ['chest-girth', 'waist-girth'] as const) {
      expect(all.get(code)).withContext(code).toBeGreaterThan(0.4);
      expect(all.get(code)).withContext(code).toBeLessThan(2.6);
    }
    expect(all.get('neck-girth')).toBe(0);
  });

  it('grows less the more is known of the rest', () => {
    expect(bits({ 'chest-girth': 98 }).get('waist-girth')).toBeLessThan(bits({}).get('chest-girth')! + 1);
    expect(bits({ 'chest-girth': 150 }).get('waist-girth')).toBe(0);
  });
});
