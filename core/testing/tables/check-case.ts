import { readBroughtFile } from '../../chart/brought/sources/read-brought';
import type { CorpusCase } from './corpus-case';
import { understand } from './understand';

/** Reads a file of the corpus and compares what is understood with what a person would. */
export async function checkCase(made: CorpusCase, bytes: Uint8Array): Promise<void> {
  const read = await readBroughtFile(bytes);
  if (!read.ok) return expect(String(read.problem.code)).toBe(String(made.refused));
  const { tables, remarks } = read.value;
  expect(made.refused).toBeUndefined();
  expect(remarks.length).toBe(made.remarks?.length ?? 0);
  for (const remark of made.remarks ?? []) expect(remarks.join(' ')).toContain(remark);
  const wanted = made.tables ?? [];
  expect(tables.length).withContext('tables').toBe(wanted.length);
  tables.forEach((table, at) => {
    const want = wanted[at];
    const got = understand(table, want?.answers);
    if (want === null || want === undefined)
      return expect(typeof got)
        .withContext('no table')
        .toBe('string');
    const { answers: _, ...understood } = want;
    expect(got).toEqual(understood);
  });
}
