import { benchBulk } from './bulk-against-duckdb';
import { benchCharts } from './charts';
import { benchSizeCommand } from './size-command';

const [root = '.', duckFolder = '.', ...only] = process.argv.slice(2);
const say = (line: string) => process.stdout.write(`${line}\n`);
const asked = (name: string) => only.length === 0 || only.includes(name);

if (asked('charts')) benchCharts(root, say);
if (asked('bulk')) await benchBulk(duckFolder, say);
if (asked('size')) await benchSizeCommand(root, say);
