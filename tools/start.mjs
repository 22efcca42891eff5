// npm start: from a fresh clone to a running application, with the demo in it.
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildChanged } from './lib/build.mjs';
import { npmPackages } from './lib/install.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { giveUp, say } from './lib/run.mjs';
import { startServer } from './lib/serve.mjs';

const RUNNING = join(DATA, 'running.json');

leaveIfRunning();
await npmPackages();
await buildChanged();
mkdirSync(DATA, { recursive: true });

const external = process.env.DATABASE_URL;
const mariadb = external === undefined ? await startMariadb(join(DATA, 'mariadb')) : null;
const demo = process.env.NEAT_MEASURE_DEMO !== 'no';

const server = await startServer({
  DATABASE_URL: external ?? mariadb.url('neat_measure'),
  WEB_ROOT: join(ROOT, 'web', 'dist', 'browser'),
  LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  // A port that was asked for is kept to; the usual one may give way to whoever has it.
  PORT_MAY_MOVE: process.env.PORT === undefined ? 'true' : 'false',
  ...(demo ? { DEMO_FOLDER: join(ROOT, 'demo') } : {}),
}).catch(async (error) => {
  await mariadb?.stop();
  giveUp(`Neat Measure could not start: ${error.message}.`);
});

const address = `http://127.0.0.1:${server.port}`;
writeFileSync(RUNNING, JSON.stringify({ pid: process.pid, address }));
say(`\nNeat Measure is ready: ${address}`);
if (demo) {
  say('Sign in as  odalys  with the passphrase  tide-table  (demo data; see README for real use).');
  say('A second fitter, to see two at one docket:  tiernan , slack-water .');
}
say('Ctrl+C stops it.');

let stopping = false;
async function stop(code) {
  if (stopping) return;
  stopping = true;
  await server.stop();
  await mariadb?.stop();
  rmSync(RUNNING, { force: true });
  process.exit(code);
}
process.on('SIGINT', () => void stop(0));
process.on('SIGTERM', () => void stop(0));
void server.ended.then((code) => stop(code));

/** One start a folder: a second one would want the same data. */
function leaveIfRunning() {
  if (!existsSync(RUNNING)) return;
  const { pid, address: known } = JSON.parse(readFileSync(RUNNING, 'utf8'));
  let alive = false;
  try {
    alive = readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs');
  } catch {
    // No such process: the earlier start was killed and could not tidy up.
  }
  if (!alive) return;
  say(`Neat Measure is already running from this folder: ${known}`);
  process.exit(0);
}
