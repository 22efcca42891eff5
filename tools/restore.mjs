// npm run restore
import { runBeside } from './lib/beside.mjs';

await runBeside('restore');
