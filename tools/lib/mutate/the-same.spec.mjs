import { readdirSync, readFileSync } from 'node:fs';
import { ROOT } from '../paths.mjs';
import { join } from 'node:path';
import { THE_SAME } from './the-same.mjs';

describe('lines of which a change means the same', () => {
  const files = ['core', 'server'].flatMap((folder) =>
    readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
      .filter((name) => name.endsWith('.ts') && !name.includes('node_modules'))
      .map((name) => `${folder}/${name}`),
  );
  for (const [file, code] of THE_SAME)
    it(`are there: ${file}, ${code}`, () => {
      const own = files.filter((path) => path.includes(file));
      expect(own.length).toBeGreaterThan(0);
      expect(own.some((path) => code.test(readFileSync(join(ROOT, path), 'utf8')))).toBeTrue();
    });
});
