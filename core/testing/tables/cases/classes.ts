// Tables of sizes and classes of lengths, and tables between two axes.
import { csv, html, workbook } from '../write-files';
import { one, type MadeCase } from './case';
import type { UnderstoodTable } from '../corpus-case';

const SIZES = ['S', 'M', 'L'];
const CHEST = ['86-94', '94-102', '102-110'];
const CLASSES: Readonly<Record<string, readonly [string, string, string]>> = {
  en: ['Short', 'Regular', 'Long'],
  de: ['Kurz', 'Normal', 'Lang'],
  fr: ['Court', 'Standard', 'Long'],
  es: ['Corto', 'Normal', 'Largo'],
};
const LEG = ['70-74', '74-80', '80-86'];
/** The leg of a size and a class where both count. */
const legOf = (size: number, named: number) => `${70 + size + named * 6}-${74 + size + named * 6}`;

const independent = (
  classes: readonly string[],
  label?: string,
  sizes: readonly string[] = SIZES,
): UnderstoodTable => ({
  asks: [],
  parts: [
    { sizes: sizes.map((size, at) => `${size} | chest-girth ${CHEST[at]!} cm`) },
    { sizes: classes.map((one, at) => `${one} | inside-leg-length ${LEG[at]!} cm`) },
  ],
  ...(label === undefined ? {} : { label }),
});
const together = (classes: readonly string[], between = ' '): UnderstoodTable => ({
  asks: [],
  parts: [
    { sizes: SIZES.map((size, at) => `${size} | chest-girth ${CHEST[at]!} cm`) },
    {
      sizes: classes.flatMap((named, by) =>
        SIZES.map((size, at) => `${size}${between}${named} | inside-leg-length ${legOf(at, by)} cm`),
      ),
      offered: Object.fromEntries(
        SIZES.map((size) => [size, classes.map((named) => `${size}${between}${named}`)]),
      ),
    },
  ],
  label: '{length}',
});
const HEAD = ['Size', 'Chest (cm)', 'Inside leg (cm)'];
const block = (named: number, leg = (size: number) => LEG[named]! || String(size)) =>
  SIZES.map((size, at) => [size, CHEST[at]!, leg(at)]);
const sections = (classes: readonly string[], head: readonly string[] = HEAD) => [
  head,
  ...classes.flatMap((named, at) => [[named, '', ''], ...block(at)]),
];
const repeated = (classes: readonly string[]) =>
  classes.flatMap((named, at) => [[named, '', ''], HEAD, ...block(at)]);
const joint = (classes: readonly string[]) => [
  HEAD,
  ...classes.flatMap((named, by) => [[named, '', ''], ...block(by, (size) => legOf(size, by))]),
];
const EN = CLASSES['en']!;

/** Jackets as 36S, 36R: the chest by the number, the height by the letter. */
const SUFFIXED: readonly (readonly [string, string, string])[] = [
  ['36S', '36', '160-168'],
  ['36R', '36', '168-178'],
  ['38S', '38', '160-168'],
  ['38R', '38', '168-178'],
  ['38L', '38', '178-190'],
  ['40R', '40', '168-178'],
  ['40L', '40', '178-190'],
];
const suffixed = (label: string): UnderstoodTable => ({
  asks: [],
  parts: [
    { sizes: ['36 | chest-girth 36 in', '38 | chest-girth 38 in', '40 | chest-girth 40 in'] },
    { sizes: ['S | height 160-168 cm', 'R | height 168-178 cm', 'L | height 178-190 cm'] },
  ],
  label,
  made: { 36: ['S', 'R'], 38: ['S', 'R', 'L'], 40: ['R', 'L'] },
});

const columns = (heads: readonly string[], classes: readonly string[]) => [
  ['Size', 'Chest (cm)', ...heads],
  ...SIZES.map((size, at) => [size, CHEST[at]!, ...classes.map((_, by) => LEG[by]!)]),
];

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

export const CLASS_TABLES: readonly MadeCase[] = [
  ...Object.entries(CLASSES).map(([language, classes]) =>
    one(
      `blocks-${language}`,
      `blocks below the names of their lengths, in ${language}`,
      ['csv', csv(sections(classes))],
      independent(classes),
    ),
  ),
  ...Object.entries(CLASSES)
    .slice(0, 2)
    .map(([language, classes]) =>
      one(
        `blocks-headed-${language}`,
        `blocks, the heading repeated in each, in ${language}`,
        ['csv', csv(repeated(classes))],
        independent(classes),
      ),
    ),
  one(
    'blocks-blank-lines',
    'blocks with blank lines between',
    [
      'csv',
      repeated(EN)
        .map((row, at) => `${at > 0 && row[1] === '' ? '\n' : ''}${row.join(',')}`)
        .join('\n'),
    ],
    independent(EN),
  ),
  one(
    'blocks-merged',
    'blocks below merged names in a workbook',
    ['xlsx', workbook([{ name: 'Sizes', rows: sections(EN), merges: ['A2:C2', 'A6:C6', 'A10:C10'] }])],
    independent(EN),
  ),
  one(
    'blocks-page',
    'blocks below names that span a page’s table',
    [
      'html',
      `<table>${sections(EN)
        .map((row) =>
          row[1] === ''
            ? `<tr><th colspan="3">${row[0]!}</th></tr>`
            : `<tr>${row.map((cell) => `<td>${cell}</td>`).join('')}</tr>`,
        )
        .join('')}</table>`,
    ],
    independent(EN),
  ),
  one('blocks-joint', 'blocks in which the leg goes by the size too', ['csv', csv(joint(EN))], together(EN)),
  one(
    'blocks-petite-tall',
    'petite, regular and tall',
    ['csv', csv(sections(['Petite', 'Regular', 'Tall']))],
    independent(['Petite', 'Regular', 'Tall']),
  ),
  one(
    'class-column',
    'a column that names the length',
    [
      'csv',
      csv([
        ['Size', 'Length', 'Chest (cm)', 'Inside leg (cm)'],
        ...SIZES.flatMap((size, at) => EN.map((named, by) => [size, named, CHEST[at]!, LEG[by]!])),
      ]),
    ],
    independent(EN),
  ),
  one(
    'class-column-merged',
    'a column that names the length, the size merged over its lengths',
    [
      'xlsx',
      workbook([
        {
          name: 'Sizes',
          rows: [
            ['Size', 'Length', 'Chest (cm)', 'Inside leg (cm)'],
            ...SIZES.flatMap((size, at) =>
              EN.map((named, by) => [by === 0 ? size : '', named, CHEST[at]!, LEG[by]!]),
            ),
          ],
          merges: ['A2:A4', 'A5:A7', 'A8:A10'],
        },
      ]),
    ],
    independent(EN),
  ),
  one(
    'suffixed',
    'labels that end in their length',
    ['csv', csv([['Size', 'Chest (in)', 'Height (cm)'], ...SUFFIXED])],
    suffixed('{size}{length}'),
  ),
  one(
    'suffixed-hyphen',
    'labels with a hyphen before their length',
    [
      'csv',
      csv([
        ['Size', 'Chest (in)', 'Height (cm)'],
        ...SUFFIXED.map(([size, ...cells]) => [size.replace(/(\w)$/, '-$1'), ...cells]),
      ]),
    ],
    suffixed('{size}-{length}'),
  ),
  one(
    'suffixed-words',
    'labels with the length in words',
    [
      'csv',
      csv([
        ['Size', 'Chest (cm)', 'Inside leg (cm)'],
        ...SIZES.flatMap((size, at) => EN.map((named, by) => [`${size} ${named}`, CHEST[at]!, LEG[by]!])),
      ]),
    ],
    independent(EN),
  ),
  one(
    'class-columns',
    'a column for each length',
    [
      'csv',
      csv(
        columns(
          EN.map((named) => `Inside leg ${named} (cm)`),
          EN,
        ),
      ),
    ],
    independent(EN),
  ),
  one(
    'class-columns-merged',
    'a column for each length below one heading',
    [
      'xlsx',
      workbook([
        {
          name: 'Sizes',
          rows: [
            ['Size', 'Chest (cm)', 'Inside leg (cm)', '', ''],
            ['', '', ...EN],
            ...columns([], EN).slice(1),
          ],
          merges: ['A1:A2', 'B1:B2', 'C1:E1'],
        },
      ]),
    ],
    independent(EN),
  ),
  one(
    'class-columns-written-once',
    'a column for each length, the heading only above the first',
    [
      'csv',
      csv([['Size', 'Chest (cm)', 'Inside leg (cm)', '', ''], ['', '', ...EN], ...columns([], EN).slice(1)]),
    ],
    independent(EN),
  ),
  one(
    'class-columns-bare',
    'a column for each length, and nowhere said of what',
    ['csv', csv(columns(EN, EN))],
    {
      ...independent(EN),
      asks: ['which-measurement 2', 'which-measurement 3', 'which-measurement 4'],
      answers: { columns: { 2: { means: 'inside-leg-length', unit: 'cm' } } },
    },
  ),
  one(
    'class-columns-partly',
    'a length that is not made in every size',
    [
      'csv',
      csv(
        columns(
          EN.map((named) => `Inside leg ${named} (cm)`),
          EN,
        ).map((row, at) => (at === 1 ? row.map((cell, by) => (by === 4 ? '-' : cell)) : row)),
      ),
    ],
    {
      ...independent(EN),
      made: { S: ['Short', 'Regular'], M: [...EN], L: [...EN] },
    },
  ),
  one(
    'blocks-alike',
    'lengths that differ in nothing',
    ['csv', csv([HEAD, ...EN.slice(0, 2).flatMap((named) => [[named, '', ''], ...block(0)])])],
    {
      asks: [],
      answers: { onlyClass: 'Short' },
      parts: [
        {
          sizes: SIZES.map(
            (size, at) => `${size} | chest-girth ${CHEST[at]!} cm | inside-leg-length 70-74 cm`,
          ),
        },
      ],
    },
  ),

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
