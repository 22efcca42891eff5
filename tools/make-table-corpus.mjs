// Writes the corpus of brought tables: each file, and beside it what a person would understand of it.
// Run with: node --import tsx tools/make-table-corpus.mjs
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CASES } from '../core/testing/tables/cases/index.ts';
import { ROOT } from './lib/paths.mjs';

const folder = join(ROOT, 'core', 'testing', 'tables', 'corpus');
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder);
for (const { bytes, file, ...understood } of CASES) {
  writeFileSync(join(folder, file), bytes);
  writeFileSync(join(folder, `${file}.json`), `${JSON.stringify({ file, ...understood }, null, 1)}\n`);
}
