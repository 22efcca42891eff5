import { parentPort } from 'node:worker_threads';
import { readFileSync } from 'node:fs';
import { micrometres, compileChart, type MeasurementCode } from '@neat-measure/core';
import { madeLabels } from '@neat-measure/core/stock';
import { GarmentKeeper, GroupSizer, NO_SPARES, tallyOf, type GroupBody } from '@neat-measure/core/group';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import { AT_ONCE } from '../core/group/roll-sizes';

/** What is asked of a thread: one garment for everybody. */
export interface RollTask {
  readonly chart: string;
  readonly codes: readonly MeasurementCode[];
  /** One list of everybody's values a code, in micrometres; `NaN` for none. */
  readonly columns: readonly Float64Array[];
}

const NO_SUSPECTS: GroupBody['suspects'] = new Set();

parentPort!.on('message', ({ chart, codes, columns }: RollTask) => {
  const start = performance.now();
  const sheet = chartSheetSchema.parse(JSON.parse(readFileSync(chart, 'utf8')));
  const compiled = compileChart(sheet);
  const sizer = new GroupSizer(compiled, {});
  const own = codes
    .map((code, at) => [code, columns[at]!] as const)
    .filter(([code]) => compiled.arithmetic.readings.has(code));
  const many = columns[0]!.length;
  const { garment: name, maker } = sheet;
  const head = { chartId: chart, seriesId: chart, version: 1, garment: name, maker, protects: false };
  const keeper = new GarmentKeeper(head, madeLabels(sheet).labels);
  for (let from = 0; from < many; from += AT_ONCE) {
    const bodies = Array.from({ length: Math.min(AT_ONCE, many - from) }, (_, row): GroupBody => {
      const body = new Map<MeasurementCode, { value: ReturnType<typeof micrometres> }>();
      for (const [code, values] of own) {
        const value = values[from + row]!;
        if (!Number.isNaN(value)) body.set(code, { value: micrometres(value) });
      }
      return { body, suspects: NO_SUSPECTS };
    });
    for (const size of sizer.size(bodies)) keeper.add({ size, stands: 'open', decided: null });
  }
  const garment = keeper.kept();
  const { lines, without } = tallyOf([garment], NO_SPARES);
  parentPort!.postMessage({
    garment,
    wanted: lines.reduce((sum, { wanted }) => sum + wanted, 0),
    without,
    ms: performance.now() - start,
  });
});
