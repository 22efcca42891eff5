import type { ChartSheet } from '@neat-measure/core';
import { importChartJson } from '@neat-measure/core/sheets';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Where the charts of the demo lie, as files. */
export const DEMO_CHARTS = join(process.cwd(), 'demo', 'charts');
/** Their names, without what files end in. */
export const DEMO_NAMES: readonly string[] = readdirSync(DEMO_CHARTS).map((file) =>
  file.replace('.json', ''),
);

/**
 * A chart of the demo, for specs that size against it.
 *
 * @throws Error where the file is none that charts are read from
 */
export function demoSheet(name: string): ChartSheet {
  const read = importChartJson(readFileSync(join(DEMO_CHARTS, `${name}.json`)));
  if (!read.ok) throw new Error(`${name}: ${JSON.stringify(read.problem)}`);
  return read.value;
}
