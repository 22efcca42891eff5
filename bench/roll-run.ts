import { readFileSync, writeFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import { gzipSync } from 'node:zlib';
import { readPeople, type MeasurementCode } from '@neat-measure/core';
import type { SizedGarment, Sizing } from '@neat-measure/core/group';
import type { RollTask } from './roll-sizer';

/** Sizes a whole list for many garments by two threads, as one process: `roll-run.js <list> <file to keep it in> <charts ...>`. */
const [list = '', kept = '', ...charts] = process.argv.slice(2);
const start = performance.now();
const since = () => Math.round(performance.now() - start);

const read = readPeople(readFileSync(list, 'utf8'));
if (!read.ok) throw new Error('the list cannot be read');
const people = read.value.flatMap((row) => (row.ok ? [row.value] : []));
const codes = [...new Set(people.slice(0, 100).flatMap(({ values }) => [...values.keys()]))];
const columns = codes.map((code: MeasurementCode) => {
  const column = new Float64Array(new SharedArrayBuffer(8 * people.length));
  people.forEach(({ values }, row) => (column[row] = values.get(code) ?? NaN));
  return column;
});
const ids = people.map(({ id }) => id);
people.length = 0;
const readAt = since();

const garments: SizedGarment[] = [];
const told: string[] = [];
let next = 0;
await Promise.all(
  [0, 1].map(async () => {
    const thread = new Worker(new URL('./roll-sizer.js', import.meta.url));
    while (next < charts.length) {
      const at = next++;
      const task: RollTask = { chart: charts[at]!, codes, columns };
      thread.postMessage(task);
      const answer = await new Promise<{
        garment: SizedGarment;
        wanted: number;
        without: number;
        ms: number;
      }>((resolve, reject) => {
        thread.once('message', resolve);
        thread.once('error', reject);
      });
      garments[at] = answer.garment;
      const { garment, odds } = answer.garment;
      told.push(
        `${garment}: ${Math.round(answer.ms)} ms, ${answer.wanted} placed, ${Object.keys(odds).length} in doubt`,
      );
    }
    await thread.terminate();
  }),
);
const sizedAt = since();
const sizing: Sizing = {
  ...{ habits: 1, wearerIds: ids, docketIds: ids.map(() => ''), garments },
  ...{ rests: ids.map(() => 0), acts: ids.map(() => 0) },
};
writeFileSync(kept, gzipSync(JSON.stringify(sizing), { level: 1 }).toString('base64'));
process.stdout.write(
  `${JSON.stringify({ wearers: ids.length, read: readAt, sized: sizedAt - readAt, kept: since() - sizedAt, all: since(), told })}\n`,
);
