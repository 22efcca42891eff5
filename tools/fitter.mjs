// npm run fitter -- NAME SIGN-IN: adds somebody who may sign in; the passphrase is read from standard input.
import { join } from 'node:path';
import { buildChanged } from './lib/build.mjs';
import { npmPackages } from './lib/install.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { DATA } from './lib/paths.mjs';
import { node, say } from './lib/run.mjs';

await npmPackages();
await buildChanged('server');
const external = process.env.DATABASE_URL;
if (process.stdin.isTTY) say('Write the passphrase, then Ctrl+D:');
const mariadb = external === undefined ? await startMariadb(join(DATA, 'mariadb')) : null;
const code = await node(['server/dist/commands/add-fitter.js', ...process.argv.slice(2)], {
  env: { DATABASE_URL: external ?? mariadb.url('neat_measure') },
});
await mariadb?.stop();
process.exit(code);
