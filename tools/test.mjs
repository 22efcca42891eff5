// npm test: everything, from a fresh clone. `npm test core server` runs only the parts named.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bundleSpecs } from './lib/build.mjs';
import { demoServer } from './lib/demo-server.mjs';
import { debianProgram, npmPackages } from './lib/install.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { BUILD, DATA, ROOT } from './lib/paths.mjs';
import { node, runAside, say } from './lib/run.mjs';

await npmPackages();
mkdirSync(BUILD, { recursive: true });
const folder = join(DATA, `test-${process.pid}`);
let mariadb = null;

/** Each runs by what it is given: `node` at once, or the same put aside for what runs beside something else. */
const PARTS = {
  core: jasmine('core', 'core'),
  files: jasmine('files', 'contract', 'cli'),
  /** A handful of kills; `npm run torture` does hundreds. */
  torture: (env, run) => run(['tools/torture.mjs', '6', '3'], { env }),
  /** What docs/operating.md says, done. */
  operating: (env, run) => run(['tools/walk.mjs'], { env }),
  /** The scripts themselves, which are never bundled. */
  tools: (env, run) => runJasmine(['tools/lib/keeping.spec.mjs'], env, run),
  server: async (env, run) =>
    jasmine('server', 'server')({ ...env, TEST_DATABASE_URL: (await database()).url('neat_measure') }, run),
  web: async (env, run) =>
    run(['../node_modules/@angular/cli/bin/ng.js', 'test', '--progress=false'], {
      cwd: join(ROOT, 'web'),
      env: { ...env, CHROMIUM_BIN: await debianProgram('chromium'), NG_CLI_ANALYTICS: 'false' },
    }),
  e2e,
};

/** Specs in Node, bundled first as the application is: run file by file they take several times as long. */
function jasmine(name, ...folders) {
  return async (env, run) => runJasmine(await bundleSpecs(name, folders), env, run);
}

function runJasmine(specs, env, run) {
  return run(
    [
      '--enable-source-maps',
      'node_modules/jasmine/bin/jasmine.js',
      '--reporter=./tools/lib/jasmine-tally.mjs',
      '--color',
      ...specs,
    ],
    { env },
  );
}

async function database() {
  mariadb ??= await startMariadb(folder);
  return mariadb;
}

/** The real interface against the built application on a database of its own. */
async function e2e(env, run) {
  const chromium = await debianProgram('chromium');
  const server = await demoServer('e2e');
  const code = await run(['node_modules/@playwright/test/cli.js', 'test', '-c', 'e2e/playwright.config.ts'], {
    env: {
      ...env,
      CHROMIUM: chromium,
      E2E_URL: server.base,
      E2E_DATABASE_URL: server.ways.url,
      E2E_DESK: server.desk,
    },
  });
  await server.stop();
  return code;
}

const chosen = process.argv.slice(2);
const unknown = chosen.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  say(`There is no part ${unknown.join(', ')}. Parts: ${Object.keys(PARTS).join(', ')}.`);
  process.exit(1);
}

/** Run one after the other beside the rest, as neither lane keeps two cores busy. */
const BESIDE = ['web', 'server'];
/** The interface wants both cores and a quiet machine. */
const LAST = 'e2e';

const total = { passed: 0, failed: 0 };
try {
  const parts = chosen.length > 0 ? chosen : Object.keys(PARTS);
  // Debian's packages are installed by one at a time.
  if (parts.includes('web')) await debianProgram('chromium');
  if (parts.some((part) => ['server', 'torture', 'operating', 'e2e'].includes(part)))
    await debianProgram('mariadbd');
  const beside = BESIDE.filter((name) => parts.includes(name));
  const rest = parts.filter((name) => !BESIDE.includes(name) && name !== LAST);
  // Where there is only one lane, what it writes is seen as it is written.
  const alone = beside.length === 0 || rest.length === 0;
  await Promise.all([runParts(beside, alone ? node : aside), runParts(rest, node)]);
  if (parts.includes(LAST)) await runPart(LAST, node);
} finally {
  await mariadb?.stop();
  rmSync(folder, { recursive: true, force: true });
}
say(`\n${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);

async function runParts(names, run) {
  for (const name of names) await runPart(name, run);
}

/** As `node`, and tells what was written once it has ended. */
async function aside(args, options) {
  const { code, written } = await runAside(process.execPath, args, options);
  say('\n== written beside it ==');
  process.stdout.write(written);
  return code;
}

async function runPart(name, run) {
  const tallyFile = join(BUILD, `tally-${name}.json`);
  rmSync(tallyFile, { force: true });
  say(`\n== ${name} ==`);
  const part = PARTS[name];
  const env = { TALLY_FILE: tallyFile };
  const code = await part(env, run);
  const tally = readTally(tallyFile);
  // A run that ended badly but counted no failure (a spec that could not load) is one.
  if (code !== 0 && tally.failed === 0) tally.failed = 1;
  total.passed += tally.passed;
  total.failed += tally.failed;
}

function readTally(file) {
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const tally = JSON.parse(readFileSync(file, 'utf8'));
  return 'stats' in tally
    ? {
        passed: tally.stats.expected,
        failed: tally.stats.unexpected + tally.stats.flaky + tally.errors.length,
      }
    : tally;
}
