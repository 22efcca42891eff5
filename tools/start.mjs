// npm start: from a fresh clone to a running application, with the demo in it.
import { join } from 'node:path';
import { buildChanged } from './lib/build.mjs';
import { DATABASE_FOLDER, ownDatabase, waysInto } from './lib/database/database.mjs';
import { whoStandsIn } from './lib/door.mjs';
import { npmPackages } from './lib/install.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { giveUp, say } from './lib/run.mjs';
import { keepServer, startMakerDesk } from './lib/serving/serve.mjs';

const external = process.env.DATABASE_URL;
if (external === undefined) leaveIfRunning(await whoStandsIn(DATABASE_FOLDER));
await npmPackages();
await buildChanged();

const database =
  external === undefined
    ? await ownDatabase('npm start', leaveIfRunning)
    : { tell: () => undefined, stop: () => Promise.resolve() };
const ways =
  external === undefined
    ? waysInto(database)
    : { url: external, owner: process.env.DATABASE_OWNER_URL ?? external };
const demo = process.env.NEAT_MEASURE_DEMO !== 'no';

// Whoever orders in the demo orders of this one; a house of its own names another in MAKER_DESK.
const desk =
  demo && process.env.MAKER_DESK === undefined
    ? await startMakerDesk({
        DESK_FILE: join(DATA, 'maker-desk.json'),
        DESK_DAY_SECONDS: process.env.DESK_DAY_SECONDS ?? '60',
      }).catch(async (error) => {
        await database.stop();
        return giveUp(`The maker’s desk could not start: ${error.message}.`);
      })
    : null;
const server = await keepServer({
  ...(desk === null ? {} : { MAKER_DESK: `http://127.0.0.1:${desk.port}` }),
  DATABASE_URL: ways.url,
  DATABASE_OWNER_URL: ways.owner,
  WEB_ROOT: join(ROOT, 'web', 'dist', 'browser'),
  OUTBOX: join(DATA, 'outbox'),
  ...(process.env.HOUSE_KEY === undefined ? { KEY_FILE: join(DATA, 'house-key') } : {}),
  LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  // A port that was asked for is kept to; the usual one may give way to whoever has it.
  PORT_MAY_MOVE: process.env.PORT === undefined ? 'true' : 'false',
  ...(demo ? { DEMO_FOLDER: join(ROOT, 'demo') } : {}),
}).catch(async (error) => {
  await desk?.stop();
  await database.stop();
  giveUp(`Neat Measure could not start: ${error.message}.`);
});

const address = `${server.secure ? 'https' : 'http'}://127.0.0.1:${server.port}`;
database.tell({ address });
say(`\nNeat Measure is ready: ${address}`);
if (server.elsewhere.length > 0)
  say(
    `From other machines: ${server.elsewhere.map((host) => `${server.secure ? 'https' : 'http'}://${host}:${server.port}`).join('  ')}`,
  );
if (server.fingerprint !== null)
  say(
    `It made its own certificate, so browsers ask once. Compare the fingerprint before you accept:\n  ${server.fingerprint}`,
  );
if (demo) {
  say('Sign in as  odalys  with the passphrase  low-tide-table  (demo data; see README for real use).');
  say('A second fitter, to see two at one docket:  tiernan , slack-water-bell .');
}
if (desk !== null) say(`The maker’s desk, which plays whoever is ordered of:  http://127.0.0.1:${desk.port}`);
say('Ctrl+C stops it.');

let stopping = false;
async function stop(code) {
  if (stopping) return;
  stopping = true;
  await server.stop();
  await desk?.stop();
  await database.stop();
  process.exit(code);
}
process.on('SIGINT', () => void stop(0));
process.on('SIGTERM', () => void stop(0));
void server.ended.then((code) => stop(code));

/** One start a folder: a second one would want the same data. */
function leaveIfRunning(who) {
  if (who?.doing !== 'npm start') return;
  say(
    who.address === undefined
      ? `Neat Measure is just being started from this folder (process ${who.pid}).`
      : `Neat Measure is already running from this folder: ${who.address}`,
  );
  process.exit(0);
}
