import angular from 'angular-eslint';
import jsdoc from 'eslint-plugin-jsdoc';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

/** What each layer must not import: arrows point down only, web and server to contract to core. */
const ABOVE = {
  core: [
    '@neat-measure/*',
    '@angular/*',
    'ng-zorro-antd/*',
    'rxjs',
    'express',
    'knex',
    'node:*',
    '**/contract/**',
    '**/server/**',
    '**/web/**',
  ],
  contract: [
    '@neat-measure/server',
    '@neat-measure/web',
    '@angular/*',
    'rxjs',
    'express',
    'knex',
    'node:*',
    '**/server/**',
    '**/web/**',
  ],
  server: ['@neat-measure/web', '@angular/*', '**/web/**'],
  web: ['@neat-measure/server', 'express', 'knex', 'node:*', '**/server/**'],
  demo: ['@neat-measure/contract', '@neat-measure/server', '@neat-measure/web', '**/server/**', '**/web/**'],
  cli: ['@neat-measure/contract', '@neat-measure/server', '@neat-measure/web', '**/server/**', '**/web/**'],
};

const layers = Object.entries(ABOVE).map(([layer, group]) => ({
  files: [`${layer}/**/*.ts`],
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: [{ group, message: `${layer} does not know this layer; see docs/architecture.md` }] },
    ],
  },
}));

/** Core's folders in the order of the work: a folder knows those before it, and none after. */
const ORDER = [
  'acts',
  'quantity',
  'body',
  'capture',
  'garment',
  'chart',
  'match',
  'foresight',
  'fit',
  'docket',
  'muster',
  'stock',
  'group',
];

const order = [...ORDER, 'reference'].map((folder, at) => {
  // Published tables are charts; nothing but specs and the places that show them goes by one.
  const above =
    folder === 'reference' ? ORDER.slice(ORDER.indexOf('match')) : [...ORDER.slice(at + 1), 'reference'];
  const group = above.flatMap((one) => [`**/${one}/**`, `**/${one}`]);
  return {
    files: [`core/${folder}/**/*.ts`],
    ignores: ['**/*.spec.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ABOVE.core, message: 'core does not know this layer; see docs/architecture.md' },
            { group: ['**/index'], message: 'Name the file; the index is for other layers.' },
            {
              group,
              message: `${folder} comes before it in the order of the work; see docs/architecture.md`,
            },
          ],
        },
      ],
    },
  };
});

/** The rooms of the server in one order: a room knows those before it, and none after. What it must tell one of those goes by a function it is given. */
const ROOMS = [
  'database',
  'http',
  'audit',
  'settings',
  'accounts',
  'session',
  'people',
  'devices',
  'links',
  'protocols',
  'print',
  'charts',
  'kits',
  'stores',
  'dockets',
  'handing',
  'self',
  'sizings',
  'wearers',
  'musters',
  'retention',
  'backup',
  'demo',
  'commands',
];

const rooms = ROOMS.map((room, at) => ({
  files: [`server/${room}/**/*.ts`],
  ignores: ['**/*.spec.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          { group: ABOVE.server, message: 'server does not know this layer; see docs/architecture.md' },
          {
            regex: `^(?:\\.\\./)+(?:${[...ROOMS.slice(at + 1), 'testing'].join('|')})/`,
            message: `${room} comes before it in the order of the rooms; see docs/architecture.md`,
          },
          ...(room === 'commands'
            ? []
            : [
                {
                  regex: '^(?:\\.\\./)+(?:app|guard|main|sheets|config)$',
                  message: 'What stands beside main knows the rooms, and no room knows it.',
                },
              ]),
        ],
      },
    ],
  },
}));

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/**',
      '**/dist/**',
      '**/.angular/**',
      '.data/**',
      '.build/**',
      'web/karma.conf.cjs',
      '**/*.d.ts',
    ],
  },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strict, ...tseslint.configs.stylistic, prettier],
    plugins: { jsdoc },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/unified-signatures': 'off',
      // An output that carries nothing is typed so.
      '@typescript-eslint/no-invalid-void-type': 'off',
      'no-console': 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "ImportDeclaration[source.value='zod'][importKind='value'] > ImportSpecifier[importKind='value'][imported.name='z']",
          message:
            "Write import * as z from 'zod'; named z all of it is loaded where some is used: 50 kB more for a docket's first load.",
        },
      ],
      eqeqeq: 'error',
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: [
      'core/**/*.ts',
      'contract/**/*.ts',
      'server/**/*.ts',
      'web/**/*.ts',
      'cli/**/*.ts',
      'demo/**/*.ts',
    ],
    ignores: ['**/*.spec.ts'],
    rules: {
      'jsdoc/require-jsdoc': [
        'error',
        { publicOnly: true, require: { FunctionDeclaration: true, ClassDeclaration: true } },
      ],
    },
  },
  {
    files: ['**/*.spec.ts', '**/testing/**/*.ts', 'core/reference/body-dimensions-507.ts', 'e2e/**/*.ts'],
    rules: { 'max-lines': 'off' },
  },
  {
    files: ['web/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'nm', style: 'kebab-case' }],
    },
  },
  { files: ['web/main.ts'], rules: { 'no-console': 'off' } },
  {
    files: ['web/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      // The library puts its box or button into a label that is marked so.
      '@angular-eslint/template/label-has-associated-control': [
        'error',
        {
          labelComponents: [
            { selector: 'label', inputs: ['for', 'htmlFor', 'nz-checkbox', 'nz-radio', 'nz-radio-button'] },
          ],
        },
      ],
    },
  },
  {
    // The options of a combobox are reached by its arrow keys; focus stays in the field (WAI-ARIA).
    files: ['web/places/bench/opening/docket-desk.html', 'web/app/commands/command-list.html'],
    rules: {
      '@angular-eslint/template/click-events-have-key-events': 'off',
      '@angular-eslint/template/interactive-supports-focus': 'off',
    },
  },
  ...layers,
  ...order,
  ...rooms,
);
