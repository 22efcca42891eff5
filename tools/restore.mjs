// npm run restore
import { runBeside } from './lib/serving/beside.mjs';

await runBeside('restore');
