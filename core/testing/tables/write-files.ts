// Tables written the ways they come: text in its encodings, pages, workbooks. For the corpus and its specs.
import * as XLSX from '@e965/xlsx';
import Papa from 'papaparse';

export type Rows = readonly (readonly string[])[];

/** Rows as text parted by a sign. */
export function csv(rows: Rows, delimiter = ','): string {
  return `${Papa.unparse(rows as string[][], { delimiter, newline: '\n' })}\n`;
}

/** Rows between upright strokes, with or without the outer ones and the line below the heading. */
export function piped(rows: Rows, outer = true): string {
  const line = (cells: readonly string[]) => (outer ? `| ${cells.join(' | ')} |` : cells.join(' | '));
  const [head, ...body] = rows;
  return [line(head!), ...(outer ? [line(head!.map(() => '---'))] : []), ...body.map(line)].join('\n');
}

/** Rows set in columns by spaces. */
export function aligned(rows: Rows): string {
  const widths = rows[0]!.map((_, at) => Math.max(...rows.map((row) => (row[at] ?? '').length)));
  return rows
    .map((row) =>
      row
        .map((cell, at) => cell.padEnd(widths[at]! + 3))
        .join('')
        .trimEnd(),
    )
    .join('\n');
}

const OF_1252: Readonly<Record<string, number>> = {
  '–': 0x96,
  '—': 0x97,
  '’': 0x92,
  '“': 0x93,
  '”': 0x94,
  '€': 0x80,
  '…': 0x85,
};
const OF_MAC: Readonly<Record<string, number>> = {
  ä: 0x8a,
  ö: 0x9a,
  ü: 0x9f,
  ß: 0xa7,
  Ä: 0x80,
  Ö: 0x85,
  Ü: 0x86,
  é: 0x8e,
  è: 0x8f,
  ñ: 0x96,
  '–': 0xd0,
  '—': 0xd1,
  '’': 0xd5,
  '“': 0xd2,
  '”': 0xd3,
};

/** Text as the bytes of an encoding. */
export function encoded(
  text: string,
  encoding: 'utf-8' | 'utf-8-bom' | 'utf-16le' | 'utf-16be' | 'utf-16-bare' | 'windows-1252' | 'mac',
): Uint8Array {
  const wide = (little: boolean, mark: boolean) => {
    const letters = mark ? `\ufeff${text}` : text;
    const bytes = new Uint8Array(letters.length * 2);
    const view = new DataView(bytes.buffer);
    [...Array(letters.length).keys()].forEach((at) => view.setUint16(at * 2, letters.charCodeAt(at), little));
    return bytes;
  };
  switch (encoding) {
    case 'utf-8':
      return new TextEncoder().encode(text);
    case 'utf-8-bom':
      return new TextEncoder().encode(`\ufeff${text}`);
    case 'utf-16le':
      return wide(true, true);
    case 'utf-16be':
      return wide(false, true);
    case 'utf-16-bare':
      return wide(true, false);
    default: {
      const table = encoding === 'mac' ? OF_MAC : OF_1252;
      return Uint8Array.from([...text], (letter) => table[letter] ?? letter.charCodeAt(0));
    }
  }
}

/** A worksheet: its cells, and what is special of it. */
export interface Sheet {
  readonly name: string;
  readonly rows: readonly (readonly (
    | string
    | number
    | Date
    | { readonly v: number; readonly z: string }
  )[])[];
  readonly merges?: readonly string[];
  readonly hiddenRows?: readonly number[];
  readonly hiddenColumns?: readonly number[];
  readonly hidden?: boolean;
}

/** Worksheets as the bytes of a workbook. */
export function workbook(sheets: readonly Sheet[], type: 'xlsx' | 'ods' = 'xlsx'): Uint8Array {
  const book = XLSX.utils.book_new();
  for (const { name, rows, merges, hiddenRows, hiddenColumns } of sheets) {
    const sheet: XLSX.WorkSheet = {};
    rows.forEach((row, r) =>
      row.forEach((value, c) => {
        if (value === '') return;
        const at = XLSX.utils.encode_cell({ r, c });
        if (value instanceof Date) sheet[at] = { t: 'd', v: value, z: 'd-mmm' };
        else if (typeof value === 'object') sheet[at] = { t: 'n', ...value };
        else sheet[at] = typeof value === 'number' ? { t: 'n', v: value } : { t: 's', v: value };
      }),
    );
    sheet['!ref'] = XLSX.utils.encode_range({
      s: { r: 0, c: 0 },
      e: { r: rows.length - 1, c: Math.max(...rows.map((row) => row.length)) - 1 },
    });
    sheet['!merges'] = (merges ?? []).map((range) => XLSX.utils.decode_range(range));
    const hide = (hidden: readonly number[] | undefined) => {
      const lines: { hidden: boolean }[] = [];
      for (const at of hidden ?? []) lines[at] = { hidden: true };
      return lines;
    };
    sheet['!rows'] = hide(hiddenRows);
    sheet['!cols'] = hide(hiddenColumns);
    XLSX.utils.book_append_sheet(book, sheet, name);
  }
  book.Workbook = { Sheets: sheets.map(({ hidden }) => ({ Hidden: hidden === true ? 1 : 0 })) };
  return new Uint8Array(
    XLSX.write(book, { type: 'array', bookType: type, compression: true }) as ArrayBuffer,
  );
}

/** Rows as a page. */
export function html(rows: Rows, before = '', after = ''): string {
  const cells = (row: readonly string[], name: string) =>
    row.map((cell) => `<${name}>${cell}</${name}>`).join('');
  const [head, ...body] = rows;
  return `<!doctype html><html><body>${before}<table><thead><tr>${cells(head!, 'th')}</tr></thead><tbody>${body
    .map((row) => `<tr>${cells(row, 'td')}</tr>`)
    .join('\n')}</tbody></table>${after}</body></html>`;
}
