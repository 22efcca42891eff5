import { resolve } from 'node:path';
import { buildChanged } from '../build.mjs';
import { databaseBeside } from '../database/database.mjs';
import { npmPackages } from '../install.mjs';
import { node } from '../run.mjs';

/** Runs a command of the server beside the application, or with a database started for it alone. */
export async function runBeside(command) {
  // Files are named from where the command was given.
  const files = process.argv.slice(2).map((file) => resolve(process.env.INIT_CWD ?? process.cwd(), file));
  await npmPackages();
  await buildChanged('server');
  const database = await databaseBeside(`npm run ${command}`);
  const code = await node([`server/dist/commands/${command}.js`, ...files], {
    env: { DATABASE_URL: database.url, DATABASE_OWNER_URL: database.owner },
  });
  await database.stop();
  process.exit(code);
}
