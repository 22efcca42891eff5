// npm run backup
import { runBeside } from './lib/serving/beside.mjs';

await runBeside('backup');
