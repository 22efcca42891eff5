// npm run unlock -- SIGN-IN: a one-time code for somebody who can sign in no more, without their second factor.
import { buildChanged } from './lib/build.mjs';
import { databaseBeside } from './lib/database/database.mjs';
import { npmPackages } from './lib/install.mjs';
import { node } from './lib/run.mjs';

await npmPackages();
await buildChanged('server');
const database = await databaseBeside('npm run unlock');
const code = await node(['server/dist/commands/unlock.js', ...process.argv.slice(2)], {
  env: { DATABASE_URL: database.owner },
});
await database.stop();
process.exit(code);
