import {
  chartSheetSchema,
  compileChart,
  judge,
  micrometres,
  type ChartSheet,
  type MeasuredBody,
  type MeasurementCode,
} from '../../../testing/all';
import { seededNormal, seededRandom } from '../../../testing/random';
import { GroupSizer, type GroupSize } from '..';
import { partGroups } from './part-groups';

const INCHES = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, at) => `${from + at}`);

/** A vest of four parts: widths by one girth, the back what the front leaves; lengths offered by the front's width, and by themselves. */
const vest: ChartSheet = chartSheetSchema.parse({
  ...{ maker: 'Ostrel', garment: 'Vest', unit: 'in', rule: 'widest-decides', kind: 'vest' },
  expects: [{ code: 'abdominal-girth', rounding: { mode: 'nearest', step: '1 in' }, recorded: true }],
  derivations: [
    derivation('total', { do: 'add', of: ['abdominal-girth', '3 in'] }),
    derivation('front', { do: 'multiply', of: 'derived:total', by: 0.5 }),
    derivation('back', { do: 'subtract', from: 'derived:total', take: 'size-of:front' }),
    derivation('rise', { do: 'subtract', from: 'notch-to-belt-standing', take: '1 in' }),
  ],
  parts: [
    { ...scale('front', 'derived:front', INCHES(14, 26)), values: INCHES(14, 26).map((one) => `${one} in`) },
    scale('back', 'derived:back', INCHES(14, 26)),
    {
      ...scale('rise', 'derived:rise', INCHES(11, 20)),
      lean: 'smaller',
      offered: { by: 'front', sizes: Object.fromEntries(INCHES(14, 17).map((one) => [one, INCHES(11, 16)])) },
    },
    scale('nape', 'collar-to-belt', INCHES(14, 26)),
  ],
});

/** By a key, with gaps and sizes that overlap, and a length in few sizes that are not all made. */
const trousers: ChartSheet = chartSheetSchema.parse({
  ...{
    maker: 'Ostrel',
    garment: 'Trousers',
    unit: 'cm',
    rule: 'key-decides',
    key: 'waist-girth',
    label: '{waist}-{leg}',
  },
  combinations: [{ parts: ['waist', 'leg'], made: { S: ['R'], M: ['R', 'L'], L: ['R', 'L'], XL: ['L'] } }],
  parts: [
    {
      ...{ code: 'waist', name: 'Waist', sizes: ['S', 'M', 'L', 'XL'] },
      columns: [
        { code: 'waist-girth', unit: 'cm', cells: ['70-78', '80-88', '87-95', '97-108'] },
        { code: 'hip-girth', unit: 'cm', cells: ['90-97', '97-104', '103-111', '111-120'] },
      ],
    },
    {
      ...{ code: 'leg', name: 'Leg', sizes: ['R', 'L'] },
      columns: [{ code: 'inside-leg-length', unit: 'cm', cells: ['70-79', '79-88'] }],
    },
  ],
});

function derivation(code: string, step: object) {
  return { code: `derived:${code}`, name: code, steps: [{ as: 'it', ...step }] };
}

function scale(code: string, column: string, sizes: readonly string[]) {
  return { code, name: code, sizes, columns: [{ code: column, unit: 'in', cells: sizes, reach: 'next-up' }] };
}

const MEASURES: readonly (readonly [MeasurementCode, number, number, number])[] = [
  ['abdominal-girth', 94, 9, 3],
  ['notch-to-belt-standing', 40, 2, 2],
  ['collar-to-belt', 47, 2, 2],
  ['waist-girth', 88, 9, 2],
  ['hip-girth', 102, 7, 3],
  ['inside-leg-length', 79, 4, 1],
];

/** People as they are: the stouter the longer; read to a millimetre, some to the half centimetre, and not all as well. */
function people(count: number): MeasuredBody[] {
  const normal = seededNormal(seededRandom(41));
  return Array.from({ length: count }, (_, row) => {
    const build = normal();
    const step = row % 3 === 0 ? 5_000 : 1_000;
    return new Map(
      MEASURES.map(([code, mean, by, own]) => {
        const value = micrometres(Math.round(((mean + by * build + own * normal()) * 10_000) / step) * step);
        return [code, { value, ...(row % 5 === 0 ? { standardError: 9_000 } : {}) }];
      }),
    );
  });
}

describe('many sized by groups of parts', () => {
  it('parts that share what is read for them are one group', () => {
    const told = (sheet: ChartSheet) =>
      partGroups(compileChart(sheet)).map(({ parts, placed, mixed }) => [
        parts,
        placed.map(({ column }) => column),
        mixed,
      ]);
    expect(told(vest)).toEqual([
      [[0, 1, 2], ['derived:rise'], ['abdominal-girth']],
      [[3], ['collar-to-belt'], []],
    ]);
    expect(told(trousers)).toEqual([
      [[0], ['waist-girth', 'hip-girth'], []],
      [[1], ['inside-leg-length'], []],
    ]);
  });

  for (const sheet of [vest, trousers])
    it(`${sheet.garment}: everybody comes to what they come to alone`, () => {
      const chart = compileChart(sheet);
      const bodies = people(150);
      const sized = new GroupSizer(chart, {}).size(bodies.map((body) => ({ body, suspects: new Set() })));
      const chanceOf = ({ odds }: GroupSize, label: string | null) =>
        odds.find((one) => one.label === label)?.chance ?? 0;
      const verdicts = new Set<string>();
      bodies.forEach((body, row) => {
        const [one, alone] = [sized[row]!, judge(chart, body)];
        verdicts.add(alone.verdict);
        expect([one.verdict, one.proposed, one.alternates])
          .withContext(`row ${row}`)
          .toEqual([alone.verdict, alone.proposed, [...alone.alternates]]);
        for (const { label, chance } of alone.odds)
          expect(Math.abs(chanceOf(one, label) - chance))
            .withContext(`row ${row}, ${label}`)
            .toBeLessThan(0.006);
      });
      expect(verdicts.size).toBeGreaterThan(1);
    });

  it('whoever lacks a reading has no size, as alone', () => {
    const chart = compileChart(vest);
    const [body] = people(1);
    for (const code of ['abdominal-girth', 'collar-to-belt'] as const) {
      const less = new Map([...body!].filter(([own]) => own !== code));
      const [one] = new GroupSizer(chart, {}).size([{ body: less, suspects: new Set() }]);
      const { verdict, proposed, alternates } = judge(chart, less);
      expect(one!).toEqual({ verdict, proposed, alternates: [...alternates], odds: [] });
    }
  });
});
