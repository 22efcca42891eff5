// npm test: everything, from a fresh clone. `npm test core server` runs only the parts named.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { takeOverFrom } from './lib/build.mjs';
import { beginHousehold } from './lib/running/household.mjs';
import { debianProgram, npmPackages, takePackagesFrom } from './lib/install.mjs';
import { BUILD, DATA } from './lib/paths.mjs';
import { giveUp, say } from './lib/run.mjs';
import { PARTS } from './lib/testing/parts.mjs';
import { runPart } from './lib/testing/run-parts.mjs';
import { cleanClone } from './lib/walk/clean-clone.mjs';

/** Run one after the other beside the rest, as neither lane keeps two cores busy. */
const BESIDE = ['web', 'server'];
/** The interface wants both cores and a quiet machine. */
const LAST = 'e2e';

const chosen = process.argv.slice(2);
/** The clone is a part only of the walk. */
const NAMES = Object.keys(PARTS).filter((name) => name !== 'clone');
const unknown = chosen.filter((name) => !NAMES.includes(name));
if (unknown.length > 0) giveUp(`There is no part ${unknown.join(', ')}. Parts: ${NAMES.join(', ')}.`);
const names = chosen.length > 0 ? chosen : NAMES;

const household = beginHousehold();
household.ownFolder(join(DATA, `test-${process.pid}`));
mkdirSync(BUILD, { recursive: true });
// Debian's packages are installed by one at a time, and everything is built before anything else runs: no limit and
// nobody who waits counts the time it takes.
for (const program of new Set(names.flatMap((name) => PARTS[name].debian ?? [])))
  await debianProgram(program);
const told = [];
// A clean clone is built first, by the README's first command; what it has installed and built is taken over here.
const clone = names.includes('walk') ? cleanClone(household) : null;
if (clone !== null) {
  await runLane(['clone'], false);
  await takePackagesFrom(clone);
  takeOverFrom(clone);
}
await npmPackages();
const built = [];
for (const name of names) if (await builds(name)) built.push(name);

const beside = BESIDE.filter((name) => built.includes(name));
const rest = built.filter((name) => !BESIDE.includes(name) && name !== LAST);
// Where there is only one lane, what it writes is seen as it is written.
await Promise.all([runLane(beside, rest.length > 0), runLane(rest, false)]);
if (built.includes(LAST)) await runLane([LAST], false);
await household.end();

for (const { name, why } of told) if (why !== null) say(`\n${name}: ${why}`);
const sum = (key) => told.reduce((total, part) => total + part[key], 0);
say(`\n${sum('passed')} passed, ${sum('failed')} failed`);
process.exit(sum('failed') === 0 && sum('passed') > 0 ? 0 : 1);

async function runLane(lane, aside) {
  for (const name of lane) told.push(await runPart(household, name, PARTS[name], aside, clone));
}

/** Whether what a part needs could be built; where not, that is told of it, and the others go on. */
async function builds(name) {
  try {
    await PARTS[name].build?.();
    return true;
  } catch (error) {
    told.push({ name, passed: 0, failed: 1, why: error.message });
    return false;
  }
}
