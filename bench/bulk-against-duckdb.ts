import {
  asAnswer,
  compileChart,
  Kernel,
  tallyRoll,
  VERDICTS,
  type ChartSheet,
  type MeasurementCode,
} from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import type { Connection } from './duckdb';

/**
 * Bulk matching against DuckDB's range join: the same wearers and chart rows, one thread each,
 * the counts of every chart and size compared, both timed in turn in the same run.
 */
const WEARERS = 1_000_000;
const CHARTS = 20;
const SIZES = 12;
const ROUNDS = 5;
const CODES = ['chest-girth', 'waist-girth', 'hip-girth'] as const;

/** Wearers by a formula that both sides can follow exactly, in micrometres. */
const FORMULAS = [
  (i: number) => 750_000 + ((i * 7_919) % 500_000),
  (i: number) => 600_000 + ((i * 7_919) % 500_000) + ((i * 104_729) % 120_000),
  (i: number) => 780_000 + ((i * 7_919) % 400_000) + ((i * 15_485_863) % 110_000),
];
const SQL = [
  '750000 + ((i * 7919) % 500000)',
  '600000 + ((i * 7919) % 500000) + ((i * 104729) % 120000)',
  '780000 + ((i * 7919) % 400000) + ((i * 15485863) % 110000)',
];

function chart(number: number): ChartSheet {
  const columns = CODES.map((code, column) => ({
    code,
    unit: 'mm',
    // Neighbours share a bound or leave a gap, and none overlap, so that a join gives one row at most.
    cells: Array.from({ length: SIZES }, (_, size) => {
      const from = [760, 620, 800][column]! + number * 3 + size * 38;
      return `>=${from} <${from + ((size + number) % 3 === 0 ? 34 : 38)}`;
    }),
  }));
  return chartSheetSchema.parse({
    maker: 'Ostrel Workwear',
    garment: `Bench ${number}`,
    unit: 'mm',
    rule: 'widest-decides',
    parts: [
      { code: 'size', name: 'Size', sizes: Array.from({ length: SIZES }, (_, size) => `s${size}`), columns },
    ],
  });
}

function ours(charts: readonly Kernel[], wearers: ReadonlyMap<MeasurementCode, Float64Array>): Float64Array {
  const tallies = tallyRoll(charts, wearers);
  const settled = VERDICTS.indexOf('settled');
  return Float64Array.from(
    { length: CHARTS * SIZES },
    (_, at) => tallies.get(charts[Math.floor(at / SIZES)]!)![asAnswer(settled, at % SIZES)]!,
  );
}

/** @param duck a connection of one thread */
export async function benchBulk(duck: Connection, say: (line: string) => void): Promise<number> {
  const sheets = Array.from({ length: CHARTS }, (_, number) => chart(number));
  const charts = sheets.map((sheet) => new Kernel(compileChart(sheet)));
  const wearers = new Map(
    CODES.map((code, at): [MeasurementCode, Float64Array] => [
      code,
      Float64Array.from({ length: WEARERS }, (_, row) => FORMULAS[at]!(row)),
    ]),
  );

  await duck.run(
    `create table wearers as select ${SQL.map((sql, at) => `(${sql})::integer as m${at}`).join(', ')} from range(${WEARERS}) t(i)`,
  );
  await duck.run(
    'create table sizes (chart integer, size integer, f0 integer, u0 integer, f1 integer, u1 integer, f2 integer, u2 integer)',
  );
  const rows = sheets.flatMap((sheet, number) => {
    const { deciding } = compileChart(sheet).parts[0]!.whole;
    return Array.from(
      { length: SIZES },
      (_, size) =>
        `(${[number, size, ...deciding.flatMap(({ intervals }) => [intervals[size]!.from, intervals[size]!.until])].join()})`,
    );
  });
  await duck.run(`insert into sizes values ${rows.join()}`);
  const join3 = `select chart, size, count(*) from wearers join sizes on ${[0, 1, 2].map((at) => `m${at} >= f${at} and m${at} < u${at}`).join(' and ')} group by chart, size`;

  const [mine, theirs]: [number[], number[]] = [[], []];
  ours(charts, wearers);
  for (let round = 0; round < ROUNDS; round++) {
    let start = performance.now();
    const counts = ours(charts, wearers);
    mine.push(performance.now() - start);
    start = performance.now();
    const answer = (await duck.runAndReadAll(join3)).getRows();
    theirs.push(performance.now() - start);
    const joined = new Float64Array(CHARTS * SIZES);
    for (const [number, size, count] of answer as [number, number, bigint][])
      joined[number * SIZES + size] = Number(count);
    if (counts.some((count, at) => count !== joined[at])) throw new Error('the counts differ');
  }
  const [here, there] = [Math.min(...mine), Math.min(...theirs)];
  say(
    `bulk match, ${WEARERS} wearers x ${CHARTS} charts of 3: ${here.toFixed(0)} ms here, ${there.toFixed(0)} ms DuckDB (1 thread), counts equal, ratio ${(there / here).toFixed(1)}`,
  );
  return there / here;
}
