import {
  chartSheetSchema,
  cm,
  compileChart,
  codesOfCoverage,
  partsCoverage,
  sizeByColumn,
  valueIn,
  type Length,
  type MeasurementCode,
} from '../../testing/all';
import { compiledOf } from '../../testing/charts';

describe('partsCoverage', () => {
  const chart = compiledOf('size,chest-girth (cm),waist-girth (cm)\nS,86-94,74-82\nM,94-102,84-92');
  const bodies = (
    [
      [90, 78],
      [90, 83],
      [90, 88],
      [110, 88],
      [90, null],
    ] as const
  ).map(
    ([chest, waist]) =>
      new Map<MeasurementCode, Length>([
        ['chest-girth', cm(chest)],
        ...(waist === null ? [] : [['waist-girth', cm(waist)] as const]),
      ]),
  );

  it('says how each body is held, by everything that decides, and by what', () => {
    const covered = partsCoverage(chart, ['size'], bodies);
    expect(covered.map(({ held }) => held)).toEqual(['inside', 'between', 'between', 'outside', 'unknown']);
    expect(valueIn(chart, covered[0]!, 'size', 'waist-girth')).toBe(cm(78));
    expect(valueIn(chart, covered[4]!, 'size', 'waist-girth')).toBeNull();
    expect(valueIn(chart, covered[0]!, 'size', 'height')).toBeNull();
    expect(valueIn(chart, covered[0]!, 'whatever', 'waist-girth')).toBeNull();
    expect(codesOfCoverage(chart)).toEqual(['chest-girth', 'waist-girth']);
  });

  it('goes on past one round', () => {
    const many = Array.from({ length: 2_500 }, (_, at) => bodies[at % bodies.length]!);
    const covered = partsCoverage(chart, ['size'], many);
    expect(covered.length).toBe(2_500);
    expect(covered.filter(({ held }) => held === 'inside').length).toBe(500);
  });

  it('takes the worst of several parts, and sizes that are not made together are between', () => {
    const two = compileChart(
      chartSheetSchema.parse({
        ...{ maker: 'Ostrel', garment: 'Smock', unit: 'cm', rule: 'closest', label: '{girth}-{length}' },
        combinations: [{ parts: ['girth', 'length'], made: { S: ['short'], M: ['short', 'long'] } }],
        parts: [
          {
            ...{ code: 'girth', name: 'Girth', sizes: ['S', 'M'] },
            columns: [{ code: 'chest-girth', unit: 'cm', cells: ['86-94', '94-102'] }],
          },
          {
            ...{ code: 'length', name: 'Length', sizes: ['short', 'long'] },
            columns: [{ code: 'height', unit: 'cm', cells: ['160-170', '170-180'] }],
          },
        ],
      }),
    );
    const body = (chest: number | null, height: number | null) =>
      new Map<MeasurementCode, Length>([
        ...(chest === null ? [] : [['chest-girth', cm(chest)] as const]),
        ...(height === null ? [] : [['height', cm(height)] as const]),
      ]);
    const all = [body(90, 165), body(90, 175), body(98, 175), body(110, 175), body(90, 150), body(90, null)];
    const held = (codes: readonly string[]) => partsCoverage(two, codes, all).map((one) => one.held);
    expect(held(['girth', 'length'])).toEqual([
      'inside',
      'between',
      'inside',
      'outside',
      'outside',
      'unknown',
    ]);
    expect(held(['length'])).toEqual(['inside', 'inside', 'inside', 'inside', 'outside', 'unknown']);
    expect(held(['girth'])).toEqual(['inside', 'inside', 'inside', 'outside', 'inside', 'inside']);
    const [first] = partsCoverage(two, ['girth'], all);
    expect(valueIn(two, first!, 'length', 'height')).toBe(cm(165));
  });

  it('tells the size that one column alone gives: the larger where two meet, none beyond and in gaps', () => {
    const [chest, waist] = chart.parts[0]!.whole.deciding;
    expect([85, 86, 93.9, 94, 102, 103].map((value) => sizeByColumn(chest!, cm(value)))).toEqual([
      null,
      ...[0, 0, 1, 1, null],
    ]);
    expect(sizeByColumn(waist!, cm(83))).toBeNull();
  });
});
