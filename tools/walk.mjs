// npm run walk: does what docs/operating.md says, step by step, on a data folder of its own. Every command is taken
// from the page, and every claim that is tried must stand there, so that page and application cannot part.
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { whoStandsIn } from './lib/door.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { say } from './lib/run.mjs';

const page = readFileSync(join(ROOT, 'docs', 'operating.md'), 'utf8');
const plain = page.replace(/\s+/g, ' ');
const commands = [...page.matchAll(/^ {4}(\S.*)$/gm)].map((match) => match[1]);
const walked = new Set();

const folder = join(DATA, `walk-${process.pid}`);
mkdirSync(folder, { recursive: true });
const database = join(folder, 'mariadb');
const PASSPHRASE = 'salt-lantern-ferry';
let tried = 0;

/** A claim of the page that is tried now. */
function claim(words, holds) {
  if (!plain.includes(words)) throw new Error(`docs/operating.md no longer says: “${words}”`);
  if (!holds) throw new Error(`It is not so: “${words}”`);
  tried += 1;
  say(`  so it is: ${words}`);
}

/** The one command of the page that has some words in it. */
function command(words) {
  const found = commands.filter((one) => one.includes(words));
  if (found.length !== 1) throw new Error(`docs/operating.md has ${found.length} commands with “${words}”`);
  walked.add(found[0]);
  return found[0];
}

/** Runs a line as a person gives it, from the walk's folder, which lies within the project. */
function runLine(line, input = '') {
  say(`$ ${line}`);
  const child = spawn('sh', ['-c', line], {
    cwd: folder,
    env: { ...process.env, NEAT_MEASURE_DATA: folder },
    stdio: ['pipe', 'pipe', 'pipe'],
  });
  child.stdin.end(input);
  let written = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (bytes) => (written += bytes));
  const ended = new Promise((resolve) => child.on('close', (code) => resolve({ code, written })));
  return { ended, written: () => written };
}

async function until(what, holds, within = 120_000) {
  for (const end = Date.now() + within; Date.now() < end; await wait(100)) {
    const found = await holds();
    if (found) return found;
  }
  throw new Error(`${what} did not come about`);
}

/** Starts the application by a line of the page; where it is, and who stands in its door. */
async function started(line) {
  const running = runLine(line);
  let over = null;
  void running.ended.then((end) => (over = end));
  const address = await until('a start', () => {
    if (over !== null) throw new Error(`it ended with ${over.code}:\n${over.written}`);
    return /Neat Measure is ready: (\S+)/.exec(running.written())?.[1];
  });
  const { pid } = await whoStandsIn(database);
  return { address, pid, ...running };
}

async function stopped({ pid, ended }, signal = 'SIGTERM') {
  process.kill(pid, signal);
  await ended;
  await until('the end', async () => (await whoStandsIn(database)) === null);
}

async function asks({ address }, method, path, body, cookie) {
  const answer = await fetch(address + path, {
    method,
    headers: {
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      ...(cookie === undefined ? {} : { cookie }),
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  const text = await answer.text();
  return {
    status: answer.status,
    retryAfter: answer.headers.get('retry-after'),
    cookie: answer.headers.getSetCookie()[0]?.split(';')[0],
    body: text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text,
  };
}

const signsIn = (application, signIn, passphrase = PASSPHRASE) =>
  asks(application, 'POST', '/api/session', { signIn, passphrase });
/** Whoever is on the roll, by name. */
async function roll(application) {
  const { cookie } = await signsIn(application, 'odalys');
  const { body } = await asks(application, 'GET', '/api/wearers?search=', undefined, cookie);
  return body.items.map(({ name }) => name);
}

const WEARER = '019ca6bc-d880-7771-906b-00000000000a';
try {
  const start = command('npm start');
  let application = await started(start);

  const account = { name: 'Odalys Wren', signIn: 'odalys', passphrase: PASSPHRASE };
  const first = await asks(application, 'POST', '/api/first-run', account);
  claim(
    'In an empty database the first page makes the first account, which runs the house',
    first.body.who?.role === 'administrator',
  );
  const invited = '019ca6bc-d880-7771-906b-00000000000b';
  const person = { name: 'Tiernan Oake', signIn: 'tiernan', role: 'fitter', active: true, version: 0 };
  await asks(application, 'PUT', `/api/people/${invited}`, person, first.cookie);
  const { body: told } = await asks(
    application,
    'POST',
    `/api/people/${invited}/code`,
    undefined,
    first.cookie,
  );
  const taken = { signIn: 'tiernan', code: told.code, passphrase: 'kelp-window-drum' };
  claim(
    'it invites the others under **House, People**, each by a one-time code that is told to them.',
    (await asks(application, 'POST', '/api/session/code', taken)).body.who?.role === 'fitter',
  );
  const fitter = await runLine(command('npm run fitter'), 'gravel-spoon-heron').ended;
  claim(
    'adds a fitter from the command line, with the passphrase on standard input.',
    fitter.code === 0 &&
      (await signsIn(application, 'maelis', 'gravel-spoon-heron')).body.who?.role === 'fitter',
  );
  const again = await runLine('npm start').ended;
  claim(
    '`npm start` a second time says where the application runs',
    again.code === 0 && again.written.includes(application.address),
  );

  const wearer = { name: 'Ibrahima Lund', role: 'Patrol warden', version: 0 };
  await asks(application, 'PUT', `/api/wearers/${WEARER}`, wearer, first.cookie);
  const backup = await runLine(command('npm run backup')).ended;
  claim('A backup holds every table as it stood at one moment', backup.code === 0);
  claim(
    'encrypted with the passphrase (age).',
    readFileSync(join(folder, 'house.backup')).subarray(0, 21).toString() === 'age-encryption.org/v1',
  );
  const log = await runLine(command('npm run check-log')).ended;
  claim('`npm run fitter`, `backup` and `check-log` work beside it', log.code === 0);
  const restore = command('npm run restore');
  const refused = await runLine(restore).ended;
  claim('`restore` wants an empty database', refused.code !== 0 && (await roll(application)).length === 1);

  const health = async () => (await asks(application, 'GET', '/api/health').catch(() => null))?.status;
  const answers = () => until('an answer', async () => (await health()) === 200, 20_000);
  const databasePid = () => Number(readFileSync(join(database, 'data', 'mariadb.pid'), 'utf8'));
  process.kill(databasePid(), 'SIGKILL');
  const away = await until('a database that is away', async () => {
    const answer = await asks(application, 'GET', '/api/session', undefined, first.cookie).catch(() => null);
    return answer?.status === 503 ? answer : (await health()) === 200 ? { missed: true } : null;
  });
  claim(
    'While the database is away the answer is 503 with `Retry-After`',
    // It may be back before anybody has asked.
    away.missed === true || away.retryAfter !== null,
  );
  await answers();
  const children = readFileSync(`/proc/${application.pid}/task/${application.pid}/children`, 'utf8').trim();
  const server = children
    .split(' ')
    .find((pid) => readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('server/dist/main.js'));
  process.kill(Number(server), 'SIGKILL');
  await wait(50);
  await answers();
  claim(
    'A MariaDB or a server that ends is started again within a second, on its port.',
    (await roll(application)).join() === 'Ibrahima Lund',
  );

  await stopped(application, 'SIGKILL');
  application = await started(start);
  claim('A killed start leaves nothing to tidy', (await roll(application)).join() === 'Ibrahima Lund');

  await stopped(application);
  const alone = await runLine(command('npm run backup').replace('house.backup', 'alone.backup')).ended;
  claim('Stop, back up, take the new version, `npm start`', alone.code === 0);
  renameSync(database, join(folder, 'mariadb-before'));
  const restored = await runLine(restore).ended;
  application = await started(start);
  claim(
    'stop the application, move `.data/mariadb` away, restore, and start.',
    restored.code === 0 &&
      (await roll(application)).join() === 'Ibrahima Lund' &&
      (await signsIn(application, 'maelis', 'gravel-spoon-heron')).status === 200,
  );
  const after = await runLine(command('npm run check-log')).ended;
  claim('holds the house log and what was noted of every act against their seals', after.code === 0);
  await stopped(application);

  const left = commands.filter((one) => !walked.has(one));
  if (left.length > 0) throw new Error(`Nobody has walked: ${left.join(' | ')}`);
  say(`docs/operating.md: ${walked.size} commands given, ${tried} claims tried, all so.`);
  tally(1, 0);
} catch (error) {
  say(`docs/operating.md: ${error.message}`);
  const who = await whoStandsIn(database);
  if (who !== null) process.kill(who.pid, 'SIGTERM');
  await until('the end', async () => (await whoStandsIn(database)) === null);
  tally(0, 1);
} finally {
  rmSync(folder, { recursive: true, force: true });
}

function tally(passed, failed) {
  if (process.env.TALLY_FILE) writeFileSync(process.env.TALLY_FILE, JSON.stringify({ passed, failed }));
  process.exitCode = failed;
}
