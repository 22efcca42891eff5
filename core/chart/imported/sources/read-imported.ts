import { failure, success, type Outcome } from '../../../outcome';
import { findTables } from '../layout/find-tables';
import { LIMITS, type ImportProblem, type ImportedTables } from './imported';
import { decodeText } from './decode-text';
import { htmlTables } from './html/html-tables';
import { textGrid } from './text-table';
import { isPacked, workbookTables } from './workbook-tables';

/** What is being done with a file. */
export type ReadingStage = 'unpacking' | 'decoding' | 'finding-tables';

/**
 * The tables in a file: text in whatever encoding, a page, a workbook. Everything is measured before it is
 * worked on; what is too large is refused at once.
 *
 * @param bytes the whole file
 * @param onStage told what is being done, for people who wait
 * @example readImportedFile(new TextEncoder().encode('Size,Chest (cm)\nM,94-102')).then(({ value }) => value.tables.length) // 1
 */
export async function readImportedFile(
  bytes: Uint8Array,
  onStage: (stage: ReadingStage) => void = () => undefined,
): Promise<Outcome<ImportedTables, ImportProblem>> {
  if (bytes.length === 0) return failure({ code: 'empty' });
  if (isPacked(bytes)) {
    if (bytes.length > LIMITS.workbook)
      return failure({ code: 'too-many-bytes', bytes: bytes.length, most: LIMITS.workbook });
    onStage('unpacking');
    const read = await workbookTables(bytes);
    onStage('finding-tables');
    return read.ok ? success(apart(read.value)) : read;
  }
  if (bytes.length > LIMITS.text)
    return failure({ code: 'too-many-bytes', bytes: bytes.length, most: LIMITS.text });
  onStage('decoding');
  const text = decodeText(bytes);
  if (!text.ok) return text;
  onStage('finding-tables');
  const read = readImportedText(text.value.text);
  if (!read.ok) return read;
  const { encoding } = text.value;
  const remarks = encoding === 'UTF-8' ? [] : [`Read as ${encoding}.`];
  return success({ ...read.value, remarks: [...remarks, ...read.value.remarks] });
}

/**
 * The tables in a block of text that was pasted, or that a file holds: a page, or rows of cells.
 *
 * @example readImportedText('Size,Chest (cm)\nM,94-102').value.tables.length // 1
 */
export function readImportedText(text: string): Outcome<ImportedTables, ImportProblem> {
  if (text.length > LIMITS.text)
    return failure({ code: 'too-many-bytes', bytes: text.length, most: LIMITS.text });
  if (text.trim() === '') return failure({ code: 'empty' });
  if (text.includes('\0')) return failure({ code: 'no-text' });
  if (/<table[\s>]/i.test(text) || /^\s*<(?:!doctype|html|body|div|p|meta)\b/i.test(text)) {
    const page = htmlTables(text);
    return page.ok ? success(apart(page.value)) : page;
  }
  const grid = textGrid(text);
  if (!grid.ok) return grid;
  const refused = tooLarge(grid.value.rows);
  if (refused !== null) return failure(refused);
  return success(apart({ tables: [{ name: '', grid: grid.value }], remarks: [] }));
}

/** Whether rows reach further than a table may. */
function tooLarge(
  rows: readonly { readonly line: number; readonly cells: readonly string[] }[],
): ImportProblem | null {
  let filled = 0;
  for (const { line, cells } of rows) {
    if (rows.length > LIMITS.rows || cells.length > LIMITS.columns)
      return { code: 'too-far-out', where: '', rows: rows.length, columns: cells.length };
    const long = cells.findIndex((cell) => cell.length > LIMITS.cell);
    if (long >= 0) return { code: 'cell-too-long', where: '', line, column: long + 1 };
    filled += cells.length;
    if (filled > LIMITS.cells) return { code: 'too-many-cells', where: '' };
  }
  return null;
}

/** Each table of what was imported by itself: several may stand on one sheet, below or beside each other. */
function apart({ tables, remarks }: ImportedTables): ImportedTables {
  return { tables: tables.flatMap(findTables), remarks };
}
