// npm run size: the engine on files, with no server and no database.
import { npmPackages } from './lib/install.mjs';
import { node } from './lib/run.mjs';

await npmPackages();
process.exit(await node(['--import', 'tsx', 'cli/size.ts', ...process.argv.slice(2)]));
