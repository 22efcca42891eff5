import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = process.cwd();
const read = (path: string) => readFileSync(join(root, path), 'utf8');
const filesIn = (folder: string) =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.endsWith('.ts') && !/\.spec\.ts$|(?:^|\/)index\.ts$/.test(name),
  );

const PAGES = ['README.md', ...readdirSync(join(root, 'docs')).map((name) => `docs/${name}`)].filter((name) =>
  name.endsWith('.md'),
);
/** The files and folders a page names, by their whole paths. */
const namedIn = (page: string) => [
  ...new Set(
    [
      ...read(page).matchAll(
        /`((?:core|contract|server|web|e2e|cli|tools|bench|trials|demo|docs)\/[\w./-]+)`/g,
      ),
    ].map(([, path]) => path!),
  ),
];

describe('what the pages name', () => {
  it('is much in the page of adding', () => expect(namedIn('docs/adding.md').length).toBeGreaterThan(15));
  for (const page of PAGES)
    for (const path of namedIn(page))
      it(`is there: ${path}, in ${page}`, () =>
        expect(['', '.ts', '.mjs'].some((end) => existsSync(join(root, path + end)))).toBeTrue());
});

describe('every file of a folder stands in its list', () => {
  /** Files that no list names, as they hold what the others of their folder are made of. */
  const SHARED = ['act.ts', 'sizes.ts'];
  for (const [folder, list] of [
    ['core/docket/acts', 'core/docket/acts/index.ts'],
    ['core/muster/acts', 'core/muster/acts/index.ts'],
    ['core/garment/kinds', 'core/garment/kinds/index.ts'],
    ['core/fit/drawing/kinds', 'core/fit/drawing/looks.ts'],
  ] as const)
    for (const file of filesIn(folder).filter((name) => !SHARED.includes(name)))
      it(`${folder}/${file}`, () => expect(read(list)).toContain(`/${file.replace(/\.ts$/, '')}'`));
});
