// npm run fuzz [COUNT] [SEED]: odd requests to every route, by the contract's shapes bent and by raw bytes; none may
// be answered with a fault of the server's, hang, or make it grow.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildChanged } from './lib/build.mjs';
import { waysInto } from './lib/database.mjs';
import { npmPackages } from './lib/install.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { node, say } from './lib/run.mjs';
import { startServer } from './lib/serve.mjs';

const [count = '20000', seed = '1'] = process.argv.slice(2);
await npmPackages();
await buildChanged('server', 'trials');
const folder = join(DATA, `fuzz-${process.pid}`);
const mariadb = await startMariadb(folder);
const ways = waysInto(mariadb);
const server = await startServer({
  DATABASE_URL: ways.url,
  DATABASE_OWNER_URL: ways.owner,
  PORT: '0',
  DEMO_FOLDER: join(ROOT, 'demo'),
  LOG_LEVEL: 'error',
});
const code = await node([
  '.build/trials-script/trials/fuzz.js',
  String(server.port),
  String(server.pid),
  count,
  seed,
]);
await server.stop();
await mariadb.stop();
rmSync(folder, { recursive: true, force: true });
say(code === 0 ? 'fuzz: nothing found' : 'fuzz: look at the lines above; the same seed does the same again');
process.exit(code);
