// npm run walk: does what README and docs say, as somebody does it who has just cloned this: every command as it is
// written there, each result looked at. A command that is documented and not walked is a fault.
// `npm run walk first CLONE` and `npm run walk rest CLONE` are its two halves, for `npm test`.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { beginHousehold } from './lib/running/household.mjs';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/run.mjs';
import { cleanClone } from './lib/walk/clean-clone.mjs';
import { walkCommands } from './lib/walk/commands.mjs';
import { walkFirstCommand } from './lib/walk/first-command.mjs';
import { walkOperating } from './lib/walk/operating.mjs';
import { notWalked, Page } from './lib/walk/page.mjs';

/** Commands that are walked by what runs this, and not in it. */
const ELSEWHERE = {
  'npm test': '.ci/run',
  'npm run lint': '.ci/run',
  'npm run walk': 'tools/lib/testing/parts.mjs',
};

const [half = 'whole', given] = process.argv.slice(2);
// It goes by nothing but Node.js itself: what it tries installs its own packages.
const household = beginHousehold();
const clone = given ?? cleanClone(household);
const kept = join(clone, '.walked.json');
const walked = new Set(existsSync(kept) ? JSON.parse(readFileSync(kept, 'utf8')) : []);
const page = (name) => new Page(clone, name, walked);
const pages = [
  'README.md',
  ...readdirSync(join(clone, 'docs')).flatMap((name) => (name.endsWith('.md') ? [`docs/${name}`] : [])),
].map(page);
const [readme] = pages;
const operating = pages.find(({ name }) => name === 'docs/operating.md');

let failed = 0;
try {
  if (half !== 'rest') await walkFirstCommand(readme, clone);
  if (half !== 'first') {
    await walkOperating(operating, clone);
    await walkCommands(readme, clone);
    for (const [command, where] of Object.entries(ELSEWHERE))
      if (
        !readFileSync(join(ROOT, where), 'utf8').includes(command.replace('npm run walk', 'tools/walk.mjs'))
      )
        throw new Error(`${command} is to be walked by ${where}, and is not.`);
    const left = notWalked(pages, walked, ELSEWHERE);
    if (left.length > 0) throw new Error(`Nobody has walked: ${left.join(' | ')}`);
  }
  writeFileSync(kept, JSON.stringify([...walked]));
} catch (error) {
  say(`walk: ${error.stack}`);
  failed = 1;
}
const passed = pages.reduce((sum, { tried }) => sum + tried, 0);
say(`walk: ${walked.size} commands given, ${passed} results and claims as they should be.`);
if (process.env.TALLY_FILE) writeFileSync(process.env.TALLY_FILE, JSON.stringify({ passed, failed }));
await household.end();
process.exit(failed);
