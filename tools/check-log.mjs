// npm run check-log
import { runBeside } from './lib/serving/beside.mjs';

await runBeside('check-log');
