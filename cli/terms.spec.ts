import { sayTerm, TERMS } from '@neat-measure/core/terms';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

describe('the terms that are explained on the screen', () => {
  it('stand in the docs with the same words', () => {
    const page = readFileSync(join(process.cwd(), 'docs', 'trade.md'), 'utf8').replace(/\n {2}/g, ' ');
    for (const term of Object.values(TERMS)) expect(page).toContain(`${sayTerm(term)}\n`);
  });

  it('are two sentences each, and a drawing has its reading where it says', () => {
    for (const [code, term] of Object.entries(TERMS)) {
      expect(term.means)
        .withContext(code)
        .toMatch(/^[A-Z].*\.$/);
      expect(term.does)
        .withContext(code)
        .toMatch(/^[A-Z].*\.$/);
      if (!('picture' in term)) continue;
      const { sizes, at, meant } = term.picture;
      const reach = 'error' in term.picture ? term.picture.error : 0;
      // Beside a gap both neighbours are meant, though the reading is in neither.
      const touched = sizes
        .filter(({ from, to }) => at + reach >= from && at - reach <= to)
        .map(({ label }) => label);
      if (code !== 'between')
        expect([...meant] as string[])
          .withContext(code)
          .toEqual(touched);
      else expect(touched).toEqual([]);
    }
  });
});
