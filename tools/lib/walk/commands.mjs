import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { runLine } from './as-somebody.mjs';

/** People for the size table of the README: clear within one, on a bound, beyond, pulled two ways, and unreadable. */
const PEOPLE = `id,chest-girth (cm),waist-girth (cm)
within,98,86
on the bound,102,90
small,80,70
two ways,98,93
large,130,120
unread,9o,86
`;

/** What the page's table comes to for them, as a person works it out by hand. */
const SIZES = {
  within: 'settled,M',
  small: 'beyond,M',
  'on the bound': 'settled,L',
  'two ways': 'split,L',
  large: 'settled,XL',
};

/** Gives every other command of the README and looks at what comes of it. */
export async function walkCommands(page, clone) {
  const there = { folder: clone };
  const give = async (words, code = 0, input = '') => {
    const line = page.command(words);
    const end = await runLine(line, { ...there, input }).ended;
    if (end.code !== code) throw new Error(`“${line}” ended with ${end.code}, not ${code}:\n${end.written}`);
    return end.written;
  };
  const holds = (what, so, written) => {
    if (!so) throw new Error(`${what}:\n${written}`);
    page.tried += 1;
  };

  writeFileSync(join(clone, 'chart.csv'), page.block('size,'));
  writeFileSync(join(clone, 'people.csv'), PEOPLE);
  // One of them cannot be read, which is told, and by the exit code too.
  const told = await give('npm run size --', 1);
  holds('The row that cannot be read is not told', /^Line 7, unread, .*9o/m.test(told), told);
  const sizes = readFileSync(join(clone, 'sizes.csv'), 'utf8');
  for (const [id, wanted] of Object.entries(SIZES))
    holds(
      `${id} is not ${wanted}`,
      sizes.split('\n').some((line) => line.startsWith(`${id},${wanted},`)),
      sizes,
    );
  // Whoever reads only the beginning of a long answer ends it; that is no fault.
  const cut = await runLine(`npm run --silent size -- --help | head -1`, there).ended;
  holds(
    'An answer that is not read to its end is a fault',
    cut.written.trim().split('\n').length === 1,
    cut.written,
  );

  const only = await give('npm test files');
  holds('Only one part is run', /^\d+ passed, 0 failed$/m.test(only) && !only.includes('== core =='), only);
  const tortured = await give('npm run torture ');
  holds('Something was lost', / 0 lost, 0 doubled/.test(tortured), tortured);
  const fuzzed = await give('npm run fuzz ');
  holds('The fuzz found something', fuzzed.includes('fuzz: nothing found'), fuzzed);
  const words = await give('npm run words ');
  holds(
    'The strings are not listed',
    /^\s+\d+ {2}Add to stock$/m.test(words) && /^\d+ strings in \d+ files$/m.test(words),
    words,
  );
  const benched = await give('npm run bench ');
  holds('The bench has no figure', /compile the largest demo chart .*: [\d.]+ ms/.test(benched), benched);
  // Of so few as a page shows some do not count, as they lie where nothing is run: of nine some do.
  const mutated = await give('npm run mutate ');
  holds('No mutant was counted', /^quantity: \d+ of [1-9]\d* killed/m.test(mutated), mutated);

  const linked = [...page.text.matchAll(/\((docs\/screenshots\/[a-z-]+\.png)\)/g)].map(([, path]) => path);
  const before = linked.map((path) => readFileSync(join(clone, path)));
  for (const path of linked) writeFileSync(join(clone, path), '');
  const pictured = await give('npm run screenshots');
  linked.forEach((path, at) => {
    const picture = readFileSync(join(clone, path));
    holds(
      `${path} is not made`,
      picture.length > before[at].length / 4 && picture.includes('IHDR'),
      pictured,
    );
  });
}
