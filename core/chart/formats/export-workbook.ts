import type { ChartSheet } from '../chart-shape';
import { tableRows } from './export-table';

/** How wide a column is, in letters. */
const [NARROW, WIDE] = [10, 22];

/**
 * A chart as a workbook (XLSX), a worksheet a part.
 *
 * @example exportWorkbook(jacket.sheet).then((bytes) => String.fromCharCode(bytes[0], bytes[1])) // 'PK'
 */
export function exportWorkbook(sheet: ChartSheet): Promise<Uint8Array> {
  return writeWorkbook(sheet.parts.map((part) => ({ name: part.name, rows: tableRows(sheet, part) })));
}

/**
 * Tables as a workbook (XLSX), a worksheet each. Every cell is text, so none can be a formula.
 *
 * @example writeWorkbook([{ name: 'Sizes', rows: [['Size', 'Chest'], ['M', '=94']] }]).then((bytes) => bytes.length > 0) // true
 */
export async function writeWorkbook(
  tables: readonly { readonly name: string; readonly rows: readonly (readonly string[])[] }[],
): Promise<Uint8Array> {
  // The library is large; it comes only when a workbook is read or written.
  const { utils, write } = await import('@e965/xlsx');
  const book = utils.book_new();
  for (const { name, rows } of tables) {
    const page = utils.aoa_to_sheet(rows.map((row) => row.map((text) => ({ t: 's' as const, v: text }))));
    page['!cols'] = rows[0]!.map((_, at) => ({ wch: at === 0 ? NARROW : WIDE }));
    utils.book_append_sheet(book, page, name.replace(/[[\]*?/\\:]/g, ' ').slice(0, 31), true);
  }
  return new Uint8Array(write(book, { type: 'array', bookType: 'xlsx', compression: true }) as ArrayBuffer);
}
