// Measures of the garment, half the way round, and sizes that stand across.
import { CAP, JACKET, SHIRT } from '../garments';
import { csv } from '../write-files';
import { one, plainly, rowsOf, type MadeCase } from './case';
import type { UnderstoodTable } from '../corpus-case';
import { across } from './across';

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

export const GARMENTS_AND_ACROSS: readonly MadeCase[] = [
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

  one('across', 'the sizes across', ['csv', csv(across(rowsOf(JACKET)))], plainly(JACKET)),
  one('across-inches', 'the sizes across, in inches', ['csv', csv(across(rowsOf(SHIRT)))], plainly(SHIRT)),
  one(
    'across-title',
    'the sizes across below a title',
    [
      'csv',
      csv([
        ['Harbour jacket, all sizes in cm', '', '', '', ''],
        ...across(rowsOf(JACKET, { heading: (name) => name })),
      ]),
    ],
    plainly(JACKET),
  ),
  one('across-numbers', 'numbered sizes across', ['csv', csv(across(rowsOf(CAP)))], plainly(CAP)),
  one(
    'across-german',
    'the sizes across, in German',
    ['csv', csv(across(rowsOf(JACKET, { language: 'de', size: 'Größe' })), ';')],
    plainly(JACKET),
  ),
  one(
    'across-units',
    'the sizes across, a column of units',
    [
      'csv',
      csv(
        across([
          rowsOf(JACKET, { heading: (name) => name })[0]!,
          ['', 'cm', 'cm'],
          ...rowsOf(JACKET).slice(1),
        ]),
      ),
    ],
    plainly(JACKET),
  ),
];
