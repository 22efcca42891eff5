// npm run mutate [folder ...] [--sample N]: changes core in small ways, one at a time, and sees whether
// its specs notice. A sample of N mutants a folder, the same every time; what survives is told.
import { createInstrumenter } from '@stryker-mutator/instrumenter';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { createInjector } from 'typed-inject';
import { npmPackages } from './lib/install.mjs';
import { BUILD, ROOT } from './lib/paths.mjs';
import { node, say } from './lib/run.mjs';

const FOLDERS = [
  'quantity',
  'body',
  'capture',
  'chart',
  'match',
  'foresight',
  'fit',
  'docket',
  'stock',
  'group',
];
const { values, positionals } = parseArgs({
  options: { sample: { type: 'string', default: '25' } },
  allowPositionals: true,
});
const folders = positionals.length > 0 ? positionals : FOLDERS;
await npmPackages();
mkdirSync(BUILD, { recursive: true });

const quiet = Object.fromEntries(
  ['trace', 'debug', 'info', 'warn', 'error', 'fatal'].map((level) => [level, () => undefined]),
);
const off = Object.fromEntries(
  ['Trace', 'Debug', 'Info', 'Warn', 'Error', 'Fatal'].map((level) => [`is${level}Enabled`, () => false]),
);
const instrumenter = createInjector()
  .provideValue('logger', { ...quiet, ...off })
  .injectFunction(createInstrumenter);

/** Files that are one table of data, or words alone: a spec that holds them would be their copy. */
const TABLES =
  /catalogue\/(?!codes)|protocols\.ts|body-statistics|tape-paths|figure\.ts|checks-by-kind\.ts|fit\/drawing\/|kept-verdict|\/say-/;

/**
 * Lines of which a change gives the same answers, only slower, or the same number another way: no spec
 * can notice, and none should.
 */
const THE_SAME = [
  // What is not walked is sized in rounds; what is not remembered is found again.
  [
    'group/walk.ts',
    /more\.length === 0|columns\.length <= WALKED|codes\.length === columns|choices\[0\]!\.code === codes|MOST_COMBINATIONS|< ASK\) return/,
  ],
  ['group/size-people.ts', /REMEMBERED|known !== undefined/],
  ['group/seen-ids.ts', /MOST_IN_ONE|CUT_OUT_FROM|line !== undefined/],
  // Where nothing was seen, nobody is judged for it.
  ['docket/looks.ts', /seen\.length === 0/],
  ['match/kernel/why-nothing.ts', /row !== this\.row/],
  // Bounds that spare draws: without them, or beyond them by a hair, the draws say the same.
  ['match/odds/edge.ts', /FAR|CLEAR|down \* error|alwaysMissing|staying/],
  ['match/odds/odds.ts', /standardError === 0/],
  ['match/odds/low-discrepancy.ts', /<= BITS|< BITS/],
  // Either series is as exact where they meet; a tail beyond infinity is nothing by itself.
  ['capture/normal.ts', /Infinity|> 5|QUANTILES|count - 1 - at/],
  // What is drawn about matters only for its last bits; of two that are one draw either will do.
  ['match/odds/odds.ts', /- about|about = values/],
  ['match/odds/low-discrepancy.ts', /at > 0/],
  // What is not looked up is asked for one by one, and what is not kept is made anew.
  ['match/kernel/part-run.ts', /canBeLookedUp|count < FEW/],
  ['match/kernel/part-table.ts', /numbers\.length < count/],
  // How finely ends are searched, and whether the whole of a round is cut to its rest.
  ['match/kernel/axis.ts', /CELLS_AN_END/],
  ['match/kernel/kernel.ts', /from === 0/],
  // One row more than there are is looked at by nobody.
  ['match/kernel/kernel.ts', /row < count; row\+\+/],
  // What is found of another rule is left out by its code.
  ['chart/rules/names.ts', /const found: Found/],
  // A table that is kept once made is not made again for the next mutant of the same process.
  ['capture/normal.ts', /share|z -= step/],
  // A result that is asked about and lies within bounds stays what it is.
  ['chart/arithmetic/compile-arithmetic.ts', /unbounded:/],
  // What was made before is made again; a series or a step more or less comes to the same.
  ['capture/builds.ts', /before !== undefined/],
  ['capture/normal.ts', /known !== undefined|odd < 400|< 1e-12/],
  // Who shares a walk with whom, who is asked twice, and how far one goes at once is only speed.
  ['group/walk.ts', /codes\(a\)\.join|count === 0|known >= ASK\) this|one >= ASK/],
  // Inches read as centimetres and the other way round are both tried.
  ['capture/likelihood.ts', /one\.value \* factor/],
  // Only their ratio counts; of two that are just alike either will do.
  [
    'foresight/plausible-bodies.ts',
    /Math\.max\(\.\.\.weights\)|weight - most|row < count|logLikelihood\(logs\) > one/,
  ],
  // The same number more for every order.
  ['body/plan.ts', /shoes !== 'either'/],
  ['docket/judge.ts', /codes\.length === 0\) return NO_IDLE/],
  // Room for more sizes than there are; a first row has none before it.
  ['chart/cut-column.ts', /Math\.ceil\(intervals/],
  ['chart/rules/arithmetic.ts', /at < 0\) return/],
  // Without the first, few draws, all are made; of two that are just as likely either will do.
  ['match/odds/edge.ts', /shares\.every|count > most|chance > chances\[best\]/],
  ['capture/likelihood.ts', /each\.squaredDistance\(logs\) </],
  // What is impossible in one place is so unlikely there that it explains nothing.
  ['capture/likelihood.ts', /withinLimits\(one\.code, other\.value\) \|\|/],
  // A normal draw and its opposite are as likely, and one is as good as never drawn just so.
  ['foresight/plausible-bodies.ts', /one \* free|random\(\) \* total/],
  // A last round of nobody; who shares a walk; a place that nobody holds is never open.
  ['group/part-coverage.ts', /from < bodies/],
  ['group/walk.ts', /chart\.codes\]\.sort|one === null \|\|/],
  // What is not plain is drawn; what was not read is nothing either way; labels nobody asks for.
  ['match/kernel/part-run.ts', /this\.by !== null|standIn < 0/],
  ['match/kernel/part-placer.ts', /this\.differs/],
  ['match/odds/edge.ts', /value !== undefined\) readings|pairs \+=/],
  ['match/odds/odds.ts', /wholeLabels\) labels/],
  // A chart that was let in names only what there is.
  ['match/kernel/kernel.ts', /standIns\.filter\(known\)/],
  // Just as rare as what is asked about; an iteration that converges long before its end.
  ['capture/likelihood.ts', /chance >= RARE|!withinLimits\(one\.code, meant\)/],
  ['capture/normal.ts', /round < 20/],
  // Nothing lies before the first point, and nothing of nothing is nothing.
  ['match/kernel/axis.ts', /place === 0/],
  ['match/kernel/part-table.ts', /size < 0 \? -1/],
  // Whether a few lengths stand for a whole stretch is asked for speed; so is what is plain.
  ['match/kernel/part-run.ts', /placer\.differs/],
  ['match/odds/edge.ts', /!plain \|\| part\.goesByAnother/],
  // Of two just as near either will do; no suspect goes by another name; a part is never unmade.
  ['match/judge-part.ts', /room\(one\) < room|unmet\?\.readings \?\? \[\]\)\]\)/],
  [
    'match/judge.ts',
    /label === null \|\| isMade\(sheet, sizes\)|rank\(worst\.verdict\) <|value\.value === null \? value/,
  ],
  // Nothing comes of nothing: what a step rests on is asked about with it or without it.
  ['chart/arithmetic/compile-arithmetic.ts', /reached\.has\(out\)/],
  // Where a size turns is a point of its axis, so that there is nothing left to search in between.
  ['match/nearest-change.ts', /sizeAt\(middle\)/],
  // A kind that is never refused is never asked.
  ['docket/acts', /refuse: \(\) => null/],
  // A walk of so many columns is as long as it is in pairs; a number has been told apart from its unit before.
  ['group/walk.ts', /size <= WALKED/],
  ['quantity/parse-length.ts', /exec\(number\)/],
  // A column's own unit has been found not to fit.
  ['chart/rules/columns.ts', /unit !== column\.unit/],
];

async function mutantsOf(folder) {
  const files = readdirSync(join(ROOT, 'core', folder), { recursive: true, encoding: 'utf8' })
    .map((name) => `core/${folder}/${name}`)
    .filter((name) => name.endsWith('.ts') && !/\.spec\.ts$|\.d\.ts$/.test(name) && !TABLES.test(name))
    .sort();
  const { mutants } = await instrumenter.instrument(
    files.map((name) => ({ name, content: readFileSync(join(ROOT, name), 'utf8'), mutate: true })),
    // A text that is another is noticed by no rule but its own copy.
    { excludedMutations: ['StringLiteral'], ignorers: [], plugins: null },
  );
  const lines = new Map(files.map((name) => [name, readFileSync(join(ROOT, name), 'utf8').split('\n')]));
  return mutants.filter(
    ({ fileName, location: { start, end } }) =>
      // One that spans lines would bring all within it along.
      start.line === end.line &&
      !THE_SAME.some(([file, code]) => fileName.includes(file) && code.test(lines.get(fileName)[start.line])),
  );
}

/** As many of some things as wanted, the same every time (a linear congruence, Knuth's constants, from memory). */
function sample(of, wanted) {
  const left = [...of];
  let state = 42;
  const taken = [];
  while (taken.length < wanted && left.length > 0) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    taken.push(...left.splice(state % left.length, 1));
  }
  return taken;
}

const chosen = [];
for (const folder of folders) {
  const mutants = await mutantsOf(folder);
  const some = sample(mutants, Number(values.sample));
  say(`${folder}: ${some.length} of ${mutants.length} mutants`);
  chosen.push(...some);
}
const rangeOf = ({ fileName, location: { start, end } }) =>
  `${fileName}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`;
const config = join(BUILD, 'stryker.json');
const report = join(BUILD, 'mutation.json');
writeFileSync(
  config,
  JSON.stringify({
    testRunner: 'jasmine',
    plugins: ['@stryker-mutator/jasmine-runner'],
    jasmineConfigFile: 'core/jasmine.json',
    // Bundled as for npm test, in the copy that Stryker has changed.
    buildCommand: 'node tools/bundle-core-specs.mjs',
    coverageAnalysis: 'perTest',
    mutate: [...new Set(chosen.map(rangeOf))],
    mutator: { excludedMutations: ['StringLiteral'] },
    reporters: ['json', 'clear-text'],
    clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportScoreTable: false },
    jsonReporter: { fileName: report },
    ignorePatterns: ['web', 'server', 'e2e', '.data', '.build', 'docs', '**/dist'],
    tempDirName: '.build/stryker',
    symlinkNodeModules: true,
    concurrency: 2,
    // What is only run while a file loads would need every spec for each mutant.
    ignoreStatic: true,
    timeoutMS: 60_000,
    disableTypeChecks: false,
    checkers: [],
  }),
);
await node(['node_modules/@stryker-mutator/core/bin/stryker.js', 'run', config]);

const wanted = new Set(chosen.map((one) => `${rangeOf(one)} ${one.mutatorName} ${one.replacement}`));
const { files } = JSON.parse(readFileSync(report, 'utf8'));
for (const folder of folders) {
  const counted = { killed: 0, of: 0 };
  for (const [fileName, { mutants }] of Object.entries(files)) {
    if (!fileName.startsWith(`core/${folder}/`)) continue;
    for (const {
      location: { start, end },
      mutatorName,
      replacement,
      status,
    } of mutants) {
      const name = `${fileName}:${start.line}:${start.column - 1}-${end.line}:${end.column - 1} ${mutatorName} ${replacement}`;
      if (!wanted.has(name) || status === 'Ignored' || status === 'CompileError') continue;
      counted.of += 1;
      if (status === 'Killed' || status === 'Timeout') counted.killed += 1;
      else say(`  ${status}: ${fileName}:${start.line} ${mutatorName}: ${String(replacement).slice(0, 90)}`);
    }
  }
  say(`${folder}: ${counted.killed} of ${counted.of} killed`);
}
