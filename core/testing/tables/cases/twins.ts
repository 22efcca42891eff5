// One measure in two units: in a cell, in two columns, in two tables.
import { JACKET, SHIRT } from '../garments';
import { csv, html, workbook } from '../write-files';
import { one, plainly, rowsOf, several, type MadeCase } from './case';

/** A jacket in whole inches, and in the centimetres that its maker rounds them to. */
const BOTH = {
  sizes: ['S', 'M', 'L'],
  inches: ['34-36', '38-40', '42-44'],
  cm: ['86-91', '97-102', '107-112'],
};
const understood = {
  asks: [],
  parts: [{ sizes: BOTH.sizes.map((size, at) => `${size} | chest-girth ${BOTH.cm[at]!} cm`) }],
};
const dual = (heading: string, cell: (inches: string, cm: string) => string) => [
  ['Size', heading],
  ...BOTH.sizes.map((size, at) => [size, cell(BOTH.inches[at]!, BOTH.cm[at]!)]),
];
const sides = (...headings: string[]) => [
  ['Size', ...headings],
  ...BOTH.sizes.map((size, at) => [size, BOTH.inches[at]!, BOTH.cm[at]!]),
];
const inches = [['Size', 'Chest (in)'], ...BOTH.sizes.map((size, at) => [size, BOTH.inches[at]!])];
const cm = [['Size', 'Chest (cm)'], ...BOTH.sizes.map((size, at) => [size, BOTH.cm[at]!])];
const inInches = {
  asks: [],
  parts: [{ sizes: BOTH.sizes.map((size, at) => `${size} | chest-girth ${BOTH.inches[at]!} in`) }],
};

export const TWINS: readonly MadeCase[] = [
  one(
    'dual-brackets',
    'inches with centimetres in brackets',
    ['csv', csv(dual('Chest in (cm)', (a, b) => `${a} (${b})`))],
    inInches,
  ),
  one(
    'dual-heading-stroke',
    'a heading that names both units',
    ['csv', csv(dual('Chest (in/cm)', (a, b) => `${a} (${b})`))],
    inInches,
  ),
  one(
    'dual-title',
    'a title that names both units',
    ['csv', csv([['Size chart: inches (cm)', ''], ...dual('Chest', (a, b) => `${a} (${b})`)])],
    inInches,
  ),
  one(
    'dual-marked',
    'both units in the cell',
    ['csv', csv(dual('Chest', (a, b) => `${a} in / ${b} cm`))],
    inInches,
  ),
  one(
    'dual-marks',
    'marks of inches, centimetres behind',
    ['csv', csv(dual('Chest', (a, b) => `${a}" (${b} cm)`))],
    inInches,
  ),
  one(
    'dual-cm-first',
    'centimetres first',
    ['csv', csv(dual('Chest', (a, b) => `${b} cm (${a} in)`))],
    understood,
  ),
  one(
    'dual-lines',
    'one below the other in the cell of a page',
    ['html', html(dual('Chest', (a, b) => `${a} in<br>${b} cm`))],
    inInches,
  ),
  one(
    'dual-one-named',
    'a heading that names one of them',
    ['csv', csv(dual('Chest (in)', (a, b) => `${a} (${b})`))],
    inInches,
  ),
  one('dual-none-named', 'no unit named anywhere', ['csv', csv(dual('Chest', (a, b) => `${a} (${b})`))], {
    ...inInches,
    asks: ['which-unit 1a'],
    answers: { columns: { '1a': { unit: 'in' } } },
  }),
  one(
    'dual-feet',
    'feet and inches with centimetres',
    [
      'csv',
      csv([
        ['Size', 'Height'],
        ['S', `5'4"-5'6" (163-168 cm)`],
        ['M', `5'6"-5'8" (168-173 cm)`],
      ]),
    ],
    {
      asks: [],
      parts: [{ sizes: ['S | height 64-66 in', 'M | height 66-68 in'] }],
    },
  ),
  one(
    'twin-columns',
    'two columns of one measurement',
    ['csv', csv(sides('Chest (in)', 'Chest (cm)'))],
    inInches,
  ),
  one(
    'twin-columns-merged',
    'two units below one heading',
    [
      'xlsx',
      workbook([
        {
          name: 'Sizes',
          rows: [['Size', 'Chest', ''], ['', 'in', 'cm'], ...sides().slice(1)],
          merges: ['B1:C1'],
        },
      ]),
    ],
    inInches,
  ),
  one(
    'twin-columns-apart',
    'two columns that say otherwise',
    [
      'csv',
      csv([
        ['Size', 'Chest (in)', 'Chest (cm)'],
        ['S', '34-36', '86-91'],
        ['M', '38-40', '102-107'],
        ['L', '42-44', '107-112'],
      ]),
    ],
    {
      asks: ['twins-differ 2'],
      answers: { columns: { 2: { means: null } } },
      parts: [
        { sizes: ['S | chest-girth 34-36 in', 'M | chest-girth 38-40 in', 'L | chest-girth 42-44 in'] },
      ],
    },
  ),
  one(
    'twice-the-same',
    'a measurement twice in one unit',
    [
      'csv',
      csv([
        ['Size', 'Chest (cm)', 'Chest (cm)'],
        ['S', '86-91', '96-101'],
        ['M', '91-96', '101-106'],
      ]),
    ],
    {
      asks: ['left-out 2'],
      answers: { columns: { 2: { means: null } } },
      parts: [{ sizes: ['S | chest-girth 86-91 cm', 'M | chest-girth 91-96 cm'] }],
    },
  ),
  several(
    'twin-tables',
    'a table in inches above one in centimetres',
    ['csv', `${csv(inches)}\n${csv(cm)}`],
    [inInches, understood],
  ),
  several(
    'twin-worksheets',
    'a worksheet in inches and one in centimetres',
    [
      'xlsx',
      workbook([
        { name: 'Inches', rows: inches },
        { name: 'Centimetres', rows: cm },
      ]),
    ],
    [inInches, understood],
  ),
];

/** Several tables in one file. */
export const SEVERAL: readonly MadeCase[] = [
  several(
    'tables-below',
    'two garments, one below the other',
    ['csv', `Jacket,,\n${csv(rowsOf(JACKET))}\nShirt,,\n${csv(rowsOf(SHIRT))}`],
    [plainly(JACKET), plainly(SHIRT)],
  ),
  several(
    'tables-below-close',
    'two garments without a blank line between',
    ['csv', `${csv(rowsOf(JACKET))}${csv(rowsOf(SHIRT))}`],
    [plainly(JACKET), plainly(SHIRT)],
  ),
  several(
    'tables-beside',
    'two garments side by side',
    ['csv', csv(rowsOf(JACKET).map((row, at) => [...row, '', ...rowsOf(SHIRT)[at]!]))],
    [plainly(JACKET), { asks: [], parts: plainly(SHIRT).parts }],
  ),
  several(
    'tables-page',
    'two garments on a page',
    [
      'html',
      html(
        rowsOf(JACKET),
        '<h2>Jacket</h2>',
        `<h2>Shirt</h2><table>${rowsOf(SHIRT)
          .map((row) => `<tr>${row.map((cell) => `<td>${cell}</td>`).join('')}</tr>`)
          .join('')}</table>`,
      ),
    ],
    [plainly(JACKET), plainly(SHIRT)],
  ),
  several(
    'men-and-women',
    'men and women below one heading',
    [
      'csv',
      csv([
        ['Size', 'Chest (cm)', 'Hip (cm)'],
        ['Men', '', ''],
        ['S', '86-94', '90-98'],
        ['M', '94-102', '98-106'],
        ['Women', '', ''],
        ['S', '82-90', '88-96'],
        ['M', '90-98', '96-104'],
      ]),
    ],
    [
      {
        asks: [],
        parts: [
          {
            sizes: [
              'S | chest-girth 86-94 cm | hip-girth 90-98 cm',
              'M | chest-girth 94-102 cm | hip-girth 98-106 cm',
            ],
          },
        ],
      },
      {
        asks: [],
        parts: [
          {
            sizes: [
              'S | chest-girth 82-90 cm | hip-girth 88-96 cm',
              'M | chest-girth 90-98 cm | hip-girth 96-104 cm',
            ],
          },
        ],
      },
    ],
  ),
  several(
    'herren-damen',
    'the same in German, a heading each',
    [
      'csv',
      `Herren\n${csv(rowsOf(JACKET, { language: 'de', size: 'Größe' }))}\nDamen\n${csv(rowsOf(JACKET, { language: 'de', size: 'Größe' }))}`,
    ],
    [plainly(JACKET), plainly(JACKET)],
  ),
  several(
    'unnamed-sections',
    'sizes that begin anew below a name',
    [
      'csv',
      csv([
        ['Size', 'Hip (cm)'],
        ['S', '90-98'],
        ['M', '98-106'],
        ['Stretch model', ''],
        ['S', '86-94'],
        ['M', '94-102'],
      ]),
    ],
    [
      { asks: [], parts: [{ sizes: ['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'] }] },
      { asks: [], parts: [{ sizes: ['S | hip-girth 86-94 cm', 'M | hip-girth 94-102 cm'] }] },
    ],
  ),
  several(
    'page-two-units',
    'a page with a tab for each unit',
    [
      'html',
      html(
        inches,
        '<h3>Inches</h3>',
        `<h3>Centimetres</h3><table>${cm.map((row) => `<tr>${row.map((cell) => `<td>${cell}</td>`).join('')}</tr>`).join('')}</table>`,
      ),
    ],
    [inInches, understood],
  ),
  several(
    'plus-sizes',
    'a word between sizes that go on',
    [
      'csv',
      csv([
        ['Size', 'Hip (cm)'],
        ['M', '98-106'],
        ['L', '106-114'],
        ['Plus sizes', ''],
        ['XL', '114-122'],
        ['XXL', '122-130'],
      ]),
    ],
    [
      {
        asks: [],
        parts: [
          {
            sizes: [
              'M | hip-girth 98-106 cm',
              'L | hip-girth 106-114 cm',
              'XL | hip-girth 114-122 cm',
              'XXL | hip-girth 122-130 cm',
            ],
          },
        ],
      },
    ],
  ),
];
