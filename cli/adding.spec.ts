import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = process.cwd();
const read = (path: string) => readFileSync(join(root, path), 'utf8');
const filesIn = (folder: string) =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.endsWith('.ts') && !/\.spec\.ts$|(?:^|\/)index\.ts$/.test(name),
  );

describe('docs/adding.md', () => {
  const page = read('docs/adding.md');
  const named = [
    ...new Set(
      [...page.matchAll(/`((?:core|contract|web|e2e|cli|tools)\/[\w./-]+)`/g)].map(([, path]) => path!),
    ),
  ];

  it('names many files', () => expect(named.length).toBeGreaterThan(15));
  for (const path of named)
    it(`names what is there: ${path}`, () => expect(existsSync(join(root, path))).toBeTrue());
});

describe('every file of a folder stands in its list', () => {
  /** Files that no list names, as they hold what the others of their folder are made of. */
  const SHARED = ['act.ts', 'sizes.ts'];
  for (const [folder, list] of [
    ['core/docket/acts', 'core/docket/acts/index.ts'],
    ['core/garment/kinds', 'core/garment/kinds/index.ts'],
    ['core/fit/drawing/kinds', 'core/fit/drawing/looks.ts'],
  ] as const)
    for (const file of filesIn(folder).filter((name) => !SHARED.includes(name)))
      it(`${folder}/${file}`, () => expect(read(list)).toContain(`/${file.replace(/\.ts$/, '')}'`));
});
