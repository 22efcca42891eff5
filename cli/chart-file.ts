import { failure, sheetAround, success, type ChartSheet, type Outcome } from '@neat-measure/core';
import { isAsked, LIMITS, readPlanned, sayImportProblem } from '@neat-measure/core/imported';
import { readImportedFile } from '@neat-measure/core/imported-files';
import { chartSheetSchema, importChartJson, sayFinding, sayJsonFinding } from '@neat-measure/core/sheets';
import { open } from 'node:fs/promises';
import { basename } from 'node:path';
import { planByFlags, sayAsked, type TableFlags } from './table-answers';

/**
 * Reads a chart: from its JSON form, or from a maker's table in whatever file it comes, by the reader that Charts has.
 * What that would ask is told with the flags that answer it, and nothing is taken while something is asked.
 *
 * @param path where it lies
 * @param flags what was said of the table
 * @returns the chart; or what is wrong or to be said, a line each
 */
export async function readChartFile(
  path: string,
  flags: TableFlags,
): Promise<Outcome<ChartSheet, readonly string[]>> {
  const file = await readWhole(path);
  if (file === null)
    return failure([`${path} cannot be read. Check the path, relative to the folder you are in.`]);
  const name = basename(path);
  const faults = (sentences: readonly string[]) =>
    failure([`${name}: the chart has faults.`, ...sentences.map((sentence) => `  ${sentence}`)]);
  if (/^\s*\{/.test(new TextDecoder().decode(file.subarray(0, 64)).replace(/^\uFEFF/, ''))) {
    const read = importChartJson(file);
    return read.ok ? success(read.value) : faults(read.problem.map(sayJsonFinding));
  }
  const found = await readImportedFile(file);
  if (!found.ok) return failure([`${name}: ${sayImportProblem(found.problem)}`]);
  const { tables } = found.value;
  if (tables.length > 1 && flags.table === undefined)
    return failure([
      `${name} holds ${tables.length} tables. Choose one with --table and its number:`,
      ...tables.map((one, at) => `  ${at + 1}: ${one.name || one.grid.rows[0]?.cells.join(' | ') || ''}`),
    ]);
  const table = tables[(flags.table ?? 1) - 1];
  if (table === undefined)
    return failure([`${name} holds ${tables.length} tables; there is no ${flags.table}.`]);
  const planned = planByFlags(table.grid, flags, { name: table.name });
  if (!planned.ok) return failure(planned.problem);
  const plan = planned.value;
  if (isAsked(plan))
    return failure([
      `${name}: the table leaves questions open. Answer them before sizing wearers:`,
      ...sayAsked(plan).map((line) => `  ${line}`),
      'To answer the same way next time, put these flags into a file, as {"unit": ["in"]}, and give it with --answers FILE.',
    ]);
  const read = readPlanned(plan);
  if (!read.ok) return faults(read.problem.map(sayFinding));
  const [first] = read.value.parts;
  if (first === undefined) return faults(['It has no sizes. Check that the right table is chosen.']);
  const head = { maker: 'file', garment: name, rule: 'widest-decides' } as const;
  const kept = chartSheetSchema.safeParse({ ...sheetAround(first, head), ...read.value });
  return kept.success ? success(kept.data) : faults(kept.error.issues.map(({ message }) => message));
}

/** A chart file; one larger than any workbook that is looked at is not read to its end. */
async function readWhole(path: string): Promise<Uint8Array | null> {
  try {
    const file = await open(path);
    try {
      const bytes = Buffer.alloc(LIMITS.workbook + 1);
      const { bytesRead } = await file.read(bytes, 0, bytes.length, 0);
      return bytes.subarray(0, bytesRead);
    } finally {
      await file.close();
    }
  } catch {
    return null;
  }
}
