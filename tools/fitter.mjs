// npm run fitter -- NAME SIGN-IN: adds somebody who may sign in; the passphrase is read from standard input.
import { buildChanged } from './lib/build.mjs';
import { databaseBeside } from './lib/database/database.mjs';
import { npmPackages } from './lib/install.mjs';
import { node, say } from './lib/run.mjs';

await npmPackages();
await buildChanged('server');
if (process.stdin.isTTY) say('Enter the passphrase, then press Ctrl+D:');
const database = await databaseBeside('npm run fitter');
const code = await node(['server/dist/commands/add-fitter.js', ...process.argv.slice(2)], {
  env: { DATABASE_URL: database.owner },
});
await database.stop();
process.exit(code);
