import { benchBulk } from './bulk-against-duckdb';
import { benchCharts } from './charts';
import { benchComposite } from './composite-against-duckdb';
import { connectDuckdb } from './duckdb';
import { benchOdds } from './odds';
import { benchRoll } from './roll';
import { benchOwnChart } from './own-chart';
import { benchSame } from './same';
import { benchSizeCommand } from './size-command';

const [root = '.', duckFolder = '.', ...only] = process.argv.slice(2);
const say = (line: string) => process.stdout.write(`${line}\n`);
const asked = (name: string) => only.length === 0 || only.includes(name);

if (asked('charts')) await benchCharts(root, say);
if (asked('bulk')) {
  const duck = await connectDuckdb(duckFolder);
  await benchBulk(duck, say);
  await benchComposite(duck, say);
}
if (asked('size')) await benchSizeCommand(root, say);
if (asked('own-chart')) benchOwnChart(say);
if (asked('roll')) await benchRoll(root, say);
// These take long: a tenth of the charts unless they are asked for by name.
if (asked('odds')) benchOdds(root, say, only.includes('odds') ? 1 : 0.1);
if (only.includes('same')) benchSame(say);
