import { unzipSync, zipSync } from 'fflate';
import type * as Library from '@e965/xlsx';
import { failure, success, type Outcome } from '../../../outcome';
import { sayImportRemark } from './say-import-remark';
import { gridOf } from '../layout/grid';
import { LIMITS, type ImportProblem, type ImportedTable, type ImportedTables } from './imported';

/** Whether bytes are those of a packed file, as XLSX and ODS are. */
export function isPacked(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3;
}

/**
 * The worksheets of a workbook (XLSX, ODS), as they are displayed: merged cells in each place they cover,
 * hidden worksheets, rows and columns left out and said. Of a formula its last result is shown; it is never
 * carried out.
 *
 * What is packed is measured before it is unpacked, and packed anew as it was measured, so that the library
 * sees nothing else.
 */
export async function workbookTables(bytes: Uint8Array): Promise<Outcome<ImportedTables, ImportProblem>> {
  const unpacked = unpack(bytes);
  if (!unpacked.ok) return unpacked;
  // The library is large; it comes only when a workbook is read.
  const library = await import('@e965/xlsx');
  let workbook: Library.WorkBook;
  try {
    workbook = library.read(zipSync(unpacked.value.files, { level: 0 }), {
      type: 'array',
      cellStyles: true,
      cellFormula: false,
      cellHTML: false,
      sheetRows: LIMITS.rows + 2,
    });
  } catch {
    return failure({ code: 'no-workbook' });
  }
  const tables: ImportedTable[] = [];
  const remarks: string[] = unpacked.value.hides ? [sayImportRemark({ code: 'hidden-lines-read' })] : [];
  if (workbook.SheetNames.length > LIMITS.worksheets) return failure({ code: 'too-many-cells', where: '' });
  const budget = { cells: LIMITS.cells as number };
  for (const [at, name] of workbook.SheetNames.entries()) {
    if ((workbook.Workbook?.Sheets?.[at]?.Hidden ?? 0) > 0) {
      remarks.push(sayImportRemark({ code: 'worksheet-hidden', name }));
      continue;
    }
    const read = worksheet(library, workbook.Sheets[name]!, name, remarks, budget);
    if (!read.ok) return read;
    if (read.value.grid.rows.length > 0) tables.push(read.value);
  }
  return tables.length === 0 ? failure({ code: 'empty' }) : success({ tables, remarks });
}

/** What is packed in a file, once its sizes have been added up. */
function unpack(
  bytes: Uint8Array,
): Outcome<{ readonly files: Record<string, Uint8Array>; readonly hides: boolean }, ImportProblem> {
  let total = 0;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        // Pictures and the like are nothing of a table.
        if (/\.(?:png|jpe?g|gif|emf|wmf|bin)$|^Thumbnails\/|^Pictures\/|media\//i.test(name)) return false;
        total += originalSize;
        if (total > LIMITS.unpacked) throw new RangeError('too large');
        return true;
      },
    });
    const content = files['content.xml'];
    // The library does not say which rows of an ODS are hidden.
    const hides =
      content !== undefined &&
      /table:visibility="(?:collapse|filter)"/.test(new TextDecoder().decode(content));
    return success({ files, hides });
  } catch (problem) {
    return failure(
      problem instanceof RangeError && problem.message === 'too large'
        ? { code: 'unpacks-too-large', most: LIMITS.unpacked }
        : { code: 'no-workbook' },
    );
  }
}

function worksheet(
  library: typeof Library,
  sheet: Library.WorkSheet,
  name: string,
  remarks: string[],
  budget: { cells: number },
): Outcome<ImportedTable, ImportProblem> {
  const places = Object.keys(sheet).filter((key) => !key.startsWith('!'));
  if (places.length > LIMITS.cells * 4) return failure({ code: 'too-many-cells', where: name });
  const shown = new Map<number, Map<number, string>>();
  let [rows, columns] = [0, 0];
  for (const place of places) {
    const { r, c } = library.utils.decode_cell(place);
    const text = displayed(library, sheet[place] as Shown);
    if (text === '') continue;
    if (text.length > LIMITS.cell)
      return failure({ code: 'cell-too-long', where: name, line: r + 1, column: c + 1 });
    [rows, columns] = [Math.max(rows, r + 1), Math.max(columns, c + 1)];
    budget.cells -= 1;
    shown.set(r, (shown.get(r) ?? new Map<number, string>()).set(c, text));
  }
  if (rows > LIMITS.rows || columns > LIMITS.columns)
    return failure({ code: 'too-far-out', where: name, rows, columns });
  const merges = sheet['!merges'] ?? [];
  if (merges.length > LIMITS.spans) return failure({ code: 'too-many-cells', where: name });
  for (const { s, e } of merges) {
    const text = shown.get(s.r)?.get(s.c);
    // What is merged beyond the last cell that holds something covers nothing.
    const [down, along] = [Math.min(e.r, rows - 1), Math.min(e.c, columns - 1)];
    if (text === undefined) continue;
    budget.cells -= Math.max(0, down - s.r + 1) * Math.max(0, along - s.c + 1);
    if (budget.cells < 0) break;
    for (let row = s.r; row <= down; row++)
      for (let column = s.c; column <= along; column++)
        shown.set(row, (shown.get(row) ?? new Map<number, string>()).set(column, text));
  }
  if (budget.cells < 0) return failure({ code: 'too-many-cells', where: name });
  const hiddenRows = hiddenIn(sheet['!rows'], rows);
  const hiddenColumns = hiddenIn(sheet['!cols'], columns);
  if (hiddenRows.size > 0)
    remarks.push(sayImportRemark({ code: 'lines-hidden', count: hiddenRows.size, what: 'row', of: name }));
  if (hiddenColumns.size > 0)
    remarks.push(
      sayImportRemark({ code: 'lines-hidden', count: hiddenColumns.size, what: 'column', of: name }),
    );
  const grid = gridOf(
    Array.from({ length: rows }, (_, row) => row)
      .filter((row) => !hiddenRows.has(row))
      .map((row) => ({
        line: row + 1,
        cells: Array.from({ length: columns }, (_, column) => column)
          .filter((column) => !hiddenColumns.has(column))
          .map((column) => shown.get(row)?.get(column) ?? ''),
      })),
  );
  return success({ name, grid });
}

interface Shown {
  readonly t?: string;
  readonly v?: unknown;
  readonly w?: string;
  readonly z?: string | number;
}

/** What a cell shows. A date shows its day and month: it may be what a spreadsheet made of `6-8`. */
function displayed(library: typeof Library, { t, v, w, z }: Shown): string {
  if (t === 'z' || t === 'e' || v === undefined) return '';
  if (t === 'n' && typeof v === 'number' && z !== undefined && library.SSF.is_date(String(z))) {
    const monthAndYear = /m/i.test(String(z)) && !/d/i.test(String(z));
    return (library.SSF.format as (format: string, value: number) => string)(
      monthAndYear ? 'mmm-yy' : 'dd-mmm',
      v,
    );
  }
  return (w ?? String(v as string | number | boolean)).trim();
}

function hiddenIn(
  lines: readonly ({ hidden?: boolean } | null | undefined)[] | undefined,
  until: number,
): Set<number> {
  const hidden = new Set<number>();
  for (let at = 0; at < Math.min(until, lines?.length ?? 0); at++)
    if (lines![at]?.hidden === true) hidden.add(at);
  return hidden;
}
