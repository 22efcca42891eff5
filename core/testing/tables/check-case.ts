import { readImportedFile } from '../../chart/imported/sources/read-imported';
import {
  chartSheetSchema,
  examineChart,
  NO_ANSWERS,
  planTable,
  readPlanned,
  sayChartFinding,
  sheetAround,
  type ImportedTable,
} from '../all';
import type { CorpusCase, UnderstoodTable } from './corpus-case';
import { understand } from './understand';

/** What keeps the chart of a table from being saved. */
function wrongOf(table: ImportedTable, answers: UnderstoodTable['answers']): string[] {
  const read = readPlanned(planTable(table.grid, { ...NO_ANSWERS, ...answers }, { name: table.name }));
  if (!read.ok) return ['it is not read'];
  const head = { maker: 'Ostrel Workwear', garment: 'Garment', rule: 'widest-decides' } as const;
  const kept = chartSheetSchema.safeParse({ ...sheetAround(read.value.parts[0]!, head), ...read.value });
  if (!kept.success) return kept.error.issues.map(({ message }) => message);
  return examineChart(kept.data)
    .filter(({ severity }) => severity === 'wrong')
    .map((one) => sayChartFinding(kept.data, one, 8));
}

/** Reads a file of the corpus and compares what is understood with what a person would. */
export async function checkCase(made: CorpusCase, bytes: Uint8Array): Promise<void> {
  const read = await readImportedFile(bytes);
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
    expect(wrongOf(table, want.answers)).toEqual([]);
  });
}
