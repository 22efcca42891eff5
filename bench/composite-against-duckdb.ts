import {
  compileChart,
  Kernel,
  sizeRoll,
  VERDICTS,
  type ChartSheet,
  type CompiledColumn,
  type MeasurementCode,
} from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import type { Connection } from './duckdb';

/**
 * Charts of several parts with arithmetic against the same in SQL: a vest of four parts, its widths
 * and lengths derived, the back what the front leaves. DuckDB finds each size by its own join for the
 * nearest row below (ASOF), which is many times faster there than a range join. The same wearers, one
 * thread each, the counts of every label compared, both timed in turn in the same run.
 */
const WEARERS = 300_000;
const CHARTS = 4;
const ROUNDS = 4;
const CODES = ['abdominal-girth', 'notch-to-belt-seated', 'collar-to-belt'] as const;

/** Wearers by a formula that both sides can follow exactly, in micrometres. */
const FORMULAS = [
  (i: number) => 700_000 + ((i * 7_919) % 600_000),
  (i: number) => 300_000 + ((i * 104_729) % 180_000),
  (i: number) => 380_000 + ((i * 15_485_863) % 190_000),
];
const SQL = [
  '700000 + ((i * 7919) % 600000)',
  '300000 + ((i * 104729) % 180000)',
  '380000 + ((i * 15485863) % 190000)',
];

const INCH = 25_400;
const WIDTHS = Array.from({ length: 13 }, (_, at) => `${14 + at}`);
const LENGTHS = Array.from({ length: 9 }, (_, at) => `${11 + at}`);

function vest(number: number): ChartSheet {
  const scale = (code: string, name: string, derived: string, sizes: readonly string[], reach: string) => ({
    code,
    name,
    sizes,
    values: sizes.map((size) => `${size} in`),
    columns: [{ code: derived, unit: 'in', cells: sizes, reach }],
  });
  return chartSheetSchema.parse({
    maker: 'Varnhollow Protective',
    garment: `Bench vest ${number}`,
    unit: 'in',
    rule: 'widest-decides',
    derivations: [
      {
        code: 'derived:total',
        name: 'Total',
        steps: [
          { do: 'round', as: 'whole', of: 'abdominal-girth', to: { mode: 'nearest', step: '1 in' } },
          { do: 'add', as: 'total', of: ['whole', `${3 + number} in`] },
        ],
      },
      {
        code: 'derived:front',
        name: 'Front',
        steps: [{ do: 'multiply', as: 'half', of: 'derived:total', by: 0.5 }],
      },
      {
        code: 'derived:back',
        name: 'Back',
        steps: [{ do: 'subtract', as: 'left', from: 'derived:total', take: 'size-of:front-width' }],
      },
      {
        code: 'derived:front-length',
        name: 'Front length',
        steps: [
          { do: 'subtract', as: 'less', from: 'notch-to-belt-seated', take: '1 in' },
          { do: 'round', as: 'down', of: 'less', to: { mode: 'down', step: '1 in' } },
        ],
      },
      {
        code: 'derived:back-length',
        name: 'Back length',
        steps: [
          { do: 'multiply', as: 'share', of: 'collar-to-belt', by: 0.8 },
          { do: 'round', as: 'whole', of: 'share', to: { mode: 'nearest', step: '1 in' } },
        ],
      },
    ],
    parts: [
      scale('front-width', 'Front width', 'derived:front', WIDTHS, 'next-up'),
      scale('back-width', 'Back width', 'derived:back', WIDTHS, 'next-up'),
      scale('front-length', 'Front length', 'derived:front-length', LENGTHS, 'next-down'),
      scale('back-length', 'Back length', 'derived:back-length', LENGTHS, 'next-down'),
    ],
  });
}

const PARTS = ['front-width', 'back-width', 'front-length', 'back-length'];
const LABELS = WIDTHS.length * WIDTHS.length * LENGTHS.length * LENGTHS.length;

/** How many wearers come to each label of each chart, settled in every part. */
function ours(charts: readonly Kernel[], wearers: ReadonlyMap<MeasurementCode, Float64Array>): Int32Array {
  const counts = new Int32Array(CHARTS * LABELS);
  const settled = VERDICTS.indexOf('settled');
  sizeRoll(charts, wearers, (chart, { count, answers, furtherSizes: [back, front, rear] }) => {
    const base = charts.indexOf(chart) * LABELS;
    for (let row = 0; row < count; row++) {
      if (answers[row]! >> 8 !== settled) continue;
      const label = ((answers[row]! & 255) - 1) * WIDTHS.length + back![row]!;
      counts[base + (label * LENGTHS.length + front![row]!) * LENGTHS.length + rear![row]!]! += 1;
    }
  });
  return counts;
}

/** @param duck a connection of one thread */
export async function benchComposite(duck: Connection, say: (line: string) => void): Promise<number> {
  const sheets = Array.from({ length: CHARTS }, (_, number) => vest(number));
  const charts = sheets.map((sheet) => new Kernel(compileChart(sheet)));
  const wearers = new Map(
    CODES.map((code, at): [MeasurementCode, Float64Array] => [
      code,
      Float64Array.from({ length: WEARERS }, (_, row) => FORMULAS[at]!(row)),
    ]),
  );
  await duck.run(
    `create table bodies as select ${SQL.map((sql, at) => `(${sql})::bigint as m${at}`).join(', ')} from range(${WEARERS}) t(i)`,
  );
  await duck.run('create table scales (chart integer, part integer, size integer, f bigint, u bigint)');
  const rows = sheets.flatMap((sheet, chart) =>
    compileChart(sheet).parts.flatMap(({ whole }, part) =>
      (whole.deciding[0] as CompiledColumn).intervals.map(
        ({ from, until }, size) => `(${[chart, part, size, from, until].join()})`,
      ),
    ),
  );
  await duck.run(`insert into scales values ${rows.join()}`);
  // Rounding half upward in whole numbers; the size of a width is its own inches.
  const nearest = (value: string) => `((2 * (${value}) + ${INCH}) // ${2 * INCH}) * ${INCH}`;
  const query = `
    with derived as (
      select c.chart, (${nearest('m0')}) + (3 + c.chart) * ${INCH} as total,
        ((m1 - ${INCH}) // ${INCH}) * ${INCH} as fl, ${nearest('(m2 * 4 + 2) // 5')} as bl
      from bodies, (select unnest(range(${CHARTS})) as chart) c)
    select d.chart, a.size, b.size, c.size, e.size, count(*)
    from derived d
    asof join (from scales where part = 0) a on d.chart = a.chart and (d.total + 1) // 2 >= a.f
    asof join (from scales where part = 1) b
      on d.chart = b.chart and d.total - (14 + a.size) * ${INCH} >= b.f
    asof join (from scales where part = 2) c on d.chart = c.chart and d.fl >= c.f
    asof join (from scales where part = 3) e on d.chart = e.chart and d.bl >= e.f
    where (d.total + 1) // 2 < a.u and d.total - (14 + a.size) * ${INCH} < b.u and d.fl < c.u and d.bl < e.u
    group by all`;

  const [mine, theirs]: [number[], number[]] = [[], []];
  ours(charts, wearers);
  for (let round = 0; round < ROUNDS; round++) {
    let start = performance.now();
    const counts = ours(charts, wearers);
    mine.push(performance.now() - start);
    start = performance.now();
    const answer = (await duck.runAndReadAll(query)).getRows();
    theirs.push(performance.now() - start);
    const joined = new Int32Array(CHARTS * LABELS);
    for (const row of answer) {
      const [chart = 0, a = 0, b = 0, front = 0, rear = 0, count = 0] = row.map(Number);
      const label = ((a * WIDTHS.length + b) * LENGTHS.length + front) * LENGTHS.length + rear;
      joined[chart * LABELS + label] = count;
    }
    if (counts.some((count, at) => count !== joined[at])) throw new Error('the counts differ');
  }
  const [here, there] = [Math.min(...mine), Math.min(...theirs)];
  say(
    `bulk match, ${WEARERS} wearers x ${CHARTS} charts of ${PARTS.length} parts with arithmetic: ${here.toFixed(0)} ms here, ${there.toFixed(0)} ms DuckDB (1 thread), counts equal, ratio ${(there / here).toFixed(1)}`,
  );
  return there / here;
}
