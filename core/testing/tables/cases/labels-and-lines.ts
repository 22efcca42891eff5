// Labels of other systems, sizes of which nothing is given, and lines that are not part of the table.
import { JACKET } from '../garments';
import { csv, html } from '../write-files';
import { one, plainly, rowsOf, type MadeCase } from './case';
import type { UnderstoodTable } from '../corpus-case';
import { across } from './across';

const SHOES: readonly (readonly string[])[] = [
  ['40', '6.5', '7.5', '250', '249-253'],
  ['41', '7', '8', '255', '253-259'],
  ['42', '8', '9', '260', '259-266'],
];
const shoes: UnderstoodTable = {
  asks: [],
  parts: [
    {
      sizes: [
        '40 | derived:longer-foot 249-253 mm',
        '41 | derived:longer-foot 253-259 mm',
        '42 | derived:longer-foot 259-266 mm',
      ],
      other: { UK: ['6.5', '7', '8'], US: ['7.5', '8', '9'], Mondopoint: ['250', '255', '260'] },
    },
  ],
};
const letters = (other: UnderstoodTable['parts'][number]['other']): UnderstoodTable => ({
  asks: [],
  parts: [{ ...plainly(JACKET).parts[0]!, other: other! }],
});

export const LABELS_AND_LINES: readonly MadeCase[] = [
  one(
    'systems-shoes',
    'sizes of several systems, and feet',
    ['csv', csv([['EU', 'UK', 'US', 'Mondopoint', 'Foot length (mm)'], ...SHOES])],
    shoes,
  ),
  one(
    'systems-shoes-page',
    'the same on a page, in German',
    ['html', html([['EU', 'UK', 'US', 'Mondopoint', 'Fußlänge (mm)'], ...SHOES])],
    shoes,
  ),
  one(
    'systems-shoes-across',
    'the same, the sizes across',
    ['csv', csv(across([['EU size', 'UK', 'US', 'Mondopoint', 'Foot length (mm)'], ...SHOES]))],
    shoes,
  ),
  one(
    'systems-letters',
    'letters, and what they are elsewhere',
    [
      'csv',
      csv(
        rowsOf(JACKET).map((row, at) => [
          row[0]!,
          ['EU', '44', '48', '52', '56'][at]!,
          ['UK', '34', '38', '42', '46'][at]!,
          ...row.slice(1),
        ]),
      ),
    ],
    letters({ EU: ['44', '48', '52', '56'], UK: ['34', '38', '42', '46'] }),
  ),
  one(
    'systems-before',
    'another system before the letters',
    ['csv', csv(rowsOf(JACKET).map((row, at) => [['DE', '44', '48', '52', '56'][at]!, ...row]))],
    letters({ DE: ['44', '48', '52', '56'] }),
  ),
  one(
    'systems-ranges',
    'labels that are ranges',
    [
      'csv',
      csv(
        rowsOf(JACKET).map((row, at) => [
          row[0]!,
          ['EU size', '44-46', '48-50', '52-54', '56-58'][at]!,
          ...row.slice(1),
        ]),
      ),
    ],
    letters({ EU: ['44-46', '48-50', '52-54', '56-58'] }),
  ),

  one(
    'not-given',
    'a size that is sold out',
    ['csv', csv([...rowsOf(JACKET), ['XXL', 'sold out', 'sold out']])],
    plainly(JACKET, { asks: ['not-given line 6'], answers: { rows: { 6: 'left-out' } } }),
  ),
  one(
    'not-given-within',
    'a size within that gives nothing yet',
    ['csv', csv([...rowsOf(JACKET).slice(0, 3), ['ML', 'tbc', 'n/a'], ...rowsOf(JACKET).slice(3)])],
    plainly(JACKET, { asks: ['not-given line 4'], answers: { rows: { 4: 'left-out' } } }),
  ),
  one(
    'not-given-cell',
    'a cell that is empty',
    ['csv', csv(rowsOf(JACKET).map((row, at) => (at === 2 ? [row[0]!, '', row[2]!] : row)))],
    plainly(JACKET, { asks: ['not-given line 3'], answers: { cells: { '3:2': '98-106' } } }),
  ),
  one(
    'row-slipped',
    'a number by itself below',
    ['csv', csv([...rowsOf(JACKET), ['122-130', '', '']])],
    plainly(JACKET, { asks: ['left-out line 6'], answers: { rows: { 6: 'left-out' } } }),
  ),
  one(
    'notes-around',
    'titles above and notes below',
    [
      'csv',
      csv([
        ['Harbour jacket', '', ''],
        ['Issue of the season', '', ''],
        ...rowsOf(JACKET),
        ['Wash cold.', '', ''],
        ['Model is 188 cm and wears L', '', ''],
      ]),
    ],
    plainly(JACKET),
  ),
  one(
    'phone-below',
    'an address of two cells below',
    ['csv', csv([...rowsOf(JACKET), ['Ring us', '555 0101', '']])],
    plainly(JACKET, {
      asks: ['impossible-unit 1', 'not-given line 6'],
      answers: { rows: { 6: 'left-out' } },
    }),
  ),
  one(
    'size-words',
    'the word size before every label',
    ['csv', csv(rowsOf(JACKET).map((row, at) => (at === 0 ? row : [`Size ${row[0]!}`, ...row.slice(1)])))],
    plainly(JACKET),
  ),
  one(
    'labels-dates',
    'labels that a spreadsheet made dates of, as text',
    [
      'csv',
      csv([
        ['Size', 'Head (cm)'],
        ['03-Jun', '46-48'],
        ['06-Aug', '48-50'],
        ['10-Dec', '50-52'],
      ]),
    ],
    {
      asks: [],
      parts: [
        { sizes: ['3-6 | head-girth 46-48 cm', '6-8 | head-girth 48-50 cm', '10-12 | head-girth 50-52 cm'] },
      ],
    },
  ),
  one(
    'equal-neighbours',
    'sizes that are alike by one column',
    [
      'csv',
      csv([
        ['Size', 'Hip (cm)', 'Height (cm)'],
        ['A', '90-98', '164-170'],
        ['B', '90-98', '170-176'],
        ['C', '98-106', '176-182'],
      ]),
    ],
    {
      asks: [],
      parts: [
        {
          sizes: [
            'A | hip-girth 90-98 cm | height 164-170 cm',
            'B | hip-girth 90-98 cm | height 170-176 cm',
            'C | hip-girth 98-106 cm | height 176-182 cm',
          ],
        },
      ],
    },
  ),
  one(
    'equal-values',
    'single values that are alike by one column',
    [
      'csv',
      csv([
        ['Size', 'Hip (cm)', 'Height (cm)'],
        ['A', '94', '164'],
        ['B', '94', '170'],
        ['C', '102', '176'],
      ]),
    ],
    {
      asks: [],
      parts: [
        {
          sizes: [
            'A | hip-girth 94 cm | height 164 cm',
            'B | hip-girth 94 cm | height 170 cm',
            'C | hip-girth 102 cm | height 176 cm',
          ],
        },
      ],
    },
  ),
];
