import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
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

function hashOfLock(root) {
  return createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
}

/** Whether a checkout has the packages of a lock file. */
function hasPackages(root, lock) {
  const stamp = join(root, 'node_modules', INSTALLED);
  return existsSync(stamp) && readFileSync(stamp, 'utf8') === lock;
}

/**
 * The folders npm lays packages into. A workspace has one of its own for what it wants in another version than the
 * rest; the whole checkout's comes last, as the stamp that all is there lies in it.
 */
function packageFolders(root) {
  const { workspaces = [] } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
  return [...workspaces, '.'].map((workspace) => join(workspace, 'node_modules'));
}

/**
 * Takes over the npm packages that were installed in a clone of a checkout, where there are none there and the lock
 * file is the same: the same files, linked.
 */
export async function takePackagesFrom(clone, root = ROOT) {
  const folders = packageFolders(root);
  if (existsSync(join(root, folders.at(-1))) || !hasPackages(clone, hashOfLock(root))) return;
  for (const folder of folders) {
    if (!existsSync(join(clone, folder))) continue;
    if (!(await takeFolder(join(clone, folder), join(root, folder)))) return;
  }
}

/** Takes a folder over, whole or not at all: it has its name only when all is in it. */
async function takeFolder(from, to) {
  const part = `${to}.part`;
  const copies = async (how) => {
    rmSync(part, { recursive: true, force: true });
    return (await run('cp', [how, from, part], { stdio: 'ignore' })) === 0;
  };
  // Links where both lie on one disk, else copies.
  const taken = (await copies('-al')) || (await copies('-a'));
  rmSync(taken ? to : part, { recursive: true, force: true });
  if (taken) renameSync(part, to);
  return taken;
}

/** Installs the npm packages of the lock file, unless they are already there. */
export async function npmPackages() {
  const lock = hashOfLock(ROOT);
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
