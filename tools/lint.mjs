// npm run lint: types, layers and rules, formatting.
import { npmPackages } from './lib/install.mjs';
import { node, say } from './lib/run.mjs';

await npmPackages();
const TSC = 'node_modules/typescript/bin/tsc';
const CHECKS = [
  ...[
    'core',
    'core/tsconfig.spec.json',
    'contract',
    'contract/tsconfig.spec.json',
    'server',
    'cli',
    'e2e',
  ].map((project) => [`types of ${project}`, [TSC, '-p', project]]),
  [
    'types and templates of web',
    ['node_modules/@angular/compiler-cli/bundles/src/bin/ngc.js', '-p', 'web/tsconfig.app.json', '--noEmit'],
  ],
  ['rules and layers', ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings=0']],
  [
    'no circles',
    [
      'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
      '--output-type',
      'err',
      'core',
      'contract',
      'server',
      'cli',
    ],
  ],
  ['formatting', ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level=warn', '.']],
];
let failed = 0;
for (const [what, args] of CHECKS) {
  const wrong = (await node(args)) !== 0;
  say(`${wrong ? 'WRONG' : 'right'}  ${what}`);
  if (wrong) failed += 1;
}
process.exit(failed === 0 ? 0 : 1);
