// npm run backup
import { runBeside } from './lib/beside.mjs';

await runBeside('backup');
