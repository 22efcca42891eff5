// npm run mutate [folder ...] [-- --sample N --seed S --own]: changes code in small ways, one at a time, and sees whether
// the specs notice. A new sample of N mutants a folder each time, by a seed that is told; what survives is told too.
// Folders: those of core by their names, and server/stores, server/dockets, server/session.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { beginHousehold } from './lib/running/household.mjs';
import { npmPackages } from './lib/install.mjs';
import { BUILD, DATA } from './lib/paths.mjs';
import { giveUp, node, say } from './lib/run.mjs';

const CORE = [
  'quantity',
  'body',
  'capture',
  'chart',
  'match',
  'foresight',
  'fit',
  'garment',
  'docket',
  'stock',
  'group',
];
/** Each is tried by its own specs alone, as every one of them makes a database. */
const SERVER = ['server/stores', 'server/dockets', 'server/session'];

const { values, positionals } = parseArgs({
  options: { sample: { type: 'string', default: '25' }, seed: { type: 'string' }, own: { type: 'boolean' } },
  allowPositionals: true,
});
const names = positionals.length > 0 ? positionals : [...CORE, ...SERVER];
const unknown = names.filter((name) => ![...CORE, ...SERVER].includes(name));
if (unknown.length > 0)
  giveUp(`There is no ${unknown.join(', ')}. Folders: ${[...CORE, ...SERVER].join(', ')}.`);
const seed = Number(values.seed ?? Date.now() % 1_000_000);

const household = beginHousehold();
await npmPackages();
mkdirSync(BUILD, { recursive: true });
say(`seed ${seed}`);
await tryFolders(
  names.filter((name) => CORE.includes(name)).map((name) => ({ name, folder: `core/${name}` })),
  values.own ? null : ['core'],
);
await tryFolders(
  names.filter((name) => SERVER.includes(name)).map((name) => ({ name, folder: name })),
  null,
);

/** Draws mutants of some folders and has Stryker try them all; `specs` are the folders whose specs are run, or each its own. */
async function tryFolders(areas, specs) {
  if (areas.length === 0) return;
  const { mutantsOf, rangeOf, sample } = await import('./lib/mutate/mutants.mjs');
  const chosen = [];
  const counts = new Map();
  for (const { name, folder } of areas) {
    const { telling, same } = await mutantsOf(folder);
    const some = sample(telling, Number(values.sample), seed);
    say(`${name}: ${some.length} of ${telling.length} mutants; ${same} more lie on lines that mean the same`);
    counts.set(folder, { name, killed: 0, of: 0 });
    chosen.push(...some);
  }
  const files = await results(chosen.map(rangeOf), specs ?? areas.map(({ folder }) => folder));
  const wanted = new Set(chosen.map((one) => `${rangeOf(one)} ${one.mutatorName} ${one.replacement}`));
  for (const [fileName, { mutants }] of Object.entries(files)) {
    const counted = [...counts].find(([folder]) => fileName.startsWith(`${folder}/`))?.[1];
    for (const { location, mutatorName, replacement, status } of mutants) {
      // What Stryker tells begins its lines with one.
      const { start, end } = location;
      const range = `${fileName}:${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`;
      if (!wanted.has(`${range} ${mutatorName} ${replacement}`)) continue;
      if (status === 'Ignored' || status === 'CompileError') continue;
      counted.of += 1;
      if (status === 'Killed' || status === 'Timeout') counted.killed += 1;
      else say(`  ${status}: ${fileName}:${start.line} ${mutatorName}: ${String(replacement).slice(0, 90)}`);
    }
  }
  for (const { name, killed, of } of counts.values()) say(`${name}: ${killed} of ${of} killed`);
}

async function results(ranges, specs) {
  const config = join(BUILD, 'stryker.json');
  const report = join(BUILD, 'mutation.json');
  const server = specs.some((folder) => folder.startsWith('server'));
  writeFileSync(
    config,
    JSON.stringify({
      testRunner: 'jasmine',
      plugins: ['@stryker-mutator/jasmine-runner'],
      jasmineConfigFile: 'tools/lib/mutate/jasmine.json',
      // Bundled as for npm test, in the copy that Stryker has changed.
      buildCommand: `node tools/lib/mutate/bundle.mjs ${specs.join(' ')}`,
      coverageAnalysis: 'perTest',
      mutate: [...new Set(ranges)],
      mutator: { excludedMutations: ['StringLiteral'] },
      reporters: ['json', 'clear-text'],
      clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportScoreTable: false },
      jsonReporter: { fileName: report },
      ignorePatterns: ['web', ...(server ? [] : ['server']), 'e2e', '.data', '.build', 'docs', '**/dist'],
      tempDirName: '.build/stryker',
      symlinkNodeModules: true,
      concurrency: 2,
      // What is only run while a file loads would need every spec for each mutant.
      ignoreStatic: true,
      timeoutMS: 60_000,
      disableTypeChecks: false,
      checkers: [],
    }),
  );
  const mariadb = server ? await database() : null;
  const env = mariadb === null ? {} : (await import('./lib/database/mariadb.mjs')).forSpecs(mariadb);
  await node(['node_modules/@stryker-mutator/core/bin/stryker.js', 'run', config], { env });
  await mariadb?.stop();
  return JSON.parse(readFileSync(report, 'utf8')).files;
}

async function database() {
  const { startMariadb } = await import('./lib/database/mariadb.mjs');
  return startMariadb(household.ownFolder(join(DATA, `mutate-${process.pid}`)));
}
process.exit(0);
