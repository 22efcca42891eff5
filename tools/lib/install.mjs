import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { aloneIn } from './door.mjs';
import { BUILD, ROOT } from './paths.mjs';
import { answers, giveUp, run, say } from './run.mjs';

/**
 * Debian's packages by the program they bring. The two core packages hold the database server
 * and what makes its data folder, without a system service that would start by itself.
 */
const DEBIAN = {
  mariadbd: {
    packages: ['mariadb-server-core', 'mariadb-client-core'],
    found: () => (existsSync('/usr/bin/my_print_defaults') ? firstOf('/usr/sbin/mariadbd') : undefined),
  },
  // The browser without its window is started and answers in half the time of the whole one; that will do where only
  // it is there. What stands on the path is a script, and a signal
  // to it leaves the program running: so the program itself is started.
  chromium: {
    packages: ['chromium-headless-shell'],
    found: () => firstOf(process.env.CHROMIUM, '/usr/lib/chromium/chromium-headless-shell'),
    otherwise: () => firstOf('/usr/bin/chromium', '/usr/bin/chromium-browser'),
  },
};

function firstOf(...paths) {
  return paths.find((path) => path !== undefined && existsSync(path));
}

/**
 * The path of a Debian program, installed first where it is missing and this user may;
 * otherwise the exact command is printed and the tool stops.
 */
export async function debianProgram(name) {
  const { packages, found, otherwise } = DEBIAN[name];
  const wanted = packages.join(' ');
  const here = found();
  if (here !== undefined) return here;
  const root = process.getuid?.() === 0;
  const prefix = root ? [] : ['sudo', '-n'];
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  if (!answers('apt-get') || (!root && !answers('sudo', ['-n', 'true']))) {
    if (otherwise?.() !== undefined) return otherwise();
    giveUp(
      `${name} is missing and cannot be installed by this user. Install it, then run this again:\n  sudo apt-get update && sudo apt-get install -y ${wanted}`,
    );
  }
  say(`Installing ${wanted} from Debian ...`);
  const apt = async (...args) => {
    const [command, ...rest] = [...prefix, 'apt-get', '-qq', ...args];
    return run(command, rest, { env, stdio: ['ignore', 'ignore', 'inherit'] });
  };
  await apt('update');
  await apt('install', '-y', '--no-install-recommends', ...packages);
  const now = found() ?? otherwise?.();
  if (now === undefined) giveUp(`Installing ${wanted} failed. See the lines above, then run this again.`);
  return now;
}

/** Within `node_modules`: the lock file that was installed by, as a hash. */
const INSTALLED = '.neat-measure-lock';

function hashOfLock() {
  return createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
}

/** Whether a checkout has the packages of this one's lock file. */
function hasPackages(root, lock) {
  const stamp = join(root, 'node_modules', INSTALLED);
  return existsSync(stamp) && readFileSync(stamp, 'utf8') === lock;
}

/**
 * Takes over the npm packages that were installed in a clone of this checkout, where there are none here and the lock
 * file is the same: the same files, linked.
 */
export async function takePackagesFrom(clone) {
  const [from, to] = [clone, ROOT].map((root) => join(root, 'node_modules'));
  if (existsSync(to) || !hasPackages(clone, hashOfLock())) return;
  // Links where both lie on one disk, else copies.
  if ((await run('cp', ['-al', from, to], { stdio: 'ignore' })) === 0) return;
  rmSync(to, { recursive: true, force: true });
  if ((await run('cp', ['-a', from, to], { stdio: 'ignore' })) !== 0)
    rmSync(to, { recursive: true, force: true });
}

/** Installs the npm packages of the lock file, unless they are already there. */
export async function npmPackages() {
  const lock = hashOfLock();
  const there = () => hasPackages(ROOT, lock);
  if (there()) return;
  // Two at once would take the packages from under each other.
  await aloneIn(BUILD, 'installing npm packages', async () => {
    if (!there()) await install(lock);
  });
}

async function install(lock) {
  say('Installing npm packages ...');
  const npm = process.env.npm_execpath;
  const args = ['ci', '--no-audit', '--no-fund', '--loglevel=error'];
  const code = npm?.endsWith('.js') ? await run(process.execPath, [npm, ...args]) : await run('npm', args);
  if (code !== 0) giveUp('npm ci failed. See the lines above, then run this again.');
  mkdirSync(join(ROOT, 'node_modules'), { recursive: true });
  writeFileSync(join(ROOT, 'node_modules', INSTALLED), lock);
}
