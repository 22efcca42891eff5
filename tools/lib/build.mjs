import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip as gzipBytes } from 'node:zlib';
import { aloneIn } from './door.mjs';
import { BUILD, ROOT } from './paths.mjs';
import { giveUp, node, say } from './run.mjs';

const brotli = promisify(brotliCompress);
const gzip = promisify(gzipBytes);

/** What each product was last built from; in a folder of their own, as a product may be made in one of its name. */
const STAMPS = join(BUILD, 'stamps');

const SKIPPED = new Set(['node_modules', 'dist', '.angular']);

/** What is built, from which folders and files, and how. */
const PRODUCTS = {
  server: {
    sources: ['core', 'contract', 'server', 'package-lock.json', 'tsconfig.base.json'],
    made: 'server/dist/main.js',
    build: () =>
      bundle(
        [
          'server/main.ts',
          'server/dockets/exceptions/exceptions-worker.ts',
          'server/dockets/runs-worker.ts',
          'server/wearers/bodies-worker.ts',
          'server/musters/before/order-ahead-worker.ts',
          'server/musters/sizing/placing-worker.ts',
          'server/musters/sizing/sizing-worker.ts',
          'server/sheets-worker.ts',
          'server/backup/nightly-worker.ts',
          'server/commands/add-fitter.ts',
          'server/commands/backup.ts',
          'server/commands/restore.ts',
          'server/commands/check-log.ts',
          'server/commands/unlock.ts',
        ],
        'server',
        'server/dist',
      ),
  },
  /** The process that plays the makers of the demo. */
  'maker-desk': {
    sources: ['core', 'demo/maker-desk', 'package-lock.json', 'tsconfig.base.json'],
    made: '.build/maker-desk/main.js',
    build: () => bundle(['demo/maker-desk/main.ts'], 'demo/maker-desk', '.build/maker-desk'),
  },
  web: {
    sources: ['core', 'contract', 'web', 'package-lock.json', 'tsconfig.base.json'],
    made: 'web/dist/browser/index.html',
    build: async () => {
      const code = await node(['../node_modules/@angular/cli/bin/ng.js', 'build', '--progress=false'], {
        cwd: join(ROOT, 'web'),
        env: { NG_CLI_ANALYTICS: 'false' },
      });
      if (code === 0) await packEach(join(ROOT, 'web', 'dist', 'browser'));
      return code;
    },
  },
  /** The command that sizes lists, bundled so that it starts and runs as the application does. */
  cli: {
    sources: ['core', 'cli', 'package-lock.json', 'tsconfig.base.json'],
    made: '.build/cli/size.js',
    build: () => bundle(['cli/size.ts'], 'cli', '.build/cli'),
  },
  /** What `npm run fuzz` does to the application. */
  trials: {
    sources: ['core', 'contract', 'trials', 'package-lock.json', 'tsconfig.base.json'],
    made: '.build/trials-script/trials/fuzz.js',
    build: () => bundle(['trials/fuzz.ts'], '.', '.build/trials-script'),
  },
  /** What `npm run bench` measures is bundled as the application is. */
  bench: {
    sources: ['core', 'cli', 'bench', 'package-lock.json', 'tsconfig.base.json'],
    made: '.build/bench-script/bench/bench.js',
    build: () =>
      bundle(
        ['bench/bench.ts', 'bench/copy-list.ts', 'bench/roll-run.ts', 'bench/roll-sizer.ts', 'cli/size.ts'],
        '.',
        '.build/bench-script',
      ),
  },
};

/** Packs scripts and styles once, as tightly as it goes, so that the server need not on every load. */
async function packEach(folder) {
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) =>
    /\.(js|css|svg)$/.test(name),
  );
  await Promise.all(
    files.map(async (name) => {
      const bytes = readFileSync(join(folder, name));
      const [br, gz] = await Promise.all([
        brotli(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }),
        gzip(bytes, { level: 9 }),
      ]);
      writeFileSync(join(folder, `${name}.br`), br);
      writeFileSync(join(folder, `${name}.gz`), gz);
    }),
  );
}

/**
 * Takes over what was built in a clone of this checkout, product by product, where it was built from the very same
 * sources: so that whoever tries a clean clone need not build everything once more for themselves.
 */
export function takeOverFrom(clone) {
  for (const [name, { sources, made }] of Object.entries(PRODUCTS)) {
    const print = fingerprint(sources);
    const stamp = join(clone, relative(ROOT, STAMPS), name);
    if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== print || isBuilt(name, print)) continue;
    // What is made lies in a folder of its own, two below the root.
    const folder = made.split('/').slice(0, 2).join('/');
    rmSync(join(ROOT, folder), { recursive: true, force: true });
    cpSync(join(clone, folder), join(ROOT, folder), { recursive: true });
    mkdirSync(STAMPS, { recursive: true });
    writeFileSync(join(STAMPS, name), print);
  }
}

function isBuilt(name, print) {
  const stamp = join(STAMPS, name);
  return (
    existsSync(join(ROOT, PRODUCTS[name].made)) && existsSync(stamp) && readFileSync(stamp, 'utf8') === print
  );
}

/** Builds the server, the web application and the maker's desk, or what is named, each only if its sources have changed since the last time. */
export async function buildChanged(...names) {
  await aloneIn(BUILD, 'building', () => buildEach(names));
}

async function buildEach(names) {
  for (const name of names.length > 0 ? names : ['server', 'maker-desk', 'web']) {
    const { sources, build } = PRODUCTS[name];
    const print = fingerprint(sources);
    if (isBuilt(name, print)) continue;
    say(`Building the ${name} ...`);
    if ((await build()) !== 0) giveUp(`The ${name} could not be built. See the lines above.`);
    mkdirSync(STAMPS, { recursive: true });
    writeFileSync(join(STAMPS, name), print);
  }
}

/**
 * Bundles the specs of some folders for Node, what they share in chunks of its own.
 *
 * @returns the files to run
 */
export async function bundleSpecs(name, folders) {
  const specs = folders.flatMap((folder) => specsOf(folder));
  const outdir = `.build/specs/${name}`;
  rmSync(join(ROOT, outdir), { recursive: true, force: true });
  if ((await bundle(specs, '.', outdir, { splitting: true, outExtension: { '.js': '.mjs' } })) !== 0)
    giveUp(`The specs of ${name} could not be built. See the lines above.`);
  return specs.map((spec) => `${outdir}/${spec.replace(/\.ts$/, '.mjs')}`);
}

function specsOf(folder) {
  return readdirSync(join(ROOT, folder), { withFileTypes: true, recursive: true })
    .map((entry) => relative(ROOT, join(entry.parentPath, entry.name)))
    .filter((path) => path.endsWith('.spec.ts') && !/(?:^|\/)(?:node_modules|dist)\//.test(path))
    .sort();
}

/** What the parts of this project are imported by, as their own packages say it. */
const DOORS = Object.fromEntries(
  ['core', 'contract', 'demo'].flatMap((part) => {
    const { name, exports } = JSON.parse(readFileSync(join(ROOT, part, 'package.json'), 'utf8'));
    return Object.entries(exports).map(([door, path]) => [join(name, door), `./${join(part, path)}`]);
  }),
);

/** By esbuild's own interface: its command is a script or a binary, as its install pleased. */
async function bundle(entryPoints, outbase, outdir, more = {}) {
  const { build } = await import('esbuild');
  const { errors } = await build({
    absWorkingDir: ROOT,
    entryPoints,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: DOORS,
    sourcemap: true,
    outdir,
    outbase,
    logLevel: 'warning',
    ...more,
  }).catch((error) => error);
  return errors.length;
}

function fingerprint(sources) {
  const hash = createHash('sha256');
  for (const source of sources)
    for (const file of filesOf(source))
      hash
        .update(file)
        .update('\0')
        .update(readFileSync(join(ROOT, file)))
        .update('\0');
  return hash.digest('hex');
}

function filesOf(path) {
  const entries = path.includes('.') ? null : readdirSync(join(ROOT, path), { withFileTypes: true });
  if (entries === null) return [path];
  return entries
    .filter(({ name }) => !SKIPPED.has(name) && !name.endsWith('.spec.ts'))
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => (entry.isDirectory() ? filesOf(`${path}/${entry.name}`) : [`${path}/${entry.name}`]));
}
