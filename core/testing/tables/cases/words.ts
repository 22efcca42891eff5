// Words of headings, labels of other systems, what is left out, and what is the garment's own.
import { CAP, JACKET, SHIRT } from '../garments';
import { csv, html } from '../write-files';
import { one, plainly, rowsOf, type MadeCase } from './case';
import type { UnderstoodTable } from '../corpus-case';

const LANGUAGES = [
  ['de', 'Größe'],
  ['fr', 'Taille'],
  ['es', 'Talla'],
] as const;
const named = (...headings: string[]) => [['Size', ...headings], ...rowsOf(JACKET).slice(1)];
const waist = (heading: string): string[][] => [
  ['Size', heading],
  ['S', '70-78'],
  ['M', '78-86'],
];
const waistAt = (
  answers: UnderstoodTable['answers'],
  asks = ['which-measurement 1'],
  code = 'trouser-waist-girth',
): UnderstoodTable => ({
  asks,
  answers,
  parts: [{ sizes: [`S | ${code} 70-78 cm`, `M | ${code} 78-86 cm`] }],
});
const isTrouserWaist = { columns: { 1: { means: 'trouser-waist-girth' } } } as const;

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

/** A finished measure of the garment, 8 to 14 cm more than the body. */
const garment = (heading: string): string[][] => [
  ['Size', heading],
  ['S', '104-112'],
  ['M', '112-120'],
];
const asGarment: UnderstoodTable = {
  asks: ['garment 1'],
  answers: { columns: { 1: { ease: '8-14' } } },
  parts: [
    {
      sizes: [
        'S | chest-girth 104-112 cm, larger by 8-14 cm',
        'M | chest-girth 112-120 cm, larger by 8-14 cm',
      ],
    },
  ],
};
const flat = (heading: string): string[][] => [
  ['Size', heading],
  ['S', '43-47'],
  ['M', '47-51'],
];
const asFlat: UnderstoodTable = {
  asks: ['flat 1'],
  answers: { columns: { 1: { times: 2 } } },
  parts: [{ sizes: ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'] }],
};

export const WORDS: readonly MadeCase[] = [
  ...LANGUAGES.map(([language, size]) =>
    one(
      `language-${language}`,
      `headings in ${language}`,
      ['csv', csv(rowsOf(JACKET, { language, size }), ';')],
      plainly(JACKET),
    ),
  ),
  ...LANGUAGES.map(([language, size]) =>
    one(
      `language-cap-${language}`,
      `a cap in ${language}`,
      ['csv', csv(rowsOf(CAP, { language, size }), ';')],
      plainly(CAP),
    ),
  ),
  one(
    'umlauts-written-out',
    'umlauts written as two letters',
    ['csv', csv(named('Hueftumfang (cm)', 'Koerpergroesse (cm)'))],
    plainly(JACKET),
  ),
  one(
    'capitals',
    'headings in capitals',
    [
      'csv',
      csv(
        rowsOf(JACKET).map((row, at) =>
          at === 0 ? [row[0]!.toUpperCase(), 'HIP (CM)', 'HEIGHT (CM)'] : row,
        ),
      ),
    ],
    plainly(JACKET),
  ),
  one(
    'to-fit',
    'headings that say whom it fits',
    ['csv', csv(named('To fit hips (cm)', 'Your height (cm)'))],
    plainly(JACKET),
  ),
  one(
    'circumference',
    'headings in other words',
    ['csv', csv(named('Hip circumference (cm)', 'Body height, cm'))],
    plainly(JACKET),
  ),
  one(
    'slips',
    'slips of typing',
    [
      'csv',
      csv([
        ['Size', 'Chset (cm)', 'Heigth (cm)'],
        ['S', '86-94', '164-170'],
        ['M', '94-102', '170-176'],
      ]),
    ],
    {
      asks: [],
      parts: [
        {
          sizes: [
            'S | chest-girth 86-94 cm | height 164-170 cm',
            'M | chest-girth 94-102 cm | height 170-176 cm',
          ],
        },
      ],
    },
  ),
  one(
    'slip-of-two',
    'a slip that may be of two words',
    [
      'csv',
      csv([
        ['Size', 'Waest (cm)'],
        ['S', '70-78'],
        ['M', '78-86'],
      ]),
    ],
    waistAt(isTrouserWaist),
  ),
  one('waist', 'a waist that may be four', ['csv', csv(waist('Waist (cm)'))], waistAt(isTrouserWaist)),
  one('waist-german', 'a German waist', ['csv', csv(waist('Taillenumfang (cm)'))], waistAt(isTrouserWaist)),
  one('waist-worn', 'the waist that is meant', ['csv', csv(waist('Trouser waist (cm)'))], waistAt({}, [])),
  one(
    'waist-french',
    'a French waist, and the sizes beside it',
    ['csv', csv([['Taille', 'Tour de taille (cm)'], ...waist('').slice(1)])],
    waistAt(isTrouserWaist),
  ),
  one(
    'unknown-word',
    'a word that is not known',
    ['csv', csv(waist('Gusset (cm)'))],
    waistAt(isTrouserWaist),
  ),
  one(
    'modifier-opening',
    'an opening, and no measurement of a leg',
    [
      'csv',
      csv([
        ['Size', 'Hip (cm)', 'Leg opening (cm)'],
        ['S', '90-98', '20-21'],
        ['M', '98-106', '21-22'],
      ]),
    ],
    {
      asks: ['which-measurement 2'],
      answers: { columns: { 2: { means: null } } },
      parts: [{ sizes: ['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'] }],
    },
  ),
  one(
    'two-places',
    'two places in one heading',
    [
      'csv',
      csv([
        ['Size', 'Chest and hip (cm)'],
        ['S', '86-94'],
        ['M', '94-102'],
      ]),
    ],
    {
      asks: ['which-measurement 1'],
      answers: { columns: { 1: { means: 'chest-girth' } } },
      parts: [{ sizes: ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'] }],
    },
  ),
  one(
    'weight',
    'a weight, which is no size',
    [
      'csv',
      csv([
        ['Size', 'Hip (cm)', 'Weight (kg)'],
        ['S', '90-98', '50-60'],
        ['M', '98-106', '60-70'],
      ]),
    ],
    {
      asks: ['mass 2'],
      answers: { columns: { 2: { means: null } } },
      parts: [{ sizes: ['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'] }],
    },
  ),
  one(
    'colour',
    'a column of words',
    [
      'csv',
      csv([
        ['Size', 'Colour', 'Hip (cm)'],
        ['S', 'blue', '90-98'],
        ['M', 'green', '98-106'],
      ]),
    ],
    {
      asks: [],
      parts: [{ sizes: ['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'] }],
    },
  ),
  one(
    'no-heading',
    'numbers without a heading',
    [
      'csv',
      csv([
        ['Size', '', 'Hip (cm)'],
        ['S', '1', '90-98'],
        ['M', '2', '98-106'],
      ]),
    ],
    {
      asks: ['left-out 1'],
      answers: { columns: { 1: { means: null } } },
      parts: [{ sizes: ['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'] }],
    },
  ),
  one(
    'lone-end',
    'one end alone',
    [
      'csv',
      csv([
        ['Size', 'Chest max (cm)'],
        ['S', '94'],
        ['M', '102'],
        ['L', '110'],
      ]),
    ],
    {
      asks: ['lone-end 1'],
      answers: { columns: { 1: { so: true } } },
      parts: [{ sizes: ['S | chest-girth 94 cm', 'M | chest-girth 102 cm', 'L | chest-girth 110 cm'] }],
    },
  ),
  one(
    'ends-of-two',
    'ends of two different measurements',
    [
      'csv',
      csv([
        ['Size', 'Chest min (cm)', 'Hip max (cm)'],
        ['S', '86', '98'],
        ['M', '94', '106'],
        ['L', '102', '114'],
      ]),
    ],
    {
      asks: ['lone-end 1', 'lone-end 2'],
      answers: { columns: { 1: { so: true }, 2: { so: true } } },
      parts: [
        {
          sizes: [
            'S | chest-girth 86 cm | hip-girth 98 cm',
            'M | chest-girth 94 cm | hip-girth 106 cm',
            'L | chest-girth 102 cm | hip-girth 114 cm',
          ],
        },
      ],
    },
  ),
  one(
    'from-to-columns',
    'from and to in two columns',
    [
      'csv',
      csv([
        ['Size', 'Hip from (cm)', 'Hip to (cm)'],
        ['S', '90', '98'],
        ['M', '98', '106'],
      ]),
    ],
    {
      asks: [],
      parts: [{ sizes: ['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'] }],
    },
  ),
  one(
    'von-bis-columns',
    'von and bis in two columns',
    [
      'csv',
      csv([
        ['Größe', 'Hüftumfang von (cm)', 'Hüftumfang bis (cm)'],
        ['S', '90', '98'],
        ['M', '98', '106'],
      ]),
    ],
    {
      asks: [],
      parts: [{ sizes: ['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'] }],
    },
  ),

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
    ['csv', csv(turn([['EU size', 'UK', 'US', 'Mondopoint', 'Foot length (mm)'], ...SHOES]))],
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

  one(
    'garment',
    'a finished measure of the garment',
    ['csv', csv(garment('Finished chest (cm)'))],
    asGarment,
  ),
  one(
    'garment-bracket',
    'a garment’s measure, said in brackets',
    ['csv', csv(garment('Chest, garment (cm)'))],
    asGarment,
  ),
  one(
    'garment-title',
    'a title that says it is of the garment',
    ['csv', csv([['Garment measurements in cm', ''], ...garment('Chest')])],
    asGarment,
  ),
  one(
    'garment-german',
    'a German garment',
    [
      'csv',
      csv([
        ['Size', 'Fertigmaß Hüfte (cm)'],
        ['S', '104-112'],
        ['M', '112-120'],
      ]),
    ],
    {
      ...asGarment,
      parts: [{ sizes: asGarment.parts[0]!.sizes.map((line) => line.replace('chest', 'hip')) }],
    },
  ),
  one(
    'garment-body-after-all',
    'a garment’s measure that is the body’s after all',
    [
      'csv',
      csv([
        ['Size', 'Chest (product, cm)'],
        ['S', '86-94'],
        ['M', '94-102'],
      ]),
    ],
    {
      asks: ['garment 1'],
      answers: { columns: { 1: { ease: '' } } },
      parts: asFlat.parts,
    },
  ),
  one('flat', 'half the way round', ['csv', csv(flat('Half chest (cm)'))], asFlat),
  one('flat-laid', 'laid flat', ['csv', csv(flat('Chest, laid flat (cm)'))], asFlat),
  one(
    'flat-title',
    'a title that says it is laid flat',
    ['csv', csv([['All measurements taken flat, in cm', ''], ...flat('Chest')])],
    asFlat,
  ),
  one('flat-garment', 'laid flat, and of the garment', ['csv', csv(flat('Chest flat (cm)'))], {
    asks: ['flat 1'],
    answers: { columns: { 1: { times: 2, ease: '8-14' } } },
    parts: [
      {
        sizes: [
          'S | chest-girth 86-94 cm, larger by 8-14 cm',
          'M | chest-girth 94-102 cm, larger by 8-14 cm',
        ],
      },
    ],
  }),

  one('across', 'the sizes across', ['csv', csv(turn(rowsOf(JACKET)))], plainly(JACKET)),
  one('across-inches', 'the sizes across, in inches', ['csv', csv(turn(rowsOf(SHIRT)))], plainly(SHIRT)),
  one(
    'across-title',
    'the sizes across below a title',
    [
      'csv',
      csv([
        ['Harbour jacket, all sizes in cm', '', '', '', ''],
        ...turn(rowsOf(JACKET, { heading: (name) => name })),
      ]),
    ],
    plainly(JACKET),
  ),
  one('across-numbers', 'numbered sizes across', ['csv', csv(turn(rowsOf(CAP)))], plainly(CAP)),
  one(
    'across-german',
    'the sizes across, in German',
    ['csv', csv(turn(rowsOf(JACKET, { language: 'de', size: 'Größe' })), ';')],
    plainly(JACKET),
  ),
  one(
    'across-units',
    'the sizes across, a column of units',
    [
      'csv',
      csv(
        turn([rowsOf(JACKET, { heading: (name) => name })[0]!, ['', 'cm', 'cm'], ...rowsOf(JACKET).slice(1)]),
      ),
    ],
    plainly(JACKET),
  ),
];

function turn(grid: readonly (readonly string[])[]): string[][] {
  return grid[0]!.map((_, at) => grid.map((row) => row[at] ?? ''));
}
