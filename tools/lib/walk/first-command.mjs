import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { asks, runLine, started, until } from './as-somebody.mjs';
import { processesOf } from './leftovers.mjs';

/**
 * Gives the first command of the README in a clone that nothing was ever installed or built in, signs in by what it
 * prints, and stops it as one does at a prompt.
 *
 * @param page the README, see page.mjs
 */
export async function walkFirstCommand(page, clone) {
  const claim = (words, holds) => page.claim(words, holds);
  const application = await started(page.command('npm start'), { folder: clone, aloud: true });
  claim('keep all they store in `.data/` inside this folder', existsSync(join(clone, '.data', 'mariadb')));

  const [, signIn, passphrase] = /Sign in as {2}(\S+) {2}with the passphrase {2}(\S+)/.exec(
    application.written(),
  );
  const { status, cookie } = await asks(application, 'POST', '/api/session', { signIn, passphrase });
  const { body } = await asks(application, 'GET', '/api/wearers?search=', undefined, cookie);
  claim(
    'The first command starts everything with demo data and prints the address and how to sign in',
    status === 200 && body.items.length > 10,
  );
  const front = await asks(application, 'GET', '/');
  const script = /<script src="([^"]+)"/.exec(front.body)?.[1];
  if ((await asks(application, 'GET', `/${script}`)).status !== 200)
    throw new Error('The first page comes without its script.');
  const desk = /The maker’s desk, [^:]*: {2}(\S+)/.exec(application.written())?.[1];
  claim(
    '`npm start` prints where its desk answers',
    (await asks({ address: desk }, 'GET', '/')).status === 200,
  );

  const second = await runLine(page.command('npm start'), { folder: clone }).ended;
  if (second.code !== 0 || !second.written.includes(application.address))
    throw new Error(`A second start does not say where the first one is:\n${second.written}`);

  // As Ctrl+C does: to all of the terminal's group at once.
  process.kill(-application.child.pid, 'SIGINT');
  await application.ended;
  await until(`the end of ${processesOf(clone).join('; ')}`, () => processesOf(clone).length === 0, 20_000);
}
