import { writeCsv } from '@neat-measure/core';
import { type TableRow } from '@neat-measure/core/sheets';
import { streamRows } from '../cli/people-stream';

/** How many rows are written at once. */
const ROWS_AT_ONCE = 1_024;

/** Reads a list and writes the same: what `npm run size` is held against. */
let waiting: TableRow[] = [];
const flush = async () => {
  const text = writeCsv(waiting.map(({ cells }) => cells));
  waiting = [];
  if (!process.stdout.write(text)) await new Promise((go) => process.stdout.once('drain', go));
};
for await (const row of streamRows(process.stdin)) {
  waiting.push(row);
  if (waiting.length === ROWS_AT_ONCE) await flush();
}
if (waiting.length > 0) await flush();
