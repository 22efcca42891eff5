import { join } from 'node:path';
import { buildChanged, bundleSpecs } from '../build.mjs';
import { demoHouses } from '../serving/demo-houses.mjs';
import { debianProgram } from '../install.mjs';
import { forSpecs, startMariadb } from '../database/mariadb.mjs';
import { DATA, ROOT } from '../paths.mjs';

/** The folders whose specs make a part that runs in Node. */
const SPECS = { core: ['core'], files: ['contract', 'cli'], server: ['server', 'demo'] };

/**
 * What `npm test` runs, by name: what it needs of Debian, what is built for it beforehand (and so never counts for its
 * limit), how many minutes it may take at most, and how it is run. A limit is for what hangs, not for what is slow:
 * each is several times what the part takes on two busy cores.
 *
 * `run` gets how to run a program of Node to its end (`node(args, { env, cwd })`, resolves to its exit code), and the
 * clean clone.
 */
export const PARTS = {
  core: { minutes: 10, build: () => bundled('core'), run: (node) => jasmine(node, bundles.core) },
  files: { minutes: 10, build: () => bundled('files'), run: (node) => jasmine(node, bundles.files) },
  /** The scripts themselves, which are never bundled. */
  tools: {
    debian: ['mariadbd'],
    minutes: 10,
    run: (node) => jasmine(node, ['tools/lib/**/*.spec.mjs']),
  },
  server: {
    debian: ['mariadbd'],
    minutes: 20,
    build: () => bundled('server'),
    run: async (node) => {
      const mariadb = await startMariadb(join(DATA, `test-${process.pid}`), { lasting: false });
      try {
        return await jasmine(node, bundles.server, forSpecs(mariadb));
      } finally {
        await mariadb.stop();
      }
    },
  },
  /** Karma builds the specs of the interface itself. */
  web: {
    debian: ['chromium'],
    minutes: 20,
    run: async (node) =>
      node(['../node_modules/@angular/cli/bin/ng.js', 'test', '--progress=false'], {
        cwd: join(ROOT, 'web'),
        env: { CHROMIUM_BIN: await debianProgram('chromium'), NG_CLI_ANALYTICS: 'false' },
      }),
  },
  /** The README's first command in a clean clone, where nothing is installed or built; before all others. */
  clone: { minutes: 60, run: (node, clone) => node(['tools/walk.mjs', 'first', clone]) },
  /** All else that README and docs promise, in that clone. */
  walk: {
    debian: ['mariadbd', 'chromium'],
    minutes: 25,
    run: (node, clone) => node(['tools/walk.mjs', 'rest', clone]),
  },
  /** The real interface against the built application: every file of paths in a house of its own. */
  e2e: {
    debian: ['mariadbd', 'chromium'],
    minutes: 25,
    build: () => buildChanged(),
    run: async (node) => {
      const houses = await demoHouses('e2e');
      try {
        return await node(
          ['node_modules/@playwright/test/cli.js', 'test', '-c', 'e2e/playwright.config.ts'],
          { env: { CHROMIUM: await debianProgram('chromium'), HOUSES: houses.url } },
        );
      } finally {
        await houses.stop();
      }
    },
  },
};

/** The files of the specs that were bundled, by part. */
const bundles = {};

/** Specs for Node are bundled as the application is: run file by file they take several times as long. */
async function bundled(name) {
  bundles[name] = await bundleSpecs(name, SPECS[name]);
}

function jasmine(node, specs, env = {}) {
  return node(
    [
      '--enable-source-maps',
      'node_modules/jasmine/bin/jasmine.js',
      '--reporter=./tools/lib/testing/jasmine-tally.mjs',
      '--color',
      ...specs,
    ],
    { env },
  );
}
