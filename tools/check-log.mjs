// npm run check-log
import { runBeside } from './lib/beside.mjs';

await runBeside('check-log');
