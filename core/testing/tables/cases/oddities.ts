// What makers write besides: found by trying, each once read wrongly, refused, or not asked about.
import { csv, html } from '../write-files';
import { one, several, type MadeCase } from './case';
import type { UnderstoodTable } from '../corpus-case';

const read = (...sizes: string[]): UnderstoodTable => ({ asks: [], parts: [{ sizes }] });
const parts = (
  first: readonly string[],
  second: readonly string[],
  more: Partial<UnderstoodTable> = {},
): UnderstoodTable => ({
  asks: [],
  parts: [{ sizes: first }, { sizes: second }],
  ...more,
});
const text = (content: string) => ['csv', content] as const;

export const ODDITIES: readonly MadeCase[] = [
  one(
    'paired-labels',
    'labels of a waist and a leg',
    text(
      csv([
        ['Size', 'Trouser waist (in)', 'Inseam (in)'],
        ['W30 L32', '30', '32'],
        ['W30 L34', '30', '34'],
        ['W32 L32', '32', '32'],
        ['W32 L34', '32', '34'],
      ]),
    ),
    parts(
      ['W30 | trouser-waist-girth 30 in', 'W32 | trouser-waist-girth 32 in'],
      ['L32 | inside-leg-length 32 in', 'L34 | inside-leg-length 34 in'],
    ),
  ),
  one(
    'paired-stroke',
    'labels with a stroke between',
    text(
      csv([
        ['Size', 'Trouser waist (in)', 'Inside leg (in)'],
        ['30/30', '30', '30'],
        ['30/32', '30', '32'],
        ['32/30', '32', '30'],
        ['32/32', '32', '32'],
      ]),
    ),
    parts(
      ['30 | trouser-waist-girth 30 in', '32 | trouser-waist-girth 32 in'],
      ['30 | inside-leg-length 30 in', '32 | inside-leg-length 32 in'],
      { label: '{size}/{length}' },
    ),
  ),
  one(
    'called-by-measure',
    'sizes called by what they measure',
    text(
      csv([
        ['Trouser waist (in)', 'Hip (in)'],
        ['30', '36-37'],
        ['32', '38-39'],
      ]),
    ),
    read(
      '30 | trouser-waist-girth 30 in | hip-girth 36-37 in',
      '32 | trouser-waist-girth 32 in | hip-girth 38-39 in',
    ),
  ),
  one(
    'either-side',
    'a number and how far it goes',
    text(
      csv([
        ['Size', 'Hip (cm)'],
        ['S', '90±2'],
        ['M', '94 +/- 2'],
      ]),
    ),
    read('S | hip-girth 88-92 cm', 'M | hip-girth 92-96 cm'),
  ),
  one(
    'title-heads',
    'a title instead of a heading',
    text('Bust in cm\nUK 8,82-86\nUK 10,86-90\n'),
    read('UK 8 | bust-girth 82-86 cm', 'UK 10 | bust-girth 86-90 cm'),
  ),
  one(
    'unit-corner',
    'a unit in the corner',
    text(
      csv([
        ['cm', 'S', 'M'],
        ['Chest', '86-94', '94-102'],
        ['Hip', '90-98', '98-106'],
      ]),
    ),
    read('S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'),
  ),
  one(
    'note-within',
    'a note between the heading and the sizes',
    text(
      csv([
        ['Size', 'Hip (cm)'],
        ['(body measurements)', ''],
        ['S', '90-98'],
        ['M', '98-106'],
      ]),
    ),
    read('S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'),
  ),
  one(
    'two-languages',
    'headings in two languages',
    text(
      csv([
        ['Size / Größe', 'Chest / Brust (cm)', 'Hip / Hüfte (cm)'],
        ['S', '86-94', '90-98'],
        ['M', '94-102', '98-106'],
      ]),
    ),
    read('S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'),
  ),
  one(
    'model-row',
    'a model among the sizes',
    text(
      csv([
        ['Size', 'Chest (cm)'],
        ['S', '86'],
        ['M', '94'],
        ['Model', '96'],
      ]),
    ),
    {
      ...read('S | chest-girth 86 cm', 'M | chest-girth 94 cm'),
      asks: ['left-out line 4'],
      answers: { leftOutRightly: true },
    },
  ),
  one(
    'tolerance-row',
    'a tolerance below the sizes',
    text(
      csv([
        ['Size', 'Chest (cm)'],
        ['S', '86'],
        ['M', '94'],
        ['Tolerance', '1'],
      ]),
    ),
    {
      ...read('S | chest-girth 86 cm', 'M | chest-girth 94 cm'),
      asks: ['left-out line 4'],
      answers: { rows: { 4: 'left-out' } },
    },
  ),
  one(
    'one-value',
    'one value for every size',
    text(
      csv([
        ['Size', 'Hip (cm)', 'Inside leg (cm)'],
        ['S', '94', '78'],
        ['M', '98', '78'],
      ]),
    ),
    {
      ...read('S | hip-girth 94 cm', 'M | hip-girth 98 cm'),
      asks: ['alike 2'],
      answers: { columns: { 2: { means: null } } },
    },
  ),
  one(
    'one-range',
    'one range for every size',
    text(
      csv([
        ['Size', 'Hip (cm)', 'Inside leg (cm)'],
        ['S', '90-94', '76-78'],
        ['M', '94-98', '76-78'],
      ]),
    ),
    read(
      'S | hip-girth 90-94 cm | inside-leg-length 76-78 cm',
      'M | hip-girth 94-98 cm | inside-leg-length 76-78 cm',
    ),
  ),
  one(
    'labels-of-blocks',
    'other labels in blocks',
    text(
      csv([
        ['Size', 'UK', 'Chest (cm)', 'Inside leg (cm)'],
        ['Short', '', '', ''],
        ['S', '34', '86-94', '72'],
        ['M', '36', '94-102', '72'],
        ['Long', '', '', ''],
        ['S', '34', '86-94', '82'],
        ['M', '36', '94-102', '82'],
      ]),
    ),
    {
      asks: [],
      parts: [
        { sizes: ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'], other: { UK: ['34', '36'] } },
        { sizes: ['Short | inside-leg-length 72 cm', 'Long | inside-leg-length 82 cm'] },
      ],
    },
  ),
  one(
    'labels-lacking',
    'other labels that some sizes lack',
    text(
      csv([
        ['Size', 'UK', 'Hip (cm)'],
        ['S', '8', '90-98'],
        ['M', '', '98-106'],
      ]),
    ),
    {
      ...read('S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'),
      asks: ['left-out 1'],
      answers: { columns: { 1: { means: null } } },
    },
  ),
  one(
    'yes-columns',
    'columns of yes and no',
    text(
      csv([
        ['Size', 'Hip (cm)', 'Lined', 'Hood'],
        ['S', '90-98', 'yes', 'yes'],
        ['M', '98-106', 'yes', '-'],
      ]),
    ),
    read('S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'),
  ),
  one(
    'same-lengths',
    'lengths that some sizes share',
    text(
      csv([
        ['Trouser waist (in)', 'Regular inseam (in)', 'Long inseam (in)'],
        ['30', '30', '32'],
        ['32', '30', '32'],
        ['34', '31', '33'],
      ]),
    ),
    {
      asks: [],
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
            '30 Regular | inside-leg-length 30 in',
            '32 Regular | inside-leg-length 30 in',
            '34 Regular | inside-leg-length 31 in',
            '30 Long | inside-leg-length 32 in',
            '32 Long | inside-leg-length 32 in',
            '34 Long | inside-leg-length 33 in',
          ],
          offered: {
            30: ['30 Regular', '30 Long'],
            32: ['32 Regular', '32 Long'],
            34: ['34 Regular', '34 Long'],
          },
        },
      ],
      label: '{length}',
    },
  ),
  one(
    'lengths-across',
    'sections of lengths across',
    text(
      csv([
        ['', 'Short', '', 'Regular', '', ''],
        ['Size', 'S', 'M', 'S', 'M', 'L'],
        ['Chest (cm)', '86-94', '94-102', '86-94', '94-102', '102-110'],
        ['Inside leg (cm)', '70-74', '70-74', '74-80', '74-80', '74-80'],
      ]),
    ),
    parts(
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm', 'L | chest-girth 102-110 cm'],
      ['Short | inside-leg-length 70-74 cm', 'Regular | inside-leg-length 74-80 cm'],
      { made: { S: ['Short', 'Regular'], M: ['Short', 'Regular'], L: ['Regular'] } },
    ),
  ),
  one(
    'units-below-each-other',
    'inches and centimetres below each other, the sizes across',
    text(
      csv([
        ['Size', '', 'S', 'M'],
        ['Chest', 'in', '34-36', '38-40'],
        ['', 'cm', '86-91', '97-102'],
      ]),
    ),
    read('S | chest-girth 34-36 in', 'M | chest-girth 38-40 in'),
  ),
  one(
    'hidden-unit',
    'a page that hides one of two units',
    [
      'html',
      html([
        ['Size', 'Chest'],
        ['S', '<span>86-94 cm</span> <span style="display:none">34-37 in</span>'],
        ['M', '<span>94-102 cm</span><span hidden>37-40 in</span>'],
      ]),
    ],
    read('S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'),
  ),
  one(
    'one-class-named',
    'a length of which only the longer is named',
    text(
      csv([
        ['Size', 'Chest (cm)', 'Inside leg (cm)', 'Inside leg Tall (cm)'],
        ['S', '86-94', '76-78', '82-84'],
        ['M', '94-102', '76-78', '82-84'],
      ]),
    ),
    parts(
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'],
      ['Regular | inside-leg-length 76-78 cm', 'Tall | inside-leg-length 82-84 cm'],
    ),
  ),
  one(
    'up-to',
    'ends that are all open below',
    text(
      csv([
        ['Size', 'Hip (cm)'],
        ['S', 'up to 94'],
        ['M', 'up to 102'],
        ['L', 'up to 110'],
      ]),
    ),
    {
      ...read('S | hip-girth <=94 cm', 'M | hip-girth >94 <=102 cm', 'L | hip-girth >102 <=110 cm'),
      asks: ['one-sided 1'],
      answers: { columns: { 1: { toNext: true } } },
    },
  ),
  one(
    'from-on',
    'ends that are all open above',
    text(
      csv([
        ['Size', 'Hip (cm)'],
        ['S', '90+'],
        ['M', '98+'],
      ]),
    ),
    {
      ...read('S | hip-girth >=90 <98 cm', 'M | hip-girth >=98 cm'),
      asks: ['one-sided 1'],
      answers: { columns: { 1: { toNext: true } } },
    },
  ),
  one(
    'one-sided-meant',
    'ends that are all open above, and meant so',
    text(
      csv([
        ['Size', 'Hip (cm)'],
        ['S', '90+'],
        ['M', '98+'],
      ]),
    ),
    {
      ...read('S | hip-girth >=90 cm', 'M | hip-girth >=98 cm'),
      asks: ['one-sided 1'],
      answers: { columns: { 1: { so: true } } },
    },
  ),
  one(
    'either-side',
    'a heading that says how far its numbers go',
    text('Size,Chest ±2 cm,Hip (cm)\nS,90,96\nM,96,\n'),
    {
      ...read('S | chest-girth 88-92 cm', 'M | chest-girth 94-98 cm'),
      asks: ['either-side 1', 'not-given line 3'],
      answers: { columns: { 1: { spreads: true }, 2: { means: null } } },
    },
  ),
  one(
    'either-side-sewn',
    'a heading that says how exactly it is sewn',
    text('Size,Chest ±2 cm\nS,90\nM,96\n'),
    {
      ...read('S | chest-girth 90 cm', 'M | chest-girth 96 cm'),
      asks: ['either-side 1'],
      answers: { columns: { 1: { so: true } } },
    },
  ),
  one('listed', 'sizes listed in a mail', ['txt', 'Hips:\n- S: 90-98 cm\n- M: 98-106 cm\n'], {
    ...read('S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'),
  }),
  one(
    'lone-letters',
    'sizes of which nothing is given',
    text(
      csv([
        ['Size', 'Hip (cm)'],
        ['S', '90-98'],
        ['M', ''],
        ['L', '106-114'],
        ['XL', ''],
      ]),
    ),
    {
      ...read('S | hip-girth 90-98 cm', 'L | hip-girth 106-114 cm'),
      asks: ['not-given line 3', 'not-given line 5'],
      answers: { rows: { 3: 'left-out', 5: 'left-out' } },
    },
  ),
  several(
    'whose-heads',
    'men and women in the corner of their tables',
    text('Men,Chest (cm)\nS,86-94\nM,94-102\nWomen,Bust (cm)\nS,82-90\nM,90-98\n'),
    [
      read('S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'),
      read('S | bust-girth 82-90 cm', 'M | bust-girth 90-98 cm'),
    ],
  ),
  several(
    'units-of-sections',
    'a section for each unit',
    text(
      csv([
        ['Size', 'Chest'],
        ['Inches', ''],
        ['S', '34-36'],
        ['M', '38-40'],
        ['Centimetres', ''],
        ['S', '86-91'],
        ['M', '97-102'],
      ]),
    ),
    [
      read('S | chest-girth 34-36 in', 'M | chest-girth 38-40 in'),
      read('S | chest-girth 86-91 cm', 'M | chest-girth 97-102 cm'),
    ],
  ),
  one(
    'feet-bare',
    'feet and inches without the second mark',
    text(`Size;Height\nS;5'2 - 5'6\nM;5′6″–5′10″\n`),
    read('S | height 62-66 in', 'M | height 66-70 in'),
  ),
  one(
    'thousands-space',
    'a space for thousands',
    text('Taille;Stature (mm)\nS;1 640 - 1 720\nM;1 720 - 1 800\n'),
    read('S | height 1640-1720 mm', 'M | height 1720-1800 mm'),
  ),
];
