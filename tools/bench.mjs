// npm run bench [charts bulk size own-chart roll odds same last-key first-load muster lists table hall load]: measures what is called fast. Compare within one run; machines differ.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildChanged } from './lib/build.mjs';
import { beginHousehold } from './lib/running/household.mjs';
import { npmPackages } from './lib/install.mjs';
import { measureLoad } from './lib/bench/load/measure-load.mjs';
import { measureFirstLoad } from './lib/bench/first-load.mjs';
import { measureHall } from './lib/bench/hall.mjs';
import { measureLists } from './lib/bench/lists.mjs';
import { measureMuster } from './lib/bench/muster.mjs';
import { measureLastKey } from './lib/bench/last-key.mjs';
import { measureTable } from './lib/bench/table.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { node, run, say } from './lib/run.mjs';

const only = process.argv.slice(2);
const asked = (name) => only.length === 0 || only.includes(name);
beginHousehold();
await npmPackages();

// DuckDB is only needed here, so it is installed here and not with the project.
const duck = join(DATA, 'bench');
if (asked('bulk')) {
  mkdirSync(duck, { recursive: true });
  writeFileSync(join(duck, 'package.json'), '{"private":true}\n');
  say('Installing DuckDB for this comparison ...');
  await run('npm', ['install', '--silent', '--prefix', duck, '@duckdb/node-api@1.5.6-r.1'], { cwd: duck });
}
const parts = only.filter(
  (name) => !['last-key', 'first-load', 'muster', 'lists', 'table', 'hall', 'load'].includes(name),
);
if (only.length === 0 || parts.length > 0) {
  await buildChanged('bench');
  await node(['.build/bench-script/bench/bench.js', ROOT, duck, ...parts]);
}
if (asked('last-key')) await measureLastKey();
if (asked('first-load')) await measureFirstLoad();
if (asked('muster')) await measureMuster();
if (asked('lists')) await measureLists();
if (asked('table')) await measureTable();
if (asked('hall')) await measureHall();
if (asked('load')) await measureLoad();
