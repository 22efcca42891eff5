import {
  compileChart,
  gridOfText,
  importChartJson,
  judge,
  planTable,
  readPlanned,
  type ChartSheet,
  type Length,
  type MeasurementCode,
} from '@neat-measure/core';
import { decidingCodes, measurement } from '@neat-measure/core';
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
export function benchCharts(root: string, say: (line: string) => void): void {
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
    { length: 2_000 },
    (_, at) => `s${at},${600 + at / 2}-${600.5 + at / 2},${700 + at / 2}-${700.5 + at / 2}`,
  );
  const text = `Size,Chest (mm),Hip (mm)\n${rows.join('\n')}`;
  say(
    `import a sheet of 2,000 rows: ${best(5, () => {
      const grid = gridOfText(text);
      if (grid.ok) readPlanned(grid.value, planTable(grid.value));
    }).toFixed(0)} ms`,
  );
}
