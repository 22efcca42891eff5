import {
  chanceOfSight,
  compileChart,
  mm,
  RIGHT,
  sizesAfterTrial,
  type MeasuredBody,
  type MeasurementCode,
  type Trial,
} from '../testing/all';
import { seededNormal, seededRandom } from '../testing/random';
import { scale, wholeSheet } from '../testing/whole-sheet';

const COAT = compileChart(
  wholeSheet({
    kind: 'outerwear',
    unit: 'mm',
    parts: [
      scale('size', 'chest-girth', ['S', 'M', 'L', 'XL'], { unit: 'mm' }, [
        '860-940',
        '940-1020',
        '1020-1100',
        '1100-1180',
      ]),
    ],
  }),
);
const body = (chest: number, standardError = 8_000): MeasuredBody =>
  new Map([['chest-girth' as MeasurementCode, { value: mm(chest), standardError }]]);
const wore = (size: string, answer: string): Trial => ({
  sizes: { size },
  seen: [{ check: 'crossed', answer }],
});
const chances = (chest: number, ...trials: Trial[]) => {
  const { odds } = sizesAfterTrial(COAT, body(chest), {}, trials);
  return Object.fromEntries(odds.map(({ label, chance }) => [label, chance]));
};

describe('chanceOfSight', () => {
  const M = { from: 940_000, until: 1_020_000 };

  it('adds up to one, is even at an edge, and certain far from it', () => {
    for (const at of [800, 940, 955, 980, 1_020, 1_200]) {
      const all = (['small', 'right', 'large'] as const).map((sight) =>
        chanceOfSight(sight, at * 1_000, M, 12_000),
      );
      expect(all.reduce((sum, one) => sum + one)).toBeCloseTo(1, 9);
    }
    expect(chanceOfSight('small', 1_020_000, M, 12_000)).toBeCloseTo(0.5, 6);
    expect(chanceOfSight('large', 800_000, M, 12_000)).toBeCloseTo(1, 6);
    expect(chanceOfSight('small', 1e9, { from: 0, until: Infinity }, 12_000)).toBe(0);
  });
});

describe('sizesAfterTrial', () => {
  it('passes over what was seen at a check that the kind has no more, or that was left out', () => {
    const gone: Trial = {
      sizes: { size: 'M' },
      seen: [
        { check: 'gone', answer: 'small' },
        { check: 'crossed', answer: null },
      ],
    };
    expect(chances(1_010, gone)).toEqual(chances(1_010));
  });

  it('names the likeliest first', () => {
    const { odds } = sizesAfterTrial(COAT, body(1_010), {}, [wore('M', 'small')]);
    expect(odds.map(({ label }) => label).slice(0, 2)).toEqual(['L', 'M']);
    expect(odds.every(({ chance }, at) => at === 0 || chance <= odds[at - 1]!.chance)).toBeTrue();
  });

  it('leans towards the size above the more, the nearer the reading was to it', () => {
    const [far, near] = [chances(960, wore('M', 'small')), chances(1_010, wore('M', 'small'))];
    expect(near['L']).toBeGreaterThan(0.8);
    expect(far['L']).toBeLessThan(near['L']!);
    expect(chances(1_010)['L']).toBeLessThan(chances(1_010, wore('M', 'small'))['L']!);
  });

  it('makes what was seen to be right surer than the tape alone', () => {
    expect(chances(1_010, wore('M', RIGHT))['M']).toBeGreaterThan(chances(1_010)['M']!);
  });

  it('lies between two sizes where one was small and the next large', () => {
    const both = chances(1_020, wore('M', 'small'), wore('L', 'large'));
    expect(both['M']! + both['L']!).toBeGreaterThan(0.99);
    expect(Math.abs(both['M']! - both['L']!)).toBeLessThan(0.1);
  });

  it('finds what was seen surprising where it hardly goes with what was read, and else not', () => {
    const surprising = (chest: number, ...trials: Trial[]) =>
      sizesAfterTrial(COAT, body(chest), {}, trials).surprising;
    expect(surprising(945, wore('M', 'small'))).toBeTrue();
    expect(surprising(1_010, wore('M', 'small'))).toBeFalse();
    expect(surprising(980, wore('M', RIGHT))).toBeFalse();
    expect(surprising(980)).toBeFalse();
  });

  it('tells of no size where it may well be none of the chart', () => {
    const beyond = chances(1_175, wore('XL', 'small'));
    expect(beyond['null']).toBeGreaterThan(0.8);
    const apart = sizesAfterTrial(COAT, body(1_175), {}, [wore('XL', 'small')]).odds;
    expect(apart.map(({ label }) => label)).toContain(null);
  });

  it('tells of no size where one part of the garment has none', () => {
    const suit = compileChart(
      wholeSheet({
        kind: 'jacket',
        unit: 'mm',
        label: '{chest}{length}',
        parts: [
          scale('chest', 'chest-girth', ['S', 'M'], { unit: 'mm' }, ['860-940', '940-1020']),
          scale('length', 'height', ['R', 'L'], { unit: 'mm' }, ['1650-1750', '1750-1850']),
        ],
      }),
    );
    const tall: MeasuredBody = new Map([
      ['chest-girth' as MeasurementCode, { value: mm(980), standardError: 8_000 }],
      ['height' as MeasurementCode, { value: mm(1_990), standardError: 8_000 }],
    ]);
    const { odds } = sizesAfterTrial(suit, tall, {}, []);
    expect(odds.map(({ label }) => label)).toEqual([null]);
  });

  it('is no more surprised by what was right, and less easily by several things that were wrong', () => {
    const surprising = (chest: number, ...trials: Trial[]) =>
      sizesAfterTrial(COAT, body(chest), {}, trials).surprising;
    // One wrong thing among several that were right is one.
    expect(surprising(945, wore('M', 'small'), wore('L', RIGHT))).toBeTrue();
    expect(surprising(945, wore('M', RIGHT), wore('M', RIGHT), wore('M', RIGHT))).toBeFalse();
    // Two that go the same way are hardly less likely than the first.
    expect(surprising(945, wore('M', 'small'), wore('M', 'small'))).toBeFalse();
  });

  it('says nothing where nothing was read', () => {
    expect(sizesAfterTrial(COAT, new Map(), {}, [wore('M', 'small')])).toEqual({
      odds: [],
      surprising: false,
    });
  });

  it('takes no notice of what was left out, of what is not known, and of a size that is not the chart’s', () => {
    const plain = chances(1_010);
    expect(chances(1_010, { sizes: { size: 'M' }, seen: [{ check: 'crossed', answer: null }] })).toEqual(
      plain,
    );
    expect(chances(1_010, wore('M', 'burst'))).toEqual(plain);
    expect(chances(1_010, wore('XS', 'small'))).toEqual(plain);
  });

  it('agrees with plain draws, weighed the slow way', () => {
    const [normal, draws] = [seededNormal(seededRandom(15)), 200_000];
    const spread = Math.hypot(8, 0.35 * 80);
    let [sum, large] = [0, 0];
    for (let draw = 0; draw < draws; draw++) {
      const chest = 1_000 + spread * normal();
      // Seen by an eye that is off by 15 % of a step of 80 mm: small in M, which holds up to 1,020.
      const seen = chest + 12 * normal() > 1_020 ? 1 : 0;
      sum += seen;
      if (chest >= 1_020 && chest < 1_100) large += seen;
    }
    expect(chances(1_000, wore('M', 'small'))['L']).toBeCloseTo(large / sum, 2);
  });
});
