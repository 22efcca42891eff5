// Encodings, delimiters, workbooks and pages.
import { JACKET, SHIRT } from '../garments';
import { aligned, csv, encoded, html, piped, workbook, type Rows } from '../write-files';
import { bare, one, plainly, range, rowsOf, several, type MadeCase } from './case';

const GERMAN = csv(rowsOf(JACKET, { language: 'de', size: 'Größe', cell: range(' – ') }), ';');
const SIGNS = csv(
  rowsOf(SHIRT).map((row) => row.map((cell) => cell.replace(/ 1\/2/g, '½'))),
  ';',
);
const rows = rowsOf(JACKET);
const numbers = JACKET.sizes.map((size, at) => [
  size,
  ...JACKET.columns.flatMap(({ cells }) => cells[at] as [number, number]),
]);
const fromTo = ['Size', 'Hip from (cm)', 'Hip to (cm)', 'Height from (cm)', 'Height to (cm)'];
const spanned = `<table><tr><th rowspan="2">Size</th><th colspan="2">Hip (cm)</th><th colspan="2">Height (cm)</th></tr><tr><td>min</td><td>max</td><td>min</td><td>max</td></tr>${numbers
  .map((row) => `<tr>${row.map((cell) => `<td>${cell}</td>`).join('')}</tr>`)
  .join('')}</table>`;

const text = (name: string, what: string, bytes: Uint8Array, remark?: string): MadeCase =>
  one(
    `text-${name}`,
    what,
    ['csv', bytes],
    plainly(JACKET),
    remark === undefined ? {} : { remarks: [remark] },
  );

export const FILES: readonly MadeCase[] = [
  text('utf-8', 'UTF-8, umlauts and dashes', encoded(GERMAN, 'utf-8')),
  text('utf-8-bom', 'UTF-8 with its mark', encoded(GERMAN, 'utf-8-bom')),
  text('utf-16le', 'UTF-16 as spreadsheets save it', encoded(GERMAN, 'utf-16le'), 'UTF-16'),
  text('utf-16be', 'UTF-16, the other order', encoded(GERMAN, 'utf-16be'), 'UTF-16'),
  text('utf-16-bare', 'UTF-16 without its mark', encoded(GERMAN, 'utf-16-bare'), 'UTF-16'),
  text('windows-1252', 'Windows-1252', encoded(GERMAN, 'windows-1252'), 'Windows-1252'),
  text('mac', 'an old encoding of Macs', encoded(GERMAN, 'mac'), 'Mac'),
  one(
    'text-windows-halves',
    'Windows-1252 with halves as one sign',
    ['csv', encoded(SIGNS, 'windows-1252')],
    plainly(SHIRT),
    { remarks: ['Windows-1252'] },
  ),
  one('tabs', 'tabs', ['tsv', csv(rows, '\t')], plainly(JACKET)),
  one(
    'tabs-title',
    'tabs below a title with commas',
    ['txt', `Harbour jacket, all weathers, lined\n${csv(rows, '\t')}`],
    plainly(JACKET),
  ),
  one('semicolons', 'semicolons', ['csv', csv(rows, ';')], plainly(JACKET)),
  one('pipes', 'upright strokes as in notes', ['txt', piped(rows)], plainly(JACKET)),
  one('pipes-bare', 'upright strokes without the outer ones', ['txt', piped(rows, false)], plainly(JACKET)),
  one('aligned', 'columns set by spaces', ['txt', aligned(rows)], plainly(JACKET)),
  one(
    'aligned-words',
    'columns set by spaces, ranges in words, a mail around it',
    ['txt', `Hello,\n\nhere is the table:\n\n${aligned(rowsOf(JACKET, { cell: range(' to ') }))}\n\nRegards`],
    plainly(JACKET),
  ),
  one('crlf', 'line ends of Windows', ['csv', csv(rows).replace(/\n/g, '\r\n')], plainly(JACKET)),
  one('cr', 'line ends of old Macs', ['csv', csv(rows).replace(/\n/g, '\r')], plainly(JACKET)),
  one(
    'quoted',
    'every cell in quotation marks',
    ['csv', rows.map((row) => row.map((cell) => `"${cell}"`).join(',')).join('\n')],
    plainly(JACKET),
  ),
  one('blank-lines', 'blank lines between', ['csv', csv(rows).replace(/\n/g, '\n\n')], plainly(JACKET)),
  one(
    'trailing-commas',
    'empty columns at the end',
    ['csv', csv(rows.map((row) => [...row, '', '']))],
    plainly(JACKET),
  ),
  one(
    'leading-column',
    'an empty column before',
    ['csv', csv(rows.map((row) => ['', ...row]))],
    plainly(JACKET),
  ),

  one('xlsx', 'a workbook', ['xlsx', workbook([{ name: 'Sizes', rows }])], plainly(JACKET)),
  one(
    'xlsx-numbers',
    'a workbook of numbers, from and to in two columns',
    ['xlsx', workbook([{ name: 'Sizes', rows: [fromTo, ...numbers] }])],
    plainly(JACKET),
  ),
  one(
    'xlsx-title',
    'a merged title above',
    [
      'xlsx',
      workbook([
        {
          name: 'Sizes',
          rows: [['Harbour jacket, sizes in cm', '', ''], ...rowsOf(JACKET, { heading: bare })],
          merges: ['A1:C1'],
        },
      ]),
    ],
    plainly(JACKET),
  ),
  one(
    'xlsx-merged-heading',
    'a heading merged over from and to',
    [
      'xlsx',
      workbook([
        {
          name: 'Sizes',
          rows: [['Size', 'Hip (cm)', '', 'Height (cm)', ''], ['', 'from', 'to', 'from', 'to'], ...numbers],
          merges: ['A1:A2', 'B1:C1', 'D1:E1'],
        },
      ]),
    ],
    plainly(JACKET),
  ),
  one(
    'xlsx-hidden',
    'hidden rows, columns and worksheets',
    [
      'xlsx',
      workbook([
        {
          name: 'Old',
          rows: [
            ['Size', 'Hip (cm)'],
            ['S', '10-20'],
          ],
          hidden: true,
        },
        {
          name: 'Sizes',
          rows: rows.flatMap((row, at) => [
            [row[0]!, 'internal', ...row.slice(1)],
            ...(at === 1 ? [['XX', 'x', '1-2', '3-4']] : []),
          ]),
          hiddenRows: [2],
          hiddenColumns: [1],
        },
      ]),
    ],
    plainly(JACKET),
    { remarks: ['hidden worksheet', '1 hidden row ', '1 hidden column '] },
  ),
  one(
    'xlsx-displayed',
    'numbers shown rounded, one of them with noise',
    [
      'xlsx',
      workbook([
        {
          name: 'Sizes',
          rows: [
            fromTo,
            ...numbers.map(([size, ...ends]) => [
              size as string,
              ...ends.map((end) => ({ v: (end as number) + 0.000000001, z: '0' })),
            ]),
          ],
        },
      ]),
    ],
    plainly(JACKET),
  ),
  one(
    'xlsx-dates',
    'labels that a spreadsheet made dates of',
    [
      'xlsx',
      workbook([
        {
          name: 'Sizes',
          rows: [
            ['Size', 'Head (cm)'],
            [new Date(Date.UTC(2026, 5, 3)), '46-48'],
            [new Date(Date.UTC(2026, 7, 6)), '48-50'],
            [new Date(Date.UTC(2026, 11, 10)), '50-52'],
          ],
        },
      ]),
    ],
    {
      asks: [],
      parts: [
        { sizes: ['3-6 | head-girth 46-48 cm', '6-8 | head-girth 48-50 cm', '10-12 | head-girth 50-52 cm'] },
      ],
      answers: {},
    },
  ),
  several(
    'xlsx-worksheets',
    'two worksheets, each a garment',
    [
      'xlsx',
      workbook([
        { name: 'Jacket', rows },
        { name: 'Shirt', rows: rowsOf(SHIRT) },
      ]),
    ],
    [plainly(JACKET), plainly(SHIRT)],
  ),
  several(
    'xlsx-cover',
    'a worksheet of words before the sizes',
    [
      'xlsx',
      workbook([
        {
          name: 'Cover',
          rows: [
            ['Brackwater Reserve', 'issue'],
            ['ask the', 'quartermaster'],
          ],
        },
        { name: 'Jacket', rows },
      ]),
    ],
    [null, plainly(JACKET)],
  ),
  one('ods', 'an open document', ['ods', workbook([{ name: 'Sizes', rows }], 'ods')], plainly(JACKET)),
  one(
    'ods-numbers',
    'an open document of numbers, merged headings',
    [
      'ods',
      workbook(
        [
          {
            name: 'Sizes',
            rows: [['Size', 'Hip (cm)', '', 'Height (cm)', ''], ['', 'from', 'to', 'from', 'to'], ...numbers],
            merges: ['A1:A2', 'B1:C1', 'D1:E1'],
          },
        ],
        'ods',
      ),
    ],
    plainly(JACKET),
  ),

  one('page', 'a page', ['html', html(rows, '<h1>Harbour jacket</h1>', '<p>Ask us.</p>')], plainly(JACKET)),
  one('page-spans', 'cells that span rows and columns', ['html', spanned], plainly(JACKET)),
  one(
    'page-breaks',
    'line breaks between the ends',
    ['html', html(rowsOf(JACKET, { cell: range('<br>') }))],
    plainly(JACKET),
  ),
  one(
    'page-entities',
    'dashes and spaces as entities',
    ['html', html(rowsOf(JACKET, { cell: range('&nbsp;&ndash;&nbsp;') }))],
    plainly(JACKET),
  ),
  one(
    'page-notes',
    'raised letters that point at notes',
    [
      'html',
      html(
        rows.map((row) => row.map((cell) => (/^\d/.test(cell) ? `${cell}<sup>a</sup>` : cell))),
        '',
        '<p>a over a shirt</p>',
      ),
    ],
    plainly(JACKET),
  ),
  one(
    'page-note-figures',
    'raised figures behind whole numbers',
    ['html', html(rows.map((row) => row.map((cell) => (/^\d/.test(cell) ? `${cell}<sup>2</sup>` : cell))))],
    plainly(JACKET),
  ),
  one(
    'page-hidden',
    'rows and texts that the page hides',
    [
      'html',
      html(rows, '', '')
        .replace('<tbody>', '<tbody><tr style="display:none"><td>XX</td><td>1-2</td><td>3-4</td></tr>')
        .replace('>S<', '><span class="sr-only">Size: </span>S<'),
    ],
    plainly(JACKET),
    { remarks: ['hides'] },
  ),
  one(
    'page-unclosed',
    'cells and rows that are never closed',
    [
      'html',
      `<table>${rows.map((row) => `<tr>${row.map((cell) => `<td>${cell}`).join('')}`).join('\n')}</table>`,
    ],
    plainly(JACKET),
  ),
  several(
    'page-navigation',
    'a table for finding one’s way before the real one',
    [
      'html',
      html(rows, '<table><tr><td>Home</td><td>Shop</td></tr><tr><td>Basket</td><td>Help</td></tr></table>'),
    ],
    [null, plainly(JACKET)],
  ),
  one(
    'page-caption',
    'a caption that names the unit',
    [
      'html',
      html(rowsOf(JACKET, { heading: bare })).replace('<table>', '<table><caption>Size chart (cm)</caption>'),
    ],
    plainly(JACKET),
  ),
  one(
    'page-above',
    'a line above the table that names the unit',
    ['html', html(rowsOf(JACKET, { heading: bare }), '<h2>All measurements in centimetres</h2>')],
    plainly(JACKET),
  ),
  one(
    'page-script',
    'scripts and styles in cells',
    ['html', html(rows).replace('>S<', '><script>window.ran = 1</script><style>td{}</style>S<')],
    plainly(JACKET),
  ),
  one(
    'page-row-headings',
    'row headings instead of cells',
    ['html', html(rows).replace(/<tr><td>(S|M|L|XL)<\/td>/g, '<tr><th scope="row">$1</th>')],
    plainly(JACKET),
  ),
  one('page-across', 'the sizes across a page', ['html', html(turn(rows))], plainly(JACKET)),
];

function turn(grid: Rows): string[][] {
  return grid[0]!.map((_, at) => grid.map((row) => row[at] ?? ''));
}
