// Words of headings, in four languages, with slips, and what they leave open.
import { CAP, JACKET } from '../garments';
import { csv } from '../write-files';
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
];
