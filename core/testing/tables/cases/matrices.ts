// Tables between two axes: marks where a size is made, sizes in the cells, cups beside the band.
import { csv, html, workbook } from '../write-files';
import { one, type MadeCase } from './case';
import type { UnderstoodTable } from '../corpus-case';

/** Collars by sleeves, with what is made. */
const COLLARS = ['14', '14 1/2', '15', '15 1/2'];
const SLEEVES = ['32', '33', '34'];
const MADE = [
  [1, 1, 0],
  [1, 1, 1],
  [1, 1, 1],
  [0, 1, 1],
];
const marks = (corner: string, mark: string, none = '') => [
  [corner, ...SLEEVES],
  ...COLLARS.map((collar, at) => [collar, ...MADE[at]!.map((is) => (is === 1 ? mark : none))]),
];
const collars = (
  asks: readonly string[] = ['which-measurement across'],
  answers: UnderstoodTable['answers'] = { columns: { across: { means: 'cervicale-to-wrist' } } },
): UnderstoodTable => ({
  asks,
  answers,
  parts: [
    { sizes: COLLARS.map((collar) => `${collar} | neck-girth ${collar} in`) },
    { sizes: SLEEVES.map((sleeve) => `${sleeve} | cervicale-to-wrist ${sleeve} in`) },
  ],
  made: Object.fromEntries(
    COLLARS.map((collar, at) => [collar, SLEEVES.filter((_, by) => MADE[at]![by] === 1)]),
  ),
});

const labels: UnderstoodTable = {
  asks: [],
  parts: [
    { sizes: ['160-168 | height 160-168 cm', '168-176 | height 168-176 cm', '176-184 | height 176-184 cm'] },
    {
      sizes: [
        '86-94 | chest-girth 86-94 cm',
        '94-102 | chest-girth 94-102 cm',
        '102-110 | chest-girth 102-110 cm',
      ],
    },
  ],
  made: {
    '160-168': ['86-94', '94-102'],
    '168-176': ['86-94', '94-102', '102-110'],
    '176-184': ['94-102', '102-110'],
  },
  called: {
    '160-168': { '86-94': 'S', '94-102': 'S' },
    '168-176': { '86-94': 'S', '94-102': 'M', '102-110': 'L' },
    '176-184': { '94-102': 'M', '102-110': 'L' },
  },
};
const labelRows = (corner: string) => [
  [corner, '86-94', '94-102', '102-110'],
  ['160-168', 'S', 'S', '-'],
  ['168-176', 'S', 'M', 'L'],
  ['176-184', '-', 'M', 'L'],
];

const BANDS = ['65', '70', '75'];
const CUPS = ['A', 'B', 'C'];
const underOf = (band: number) => `${63 + band * 5}-${67 + band * 5}`;
const bustOf = (band: number, cup: number) => `${77 + band * 5 + cup * 2}-${79 + band * 5 + cup * 2}`;
const bra = (asks: readonly string[] = [], answers?: UnderstoodTable['answers']): UnderstoodTable => ({
  asks,
  ...(answers === undefined ? {} : { answers }),
  parts: [
    { sizes: BANDS.map((band, at) => `${band} | underbust-girth ${underOf(at)} cm`) },
    {
      sizes: BANDS.flatMap((band, at) =>
        CUPS.map((cup, by) => `${band}${cup} | bust-girth ${bustOf(at, by)} cm`),
      ),
      offered: Object.fromEntries(BANDS.map((band) => [band, CUPS.map((cup) => `${band}${cup}`)])),
    },
  ],
  label: '{cup}',
});
const braRows = (head: readonly (readonly string[])[]) => [
  ...head,
  ...BANDS.map((band, at) => [band, underOf(at), ...CUPS.map((_, by) => bustOf(at, by))]),
];

export const MATRICES: readonly MadeCase[] = [
  one(
    'marks',
    'marks where a collar and a sleeve are made',
    ['csv', csv(marks('Collar (in) \\ Sleeve (in)', 'x'))],
    collars(),
  ),
  one(
    'marks-ticks',
    'ticks, and dashes where not',
    ['csv', csv(marks('Collar (in) / Sleeve (in)', '✓', '-'))],
    collars(),
  ),
  one('marks-dots', 'dots', ['csv', csv(marks('Collar (in) x Sleeve (in)', '•'))], collars()),
  one('marks-words', 'yes and no', ['csv', csv(marks('Collar (in) by Sleeve (in)', 'yes', '-'))], collars()),
  one(
    'marks-one-unit',
    'a unit beside one of the two names',
    ['csv', csv(marks('Collar \\ Sleeve (in)', 'x'))],
    collars(['which-measurement across', 'which-unit down'], {
      columns: { across: { means: 'cervicale-to-wrist' }, down: { unit: 'in' } },
    }),
  ),
  one(
    'marks-title',
    'a title that names the unit of both',
    ['csv', csv([['All sizes in inches', '', '', ''], ...marks('Collar \\ Sleeve', 'x')])],
    collars(),
  ),
  one(
    'marks-page',
    'names of both axes around a page’s table',
    [
      'html',
      `<table><tr><th></th><th></th><th colspan="3">Sleeve (in)</th></tr><tr><th></th><th></th>${SLEEVES.map((one) => `<th>${one}</th>`).join('')}</tr>${COLLARS.map((collar, at) => `<tr>${at === 0 ? '<th rowspan="4">Collar (in)</th>' : ''}<th>${collar}</th>${MADE[at]!.map((is) => `<td>${is === 1 ? '●' : ''}</td>`).join('')}</tr>`).join('')}</table>`,
    ],
    collars(),
  ),
  one(
    'marks-trousers',
    'waist by leg, in a workbook',
    [
      'xlsx',
      workbook([
        {
          name: 'Trousers',
          rows: [
            ['Waist (in) \\ Inside leg (in)', '30', '32', '34'],
            ['30', 'x', 'x', ''],
            ['32', 'x', 'x', 'x'],
            ['34', '', 'x', 'x'],
          ],
        },
      ]),
    ],
    {
      asks: ['which-measurement down'],
      answers: { columns: { down: { means: 'trouser-waist-girth' } } },
      parts: [
        {
          sizes: [
            '30 | trouser-waist-girth 30 in',
            '32 | trouser-waist-girth 32 in',
            '34 | trouser-waist-girth 34 in',
          ],
        },
        {
          sizes: [
            '30 | inside-leg-length 30 in',
            '32 | inside-leg-length 32 in',
            '34 | inside-leg-length 34 in',
          ],
        },
      ],
      made: { 30: ['30', '32'], 32: ['30', '32', '34'], 34: ['32', '34'] },
    },
  ),
  one(
    'labels',
    'sizes in the cells between height and chest',
    ['csv', csv(labelRows('Height (cm) / Chest (cm)'))],
    labels,
  ),
  one(
    'labels-numbers',
    'sizes that are numbers, between height and chest',
    [
      'csv',
      csv([
        ['Height (cm) / Chest (cm)', '86-94', '94-102'],
        ['160-168', '1', '2'],
        ['168-176', '3', '4'],
      ]),
    ],
    {
      asks: [],
      parts: [
        { sizes: ['160-168 | height 160-168 cm', '168-176 | height 168-176 cm'] },
        { sizes: ['86-94 | chest-girth 86-94 cm', '94-102 | chest-girth 94-102 cm'] },
      ],
      made: { '160-168': ['86-94', '94-102'], '168-176': ['86-94', '94-102'] },
      called: { '160-168': { '86-94': '1', '94-102': '2' }, '168-176': { '86-94': '3', '94-102': '4' } },
    },
  ),
  one(
    'labels-title',
    'sizes in the cells, the unit in a title',
    ['csv', csv([['All measurements in cm', '', '', ''], ...labelRows('Height \\ Chest')])],
    labels,
  ),
  one(
    'labels-workbook',
    'sizes in the cells of a workbook',
    [
      'xlsx',
      workbook([
        {
          name: 'Overall',
          rows: [['', 'Chest (cm)', '', ''], ...labelRows('Height (cm)')],
          merges: ['B1:D1'],
        },
      ]),
    ],
    labels,
  ),

  one(
    'bra',
    'cups beside the band, below one heading',
    [
      'csv',
      csv(
        braRows([
          ['Band', 'Underbust (cm)', 'Bust (cm)', '', ''],
          ['', '', ...CUPS],
        ]),
      ),
    ],
    bra(),
  ),
  one(
    'bra-merged',
    'cups beside the band in a workbook',
    [
      'xlsx',
      workbook([
        {
          name: 'Bra',
          rows: braRows([
            ['Band', 'Underbust (cm)', 'Bust (cm)', '', ''],
            ['', '', ...CUPS],
          ]),
          merges: ['A1:A2', 'B1:B2', 'C1:E1'],
        },
      ]),
    ],
    bra(),
  ),
  one(
    'bra-bare',
    'cups beside the band, and nowhere said of what',
    ['csv', csv(braRows([['Band', 'Underbust (cm)', ...CUPS]]))],
    bra(['which-measurement 2', 'which-measurement 3', 'which-measurement 4'], {
      columns: { 2: { means: 'bust-girth', unit: 'cm' } },
    }),
  ),
  one(
    'bra-page',
    'cups beside the band on a page',
    ['html', html(braRows([['Band', 'Underbust (cm)', ...CUPS.map((cup) => `Bust (cm) ${cup}`)]]))],
    bra(),
  ),
];
