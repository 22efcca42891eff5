// npm run fuzz [COUNT] [SEED]: odd requests to every route, by the contract's shapes bent and by raw bytes; none may
// be answered with a fault of the server's, hang, or make it grow.
import { demoServer } from './lib/serving/demo-server.mjs';
import { beginHousehold } from './lib/running/household.mjs';
import { npmPackages } from './lib/install.mjs';
import { node, say } from './lib/run.mjs';

const [count = '20000', seed = '1'] = process.argv.slice(2);
beginHousehold();
await npmPackages();
const server = await demoServer('fuzz', 'server', 'trials');
const code = await node([
  '.build/trials-script/trials/fuzz.js',
  String(server.port),
  String(server.pid),
  count,
  seed,
]);
await server.stop();
say(code === 0 ? 'fuzz: nothing found' : 'fuzz: see the lines above; the same seed repeats the run');
process.exit(code);
