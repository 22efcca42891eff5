// Tables of sizes and classes of lengths.
import { csv, workbook } from '../write-files';
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
];
