import { mkdirSync, readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { whoStandsIn } from '../door.mjs';
import { asks, runLine, started, until } from './as-somebody.mjs';

const PASSPHRASE = 'salt-lantern-ferry';
const WEARER = '019ca6bc-d880-7771-906b-00000000000a';

/**
 * Does what docs/operating.md says, step by step, on a data folder of its own.
 *
 * @param page that page, see page.mjs
 * @param clone the checkout it is done in
 */
export async function walkOperating(page, clone) {
  const folder = join(clone, '.data', 'walk');
  mkdirSync(folder, { recursive: true });
  const database = join(folder, 'mariadb');
  const there = { folder, env: { NEAT_MEASURE_DATA: folder } };
  const claim = (words, holds) => page.claim(words, holds);
  const command = (words) => page.command(words);

  async function starts(line) {
    const running = await started(line, there);
    return { ...running, pid: (await whoStandsIn(database)).pid };
  }
  async function stopped({ pid, ended }, signal = 'SIGTERM') {
    process.kill(pid, signal);
    await ended;
    await until('the end', async () => (await whoStandsIn(database)) === null);
  }

  const start = command('NEAT_MEASURE_DEMO=no npm start');
  let application = await starts(start);

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
    'it invites the others under **House, Users**, each by a one-time code that is told to them.',
    (await asks(application, 'POST', '/api/session/code', taken)).body.who?.role === 'fitter',
  );
  const weak = await runLine(command('npm run fitter --'), { ...there, input: 'x' }).ended;
  claim('A short or guessable passphrase is refused, as on the page.', weak.code === 1);
  const fitter = await runLine(command('npm run fitter --'), { ...there, input: 'gravel-spoon-heron' }).ended;
  claim(
    'adds a fitter from the command line, with the passphrase on standard input.',
    fitter.code === 0 &&
      (await signsIn(application, 'maelis', 'gravel-spoon-heron')).body.who?.role === 'fitter',
  );
  const nobody = await runLine('npm run unlock -- nobody', there).ended;
  const unlocked = await runLine(command('npm run unlock'), there).ended;
  claim(
    'prints a one-time code for a user who can sign in no more',
    nobody.code === 1 && unlocked.code === 0 && /[a-z0-9]{4}-[a-z0-9]{4}-[a-z0-9]{4}/.test(unlocked.written),
  );
  const again = await runLine('npm start', there).ended;
  claim(
    '`npm start` a second time says where the application runs',
    again.code === 0 && again.written.includes(application.address),
  );

  const wearer = { name: 'Ibrahima Lund', role: 'Patrol warden', version: 0 };
  await asks(application, 'PUT', `/api/wearers/${WEARER}`, wearer, first.cookie);
  const backup = await runLine(command('npm run backup'), there).ended;
  claim('A backup holds every table as it stood at one moment', backup.code === 0);
  claim(
    'encrypted with the passphrase (age).',
    readFileSync(join(folder, 'house.backup')).subarray(0, 21).toString() === 'age-encryption.org/v1',
  );
  const log = await runLine(command('npm run check-log'), there).ended;
  claim('`npm run fitter`, `backup` and `check-log` work beside it', log.code === 0);
  const restore = command('npm run restore');
  const refused = await runLine(restore, there).ended;
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
  application = await starts(start);
  claim('A killed start leaves nothing to tidy', (await roll(application)).join() === 'Ibrahima Lund');

  await stopped(application);
  const alone = await runLine(command('npm run backup').replace('house.backup', 'alone.backup'), there).ended;
  claim('Stop, back up, take the new version, `npm start`', alone.code === 0);
  renameSync(database, join(folder, 'mariadb-before'));
  const restored = await runLine(restore, there).ended;
  application = await starts(start);
  claim(
    'stop the application, move `.data/mariadb` away, restore, and start.',
    restored.code === 0 &&
      (await roll(application)).join() === 'Ibrahima Lund' &&
      (await signsIn(application, 'maelis', 'gravel-spoon-heron')).status === 200,
  );
  const after = await runLine(command('npm run check-log'), there).ended;
  claim('compares the audit log, and what was noted of every act, with their seals', after.code === 0);
  await stopped(application);
}

const signsIn = (application, signIn, passphrase = PASSPHRASE) =>
  asks(application, 'POST', '/api/session', { signIn, passphrase });

/** Whoever is on the roll, by name. */
async function roll(application) {
  const { cookie } = await signsIn(application, 'odalys');
  const { body } = await asks(application, 'GET', '/api/wearers?search=', undefined, cookie);
  return body.items.map(({ name }) => name);
}
