// npm run lint: types, layers and rules, formatting.
import { npmPackages } from './lib/install.mjs';
import { runAside, say } from './lib/run.mjs';

await npmPackages();
const TSC = 'node_modules/typescript/bin/tsc';
const CHECKS = [
  // The longest first.
  ['rules and layers', ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings=0']],
  // Its build reads every type and template.
  ['types and templates of web', ['tools/build.mjs']],
  ...[
    'core',
    'core/tsconfig.spec.json',
    'contract',
    'contract/tsconfig.spec.json',
    'server',
    'demo',
    'cli',
    'e2e',
  ].map((project) => [`types of ${project}`, [TSC, '-p', project]]),
  [
    'no circles',
    [
      'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
      '--output-type',
      'err',
      'core',
      'contract',
      'server',
      'demo',
      'cli',
      'web',
    ],
  ],
  ['formatting', ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level=warn', '.']],
];
let failed = 0;
const left = [...CHECKS].reverse();
/** Two at a time: most of a check is one core at work. */
async function lane() {
  for (let check = left.pop(); check !== undefined; check = left.pop()) {
    const [what, args] = check;
    const { code, written } = await runAside(process.execPath, args);
    process.stdout.write(written);
    say(`${code === 0 ? 'right' : 'WRONG'}  ${what}`);
    if (code !== 0) failed += 1;
  }
}
await Promise.all([lane(), lane()]);
process.exit(failed === 0 ? 0 : 1);
