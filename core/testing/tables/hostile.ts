// Files that are meant to keep a machine busy, or that only look like tables; made when they are needed.
import { strToU8, zipSync } from 'fflate';
import { csv, workbook } from './write-files';

export interface HostileFile {
  readonly what: string;
  readonly bytes: () => Uint8Array;
  /** Why it is refused; nothing where it is small enough to be read, and must only come to an end. */
  readonly refused: string | null;
}

const text = (content: string) => new TextEncoder().encode(content);
const page = (rows: string) => text(`<html><body><table>${rows}</table></body></html>`);
const row = (cells: readonly string[]) => `<tr>${cells.map((cell) => `<td>${cell}</td>`).join('')}</tr>`;

/** A workbook by its own words, for what a library would not write. */
function rawWorkbook(sheet: string, more: Readonly<Record<string, Uint8Array>> = {}): Uint8Array {
  const open = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
  const office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
  const packaged = 'http://schemas.openxmlformats.org/package/2006';
  return zipSync({
    '[Content_Types].xml': strToU8(
      `${open}<Types xmlns="${packaged}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/></Types>`,
    ),
    '_rels/.rels': strToU8(
      `${open}<Relationships xmlns="${packaged}/relationships"><Relationship Id="rId1" Type="${office}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    ),
    'xl/workbook.xml': strToU8(
      `${open}<workbook xmlns="${main}" xmlns:r="${office}"><sheets><sheet name="Sizes" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      `${open}<Relationships xmlns="${packaged}/relationships"><Relationship Id="rId1" Type="${office}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    ),
    'xl/worksheets/sheet1.xml': strToU8(`${open}<worksheet xmlns="${main}">${sheet}</worksheet>`),
    ...more,
  });
}

const cell = (place: string, value: string) => `<c r="${place}" t="inlineStr"><is><t>${value}</t></is></c>`;
const sizes = `<row r="1">${cell('A1', 'Size')}${cell('B1', 'Hip (cm)')}</row><row r="2">${cell('A2', 'S')}${cell('B2', '90-98')}</row><row r="3">${cell('A3', 'M')}${cell('B3', '98-106')}</row>`;

/** A packed file whose directory says that what is in it is small. */
function lying(bytes: Uint8Array): Uint8Array {
  const view = new DataView(bytes.buffer);
  for (let at = 0; at + 4 < bytes.length; at++) {
    const sign = view.getUint32(at, true);
    // The directory at the end, and the heading before each file.
    if (sign === 0x02014b50) view.setUint32(at + 24, 100, true);
    if (sign === 0x04034b50) view.setUint32(at + 22, 100, true);
  }
  return bytes;
}

/** As long as a cell may be, and as ambiguous. */
const NASTY: readonly string[] = [
  '1 ',
  '1-',
  '1/',
  '(',
  '1(',
  '1 (1',
  '½',
  '1½ ',
  '<',
  '<1',
  'to ',
  '1 to ',
  'à ',
  '1 à ',
  '1,',
  '1.',
  '1.1',
  ' 1/2',
  "1'",
  '1"',
  '*',
  '[1]',
  '(a)',
  'up to ',
  'from ',
  'x',
  'chest ',
  'chset ',
  'waist hip ',
  'in ',
  'in (',
  '(in) ',
  'cm, ',
  'measurements ',
  'all measurements in ',
  'size ',
  'size in (',
  '-',
  '—',
  '…',
  '...',
  '~',
  'short ',
  'S ',
  'EU ',
  'a  b ',
  '| ',
].map((piece) => piece.repeat(Math.floor(396 / piece.length)));

export const HOSTILE: readonly HostileFile[] = [
  {
    what: 'a cell at the far corner of a worksheet',
    refused: 'too-far-out',
    bytes: () =>
      rawWorkbook(
        `<dimension ref="A1:XFD1048576"/><sheetData>${sizes}<row r="4">${cell('XFD4', 'x')}</row></sheetData>`,
      ),
  },
  {
    what: 'a worksheet that says it reaches to the far corner',
    refused: null,
    bytes: () => rawWorkbook(`<dimension ref="A1:XFD1048576"/><sheetData>${sizes}</sheetData>`),
  },
  {
    what: 'a merge over fourteen million cells',
    refused: null,
    bytes: () =>
      rawWorkbook(
        `<sheetData>${sizes}</sheetData><mergeCells count="1"><mergeCell ref="A1:XFD900"/></mergeCells>`,
      ),
  },
  {
    what: 'a merge over a whole worksheet',
    refused: null,
    bytes: () =>
      rawWorkbook(
        `<sheetData>${sizes}</sheetData><mergeCells count="1"><mergeCell ref="A2:XFD1048576"/></mergeCells>`,
      ),
  },
  {
    what: 'a hundred thousand merges',
    refused: 'too-many-cells',
    bytes: () =>
      rawWorkbook(
        `<sheetData>${sizes}</sheetData><mergeCells>${Array.from({ length: 100_000 }, (_, at) => `<mergeCell ref="A${at + 1}:B${at + 2}"/>`).join('')}</mergeCells>`,
      ),
  },
  {
    what: 'hidden columns to the far corner',
    refused: null,
    bytes: () =>
      rawWorkbook(
        `<cols><col min="3" max="16384" width="9" hidden="1"/></cols><sheetData>${sizes}</sheetData>`,
      ),
  },
  {
    what: 'a worksheet of a million rows',
    refused: 'too-far-out',
    bytes: () =>
      rawWorkbook(
        `<sheetData>${sizes}${Array.from({ length: 100_000 }, (_, at) => `<row r="${at + 4}"><c r="A${at + 4}"><v>1</v></c></row>`).join('')}</sheetData>`,
      ),
  },
  {
    what: 'a bomb of nothing, packed',
    refused: 'unpacks-too-large',
    bytes: () =>
      rawWorkbook(`<sheetData>${sizes}</sheetData>`, { 'xl/sharedStrings.xml': new Uint8Array(60_000_000) }),
  },
  {
    what: 'a bomb that says it is small',
    refused: 'no-workbook',
    bytes: () =>
      lying(
        rawWorkbook(`<sheetData>${sizes}</sheetData>`, {
          'xl/sharedStrings.xml': new Uint8Array(60_000_000),
        }),
      ),
  },
  {
    what: 'entities within entities',
    refused: null,
    bytes: () =>
      rawWorkbook(
        `<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;">]><sheetData>${sizes}<row r="4">${cell('A4', '&b;')}</row></sheetData>`,
      ),
  },
  {
    what: 'half a workbook',
    refused: 'no-workbook',
    bytes: () => workbook([{ name: 'Sizes', rows: [['Size'], ['S']] }]).slice(0, 900),
  },
  { what: 'an empty workbook', refused: 'empty', bytes: () => rawWorkbook('<sheetData/>') },

  {
    what: 'a cell that spans ten thousand by ten thousand',
    refused: 'too-far-out',
    bytes: () =>
      page(row(['Size', 'Hip (cm)']) + '<tr><td rowspan="10000" colspan="10000">S</td><td>90-98</td></tr>'),
  },
  {
    what: 'many cells that each span what a table may have',
    refused: 'too-many-cells',
    bytes: () => page('<tr><td rowspan="2000" colspan="30">S</td></tr>'.repeat(2_000)),
  },
  {
    what: 'rows that reach down through each other',
    refused: null,
    bytes: () =>
      page(row(['Size', 'Hip']) + '<tr><td rowspan="300">S</td><td rowspan="200">90-98</td></tr>'.repeat(50)),
  },
  {
    what: 'five thousand columns of a page',
    refused: 'too-far-out',
    bytes: () => page(row(Array.from({ length: 5_000 }, (_, at) => `C${at}`)).repeat(4)),
  },
  {
    what: 'tables within tables, twenty thousand deep',
    refused: 'nested-too-deep',
    bytes: () => text('<table><tr><td>'.repeat(20_000)),
  },
  {
    what: 'a hundred thousand open elements',
    refused: 'nested-too-deep',
    bytes: () => text(`<table><tr><td>${'<b>'.repeat(100_000)}S</td></tr></table>`),
  },
  {
    what: 'brackets that never close',
    refused: 'no-table',
    bytes: () => text(`<div>${'<'.repeat(500_000)}`),
  },
  {
    what: 'a comment that never ends',
    refused: 'no-table',
    bytes: () => text(`<div><!--${'<table>-'.repeat(100_000)}`),
  },

  {
    what: 'five thousand columns',
    refused: 'too-far-out',
    bytes: () =>
      text(csv([Array.from({ length: 5_000 }, (_, at) => `C${at}`), Array.from({ length: 5_000 }, String)])),
  },
  {
    what: 'a cell of sixty thousand digits',
    refused: 'cell-too-long',
    bytes: () =>
      text(
        csv([
          ['Size', 'Hip (cm)'],
          ['S', '9'.repeat(60_000)],
          ['M', '98-106'],
        ]),
      ),
  },
  {
    what: 'two hundred thousand numbers in one cell',
    refused: 'cell-too-long',
    bytes: () =>
      text(
        csv([
          ['Size', 'Hip (cm)'],
          ['S', '9 '.repeat(200_000)],
          ['M', '98-106'],
        ]),
      ),
  },
  { what: 'ten megabytes', refused: 'too-many-bytes', bytes: () => text('S,90-98\n'.repeat(1_300_000)) },
  {
    what: 'ten megabytes of a page',
    refused: 'too-many-bytes',
    bytes: () => page('<tr><td>S</td><td>90-98</td></tr>'.repeat(300_000)),
  },
  {
    what: 'two hundred thousand lines',
    refused: 'too-far-out',
    bytes: () => text('S,90-98\n'.repeat(200_000)),
  },
  {
    what: 'a quotation mark that never closes',
    refused: 'open-quotes',
    bytes: () => text(`Size,Hip\nS,"${'90-98\n'.repeat(100_000)}`),
  },
  {
    what: 'cells that could be read in many ways',
    refused: null,
    bytes: () =>
      text(
        csv([
          ['Size', 'Hip (cm)'],
          ...NASTY.flatMap((one) => [
            [one, one],
            ['S', one],
          ]),
        ]),
      ),
  },
  {
    what: 'headings that could be read in many ways',
    refused: null,
    bytes: () =>
      text(
        csv([
          NASTY.slice(0, 40),
          NASTY.slice(0, 40).map(() => '90-98'),
          NASTY.slice(0, 40).map(() => '98-106'),
        ]),
      ),
  },
  {
    what: 'notes that could be read in many ways',
    refused: null,
    bytes: () =>
      text(
        [...NASTY.map((one) => `"${one.replace(/"/g, '')}"`), 'Size,Hip (cm)', 'S,90-98', 'M,98-106'].join(
          '\n',
        ),
      ),
  },
  { what: 'blanks and nothing else', refused: 'empty', bytes: () => text(' \n\t'.repeat(10_000)) },
  {
    what: 'signs that are no text',
    refused: 'no-text',
    bytes: () => Uint8Array.from({ length: 5_000 }, (_, at) => (at * 7919) % 256),
  },
  {
    what: 'columns by spaces in very long lines',
    refused: 'too-many-cells',
    bytes: () => text(`${'a  b   c    '.repeat(16)}\n`.repeat(1_500)),
  },
  {
    what: 'columns by spaces in very many lines',
    refused: 'too-far-out',
    bytes: () => text(Array.from({ length: 60_000 }, (_, at) => `S${at}   80-84   7 4`).join('\n')),
  },
  {
    what: 'one line that is as long as all others together',
    refused: 'too-far-out',
    bytes: () =>
      text(
        `a${' '.repeat(900_000)}b\n${Array.from({ length: 60_000 }, (_, at) => `S${at}  80 8`).join('\n')}`,
      ),
  },
];
