import {
  compileChart,
  judge,
  Kernel,
  measurement,
  mm,
  type JudgeOptions,
  type Length,
  type MeasurementCode,
} from '../../index';
import { scale, wholeSheet } from '../../testing/whole-sheet';
import { EdgeFinder } from './edge';

/**
 * Three girths in millimetres. A chest that grows leads past XL to 2XL; a waist or a hip that grows
 * leads to XL: each alone less likely than the chest, both together likelier.
 */
const THREE = compileChart(
  wholeSheet({
    unit: 'mm',
    parts: [
      {
        ...scale('size', 'chest-girth', ['L', 'XL', '2XL']),
        columns: [
          { code: 'chest-girth', unit: 'mm', cells: ['900-1000', '1100-1200', '1000-1100'] },
          { code: 'waist-girth', unit: 'mm', cells: ['800-900', '900-1000', '1000-1100'] },
          { code: 'hip-girth', unit: 'mm', cells: ['800-900', '900-1000', '1000-1100'] },
        ],
      },
    ],
  }),
);
/** A body so many standard errors short of where each girth leads on. */
const shortBy = (chest: number, waist: number, hip: number) => {
  const end = { 'chest-girth': 1000, 'waist-girth': 900, 'hip-girth': 900 } as const;
  const away = { 'chest-girth': chest, 'waist-girth': waist, 'hip-girth': hip } as const;
  return new Map(
    (Object.keys(end) as (keyof typeof end)[]).map((code) => [
      code as MeasurementCode,
      mm(Math.round(end[code] - (away[code] * measurement(code).standardError) / 1000)),
    ]),
  );
};
const rivalsOf = (values: ReturnType<typeof shortBy>, options: JudgeOptions = {}) => {
  const kernel = new Kernel(THREE, options);
  for (const [code, value] of values) kernel.input(code)[0] = value;
  kernel.run(1);
  return new EdgeFinder(kernel, options)
    .rivals(0, values)
    .map(({ size }) => THREE.parts[0]!.whole.sizes[size!]);
};
const oddsOf = (values: ReturnType<typeof shortBy>) =>
  judge(
    THREE,
    new Map(
      [...values].map(([code, value]) => [code, { value, standardError: measurement(code).standardError }]),
    ),
  ).parts[0]!.odds;

describe('EdgeFinder', () => {
  it('names the likeliest other size where two girths lead to it and each alone is less likely', () => {
    const values = shortBy(0.72, 0.85, 0.85);
    expect(oddsOf(values).map(({ size }) => size)).toEqual(['L', 'XL', '2XL']);
    expect(rivalsOf(values)).toEqual(['XL']);
  });

  it('finds nobody near an edge who is far from all', () => expect(rivalsOf(shortBy(6, 6, 6))).toEqual([]));

  it('counts what is exactly as likely as the house allows', () => {
    const values = shortBy(2, 1.2, 1.2);
    const { size, chance } = oddsOf(values)[1]!;
    expect([
      rivalsOf(values, { edgeChance: chance }),
      rivalsOf(values, { edgeChance: chance + 1e-9 }),
    ]).toEqual([[size!], []]);
  });
});

describe('EdgeFinder, at the end of a table', () => {
  it('names no size where the likeliest other lies behind the last, found by all draws', () => {
    const values = new Map<MeasurementCode, Length>([
      ['chest-girth', mm(1060)],
      ['waist-girth', mm(1094)],
      ['hip-girth', mm(1094)],
    ]);
    const kernel = (edgeChance: number) => {
      const one = new Kernel(THREE);
      for (const [code, value] of values) one.input(code)[0] = value;
      one.run(1);
      return new EdgeFinder(one, { edgeChance }).rivals(0, values).map(({ size }) => size);
    };
    const beyond = oddsOf(values).find(({ size }) => size === null)!.chance;
    expect([kernel(beyond), kernel(beyond + 1e-9)]).toEqual([[null], []]);
  });
});

describe('EdgeFinder, of one girth', () => {
  const ONE = compileChart(
    wholeSheet({
      unit: 'mm',
      parts: [
        scale('size', 'chest-girth', ['S', 'M', 'L'], { unit: 'mm' }, ['860-940', '940-1020', '1020-1100']),
      ],
    }),
  );
  const near = (chest: number, chart = ONE) => {
    const kernel = new Kernel(chart);
    const values = new Map<MeasurementCode, Length>([['chest-girth', mm(chest)]]);
    kernel.input('chest-girth')[0] = mm(chest);
    kernel.run(1);
    return new EdgeFinder(kernel)
      .rivals(0, values)
      .map(({ size }) => (size === null ? null : chart.parts[0]!.whole.sizes[size]!));
  };

  it('names the size below near a lower end, the size above near an upper one, and none between', () => {
    expect([near(942), near(1018), near(980)]).toEqual([['S'], ['L'], []]);
  });

  it('names no size where the nearest end is that of all', () => {
    // Below the smallest the rule's pick is the smallest still.
    expect([near(862), near(1098)]).toEqual([[], [null]]);
    // The same of what is rounded, where draws tell.
    const rounded = compileChart(
      wholeSheet({
        unit: 'mm',
        expects: [{ code: 'chest-girth', rounding: { mode: 'nearest', step: '1 mm' } }],
        derivations: [
          {
            code: 'derived:twice',
            name: 'Twice',
            steps: [{ do: 'add', as: 'twice', of: ['chest-girth', 'chest-girth'] }],
          },
        ],
        parts: [scale('size', 'derived:twice', ['S', 'M'], { unit: 'mm' }, ['1720-1880', '1880-2040'])],
      }),
    );
    expect([near(1018, rounded), near(942, rounded), near(900, rounded)]).toEqual([[null], ['S'], []]);
  });

  const cells = (...ends: readonly number[]) =>
    compileChart(
      wholeSheet({
        unit: 'mm',
        parts: [
          scale(
            'size',
            'chest-girth',
            ends.slice(1).map((_, at) => `${at}`),
            { unit: 'mm' },
            ends.slice(1).map((end, at) => `${ends[at]!}-${end}`),
          ),
        ],
      }),
    );

  it('does not add up two sizes of which neither is likely enough', () => {
    expect(near(970.5, cells(860, 960, 981, 1100))).toEqual([]);
  });

  it('names the size beyond a narrow one where that is likelier', () => {
    expect(near(1004, cells(900, 997, 1000, 1100))).toEqual(['0']);
    const chart = cells(960, 1000, 1003, 1100);
    expect(near(996, chart)).toEqual(['2']);
    const { odds, alternates } = judge(chart, new Map([['chest-girth' as const, { value: mm(996) }]]))
      .parts[0]!;
    expect([odds.map(({ size }) => size), alternates]).toEqual([['0', '2', '1'], ['2']]);
  });

  it('calls nobody near an edge whose size stays when the value crosses it', () => {
    const chart = compileChart(
      wholeSheet({
        unit: 'mm',
        parts: [
          {
            code: 'size',
            name: 'Size',
            sizes: ['S', 'M', 'L'],
            columns: [
              { code: 'chest-girth', unit: 'mm', cells: ['860-940', '940-1020', '1020-1100'] },
              { code: 'waist-girth', unit: 'mm', cells: ['740-820', '740-900', '900-980'] },
            ],
          },
        ],
      }),
    );
    const kernel = new Kernel(chart);
    const values = new Map<MeasurementCode, Length>([
      ['chest-girth', mm(980)],
      ['waist-girth', mm(819)],
    ]);
    for (const [code, value] of values) kernel.input(code)[0] = value;
    kernel.run(1);
    expect(new EdgeFinder(kernel).rivals(0, values)).toEqual([]);
  });
});
