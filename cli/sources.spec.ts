import { mm } from '@neat-measure/core';
import { EN_420_GLOVES } from '@neat-measure/core/reference';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = process.cwd();
const read = (path: string) => readFileSync(join(root, path), 'utf8');

/** What is shipped or run, in code. */
const FILES = ['core', 'contract', 'server', 'web', 'cli', 'demo', 'tools'].flatMap((folder) =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => `${folder}/${name}`)
    .filter((name) => /\.(?:ts|mjs)$/.test(name) && !/node_modules|\/dist\/|\.spec\./.test(name)),
);

describe('docs/sources.md', () => {
  const page = read('docs/sources.md');

  it('names every file that holds something from memory, and no other', () => {
    const named = [...page.matchAll(/^\| `([^`]+)`/gm)].map(([, path]) => path!);
    expect(named.sort()).toEqual(FILES.filter((path) => /from\s+(?:\*\s+)?memory/.test(read(path))).sort());
  });

  it('says of gloves what is so: a size is its girth in inches', () => {
    const [part] = EN_420_GLOVES.sheet.parts;
    const girths = part!.columns.find(({ code }) => code === 'hand-girth')!.cells;
    expect(girths.map((cell) => cell.kind === 'nominal' && cell.at)).toEqual(
      part!.sizes.map((size) => mm(Math.round(Number(size) * 25.4))),
    );
  });
});
