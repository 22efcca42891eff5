import { importChartJson } from '@neat-measure/core/sheets';
import {
  compileChart,
  judge,
  type ChartSheet,
  type Length,
  type MeasurementCode,
  decidingCodes,
  measurement,
} from '@neat-measure/core';
import { planTable, readPlanned } from '@neat-measure/core/imported';
import { readImportedFile, readImportedText } from '@neat-measure/core/imported-files';
import { CASES } from '../core/testing/tables/cases';
import { HOSTILE } from '../core/testing/tables/hostile';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** The best of some runs, in milliseconds: what the work takes when nothing else is in the way. */
function best(runs: number, work: () => void): number {
  let least = Infinity;
  for (let run = 0; run < runs; run++) {
    const start = performance.now();
    work();
    least = Math.min(least, performance.now() - start);
  }
  return least;
}

/** Compiling, judging and importing charts. */
export async function benchCharts(root: string, say: (line: string) => void): Promise<void> {
  const folder = join(root, 'demo', 'charts');
  const sheets = readdirSync(folder).map((name): ChartSheet => {
    const read = importChartJson(readFileSync(join(folder, name)));
    if (!read.ok) throw new Error(name);
    return read.value;
  });
  const largest = sheets.reduce((one, other) =>
    JSON.stringify(other).length > JSON.stringify(one).length ? other : one,
  );
  say(
    `compile the largest demo chart (${largest.garment}): ${best(20, () => void compileChart(largest)).toFixed(2)} ms`,
  );

  const compiled = sheets.slice(0, 12).map((sheet) => ({
    chart: compileChart(sheet),
    body: new Map(
      decidingCodes(sheet).map((code): [MeasurementCode, { value: Length }] => {
        const { least, most } = measurement(code).limits;
        return [code, { value: Math.round((least + most) / 2) as Length }];
      }),
    ),
  }));
  say(
    `judge a docket of 12 garments: ${best(20, () => compiled.forEach(({ chart, body }) => judge(chart, body))).toFixed(2)} ms`,
  );

  const rows = Array.from(
    { length: 1_900 },
    (_, at) => `s${at},${600 + at / 2}-${600.5 + at / 2},${700 + at / 2}-${700.5 + at / 2}`,
  );
  const text = `Size,Chest (mm),Hip (mm)\n${rows.join('\n')}`;
  say(
    `import a sheet of 1,900 rows: ${best(5, () => {
      const read = readImportedText(text);
      if (read.ok) for (const { grid } of read.value.tables) readPlanned(planTable(grid));
    }).toFixed(0)} ms`,
  );
  await benchFiles(say);
}

/** As long as a hostile file may take, and as much memory; the least that is demanded. */
const [MOST_MS, MOST_MB] = [1_000, 200];

/** Reading the corpus, and the worst of the files that are meant to keep a machine busy. */
async function benchFiles(say: (line: string) => void): Promise<void> {
  const read = async (bytes: Uint8Array) => {
    const start = performance.now();
    const before = process.memoryUsage().rss;
    const found = await readImportedFile(bytes);
    if (found.ok)
      for (const { grid, name } of found.value.tables) readPlanned(planTable(grid, undefined, { name }));
    return { ms: performance.now() - start, mb: (process.memoryUsage().rss - before) / 1e6 };
  };
  const whole = performance.now();
  for (const { bytes } of CASES) await read(bytes);
  say(`read and plan the corpus, ${CASES.length} files: ${(performance.now() - whole).toFixed(0)} ms`);
  let [slowest, largest] = [
    { ms: 0, what: '' },
    { mb: 0, what: '' },
  ];
  for (const { what, bytes } of HOSTILE) {
    const { ms, mb } = await read(bytes());
    if (ms > slowest.ms) slowest = { ms, what };
    if (mb > largest.mb) largest = { mb, what };
  }
  say(
    `slowest of ${HOSTILE.length} hostile files (${slowest.what}): ${slowest.ms.toFixed(0)} ms (bar ${MOST_MS})`,
  );
  say(`most memory of them (${largest.what}): ${largest.mb.toFixed(0)} MB (bar ${MOST_MB})`);
}
