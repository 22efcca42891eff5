import {
  BulkChart,
  chartSheetSchema,
  compileChart,
  FIT_PREFERENCES,
  HOUSE_RULES,
  judge,
  micrometres,
  sizeIn,
  sizeRoll,
  verdictIn,
  VERDICTS,
  type ChartSheet,
  type Length,
  type MeasurementCode,
} from '../../index';
import { seededRandom } from '../../testing/random';

const CODES = ['chest-girth', 'waist-girth', 'hip-girth', 'height'] as const;
type Draw = (most: number) => number;

/** A chart at random: gaps, overlaps, open ends, nominal values, parts that go by another, arithmetic, combinations. */
function randomChart(draw: Draw): ChartSheet {
  const column = (code: string, sizes: number) => {
    const style = draw(3);
    let at = 700 + draw(300);
    const cells = Array.from({ length: sizes }, (_, size) => {
      const from = at;
      at += 20 + draw(60);
      if (style === 0) return `${from}`;
      // Neighbours share a bound, leave a gap or overlap.
      const until = at + [0, -12, 15, 1][draw(4)]!;
      if (size === 0 && draw(4) === 0) return `<${until}`;
      if (size === sizes - 1 && draw(4) === 0) return `>=${from}`;
      return draw(5) === 0 ? `>=${from} <${until}` : `${from}-${Math.max(until, from + 1)}`;
    });
    return { code, unit: 'mm', cells, reach: ['halfway', 'next-up', 'next-down'][draw(3)] };
  };
  const labels = (count: number) => Array.from({ length: count }, (_, size) => `s${size}`);
  const [first, second] = [2 + draw(5), 2 + draw(4)];
  const derived = [
    { do: 'add', as: 'a', of: ['chest-girth', `${draw(40)} mm`] },
    [
      { do: 'subtract', as: 'b', from: 'a', take: 'size-of:one' },
      { do: 'max', as: 'b', of: ['a', 'hip-girth'] },
      { do: 'average', as: 'b', of: ['a', 'waist-girth'] },
      { do: 'round', as: 'b', of: 'a', to: { mode: ['up', 'down', 'nearest'][draw(3)], step: '25 mm' } },
      { do: 'require', as: 'b', of: 'a', least: 'waist-girth', because: 'so it is' },
      {
        do: 'lookup',
        as: 'b',
        of: 'a',
        rows: [
          { upTo: '900 mm', gives: '750 mm' },
          { upTo: '1000 mm', gives: '900 mm' },
        ],
      },
      { do: 'multiply', as: 'b', of: 'a', by: 0.97 },
      { do: 'difference', as: 'b', of: ['a', 'waist-girth'] },
      { do: 'clamp', as: 'b', of: 'a', least: '800 mm', most: '1000 mm' },
    ][draw(9)]!,
  ];
  const offered = Object.fromEntries(
    labels(first).map((size) => [size, labels(second).filter((_, at) => at === 0 || draw(3) > 0)]),
  );
  return chartSheetSchema.parse({
    maker: 'Ostrel Workwear',
    garment: 'Random',
    unit: 'mm',
    rule: HOUSE_RULES[draw(3)],
    key: 'chest-girth',
    expects: draw(3) === 0 ? [{ code: 'chest-girth', rounding: { mode: 'up', step: '10 mm' } }] : [],
    derivations: [{ code: 'derived:it', name: 'It', steps: derived }],
    parts: [
      {
        code: 'one',
        name: 'One',
        sizes: labels(first),
        values: labels(first).map((_, at) => `${60 + at * 20} mm`),
        columns: [
          { ...column('chest-girth', first), instead: draw(2) === 0 ? ['hip-girth'] : [] },
          ...(draw(2) === 0 ? [column('waist-girth', first)] : []),
        ],
        lean: [null, 'larger', 'smaller'][draw(3)],
      },
      {
        code: 'two',
        name: 'Two',
        sizes: labels(second),
        columns: [column(draw(2) === 0 ? 'derived:it' : 'hip-girth', second)],
        offered: draw(2) === 0 ? { by: 'one', sizes: offered } : null,
      },
    ],
    combinations: draw(2) === 0 ? [{ parts: ['one', 'two'], made: offered }] : [],
  });
}

/** A chart of one part of measurements, as a roll is sized by it. */
function plainChart(draw: Draw): ChartSheet {
  const sheet = randomChart(draw);
  const part = sheet.parts[0]!;
  return { ...sheet, derivations: [], expects: [], combinations: [], parts: [part] };
}

describe('BulkChart', () => {
  it('sizes a whole roll as it sizes one by one, charts of every kind side by side', () => {
    const random = seededRandom(8);
    const draw: Draw = (most) => Math.floor(random() * most);
    let sized = 0;
    for (let shelf = 0; shelf < 100; shelf++) {
      const charts = Array.from(
        { length: 5 },
        (_, at) =>
          new BulkChart(
            compileChart(at === 0 ? randomChart(draw) : plainChart(draw)),
            FIT_PREFERENCES[draw(3)]!,
          ),
      );
      const wearers = new Map(
        CODES.map((code) => [
          code,
          Float64Array.from({ length: 80 }, () => (draw(15) === 0 ? NaN : (680 + draw(520)) * 1_000)),
        ]),
      );
      sizeRoll(charts, wearers, (chart, { answers, furtherSizes }) => {
        const columns = chart.codes.map((code) => wearers.get(code as 'height')!);
        for (let row = 0; row < 80; row++) {
          chart.size(columns, row);
          const sizes = [sizeIn(answers[row]!), ...furtherSizes.map((one) => one[row]!)];
          if (verdictIn(answers[row]!) !== chart.verdict || sizes.join() !== chart.sizes.join())
            fail(`shelf ${shelf}, wearer ${row}: ${verdictIn(answers[row]!)} is not ${chart.verdict}`);
          sized += 1;
        }
      });
    }
    expect(sized).toBe(100 * 5 * 80);
    expect(sizeRoll([], new Map(), () => undefined)).toBeUndefined();
  });

  it('gives the verdict and sizes of judge for 100,000 random wearers of random charts', () => {
    const random = seededRandom(20_26);
    const draw: Draw = (most) => Math.floor(random() * most);
    const [charts, wearers] = [2_000, 50];
    const seen = new Map<string, number>();
    for (let chart = 0; chart < charts; chart++) {
      const sheet = randomChart(draw);
      const compiled = compileChart(sheet);
      const preference = FIT_PREFERENCES[draw(3)]!;
      const bulk = new BulkChart(compiled, preference);
      const rows = Array.from(
        { length: wearers },
        () =>
          new Map(
            CODES.flatMap((code): [MeasurementCode, Length][] =>
              draw(12) === 0 ? [] : [[code, micrometres((680 + draw(520)) * 1_000)]],
            ),
          ),
      );
      const columns = bulk.codes.map((code) => Float64Array.from(rows, (row) => row.get(code) ?? NaN));
      rows.forEach((row, at) => {
        bulk.size(columns, at);
        const alone = judge(
          compiled,
          new Map([...row].map(([code, value]) => [code, { value, standardError: 0 }])),
          { preference },
        );
        const verdict = alone.verdict === 'edge' ? 'settled' : alone.verdict;
        seen.set(verdict, (seen.get(verdict) ?? 0) + 1);
        const sizes = sheet.parts.map(({ code, sizes: labels }) => labels.indexOf(alone.sizes[code] ?? ''));
        if (VERDICTS[bulk.verdict] !== verdict || sizes.some((size, part) => size !== bulk.sizes[part]))
          fail(
            `chart ${chart}, wearer ${at}: ${VERDICTS[bulk.verdict]} ${[...bulk.sizes].join()} is not ${verdict} ${sizes.join()}: ${JSON.stringify([...row])} ${JSON.stringify(sheet.derivations)}`,
          );
      });
    }
    expect([...seen.values()].reduce((sum, count) => sum + count, 0)).toBe(charts * wearers);
    // Every verdict but the odds' own has been met, so that holding equal means something.
    for (const verdict of VERDICTS)
      if (verdict !== 'edge')
        expect(seen.get(verdict) ?? 0)
          .withContext(verdict)
          .toBeGreaterThan(100);
  });

  it('takes charts of more sizes than a machine word has bits', () => {
    const sizes = Array.from({ length: 70 }, (_, at) => `${at}`);
    const cells = sizes.map((_, at) => `${700 + at * 10}-${710 + at * 10}`);
    const sheet = chartSheetSchema.parse({
      maker: 'Ostrel Workwear',
      garment: 'Fine',
      unit: 'mm',
      rule: 'widest-decides',
      parts: [{ code: 'size', name: 'Size', sizes, columns: [{ code: 'chest-girth', unit: 'mm', cells }] }],
    });
    const bulk = new BulkChart(compileChart(sheet));
    const values = [705_000, 1_035_000, 1_395_000, 2_000_000];
    expect(
      values.map((_, row) => {
        bulk.size([Float64Array.from(values)], row);
        return [VERDICTS[bulk.verdict], bulk.sizes[0]];
      }),
    ).toEqual([
      ['settled', 0],
      ['settled', 33],
      ['settled', 69],
      ['beyond', -1],
    ]);
  });
});
