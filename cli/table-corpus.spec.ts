import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CASES } from '../core/testing/tables/cases';
import { checkCase } from '../core/testing/tables/check-case';
import type { CorpusCase } from '../core/testing/tables/corpus-case';

const FOLDER = join(process.cwd(), 'core', 'testing', 'tables', 'corpus');
const files = readdirSync(FOLDER);

describe('the corpus of brought tables', () => {
  for (const file of files.filter((one) => one.endsWith('.json')))
    it(`is read from its file as people read it: ${file.replace(/\.json$/, '')}`, async () => {
      const made = JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as CorpusCase;
      await checkCase(made, new Uint8Array(readFileSync(join(FOLDER, made.file))));
    });

  it('is what its script makes', () => {
    expect(files.length).toBe(CASES.length * 2);
    // Packed files hold the time they were packed.
    for (const { bytes, file } of CASES)
      if (!/\.(?:xlsx|ods)$/.test(file))
        expect(Buffer.from(bytes).equals(readFileSync(join(FOLDER, file))))
          .withContext(file)
          .toBeTrue();
  });
});
