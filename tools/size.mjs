// npm run size: the engine on files, with no server and no database.
import { buildChanged } from './lib/build.mjs';
import { npmPackages } from './lib/install.mjs';
import { node, sayBesideOutput } from './lib/run.mjs';

sayBesideOutput();
await npmPackages();
await buildChanged('cli');
process.exit(await node(['.build/cli/size.js', ...process.argv.slice(2)]));
