import type { ColumnCode } from '../chart/column-code';
import type { ChartPart } from '../chart/chart-shape';
import { cm } from '../quantity/length';
import { adjoining, graded, namedPart, published, type PublishedChart } from './published-chart';

/** EN 13402-3, the size intervals of Europe: cm, the lower bound included and the upper not. */
const SOURCE = 'EN 13402-3, from memory';

/** Sizes 4 cm apart, then wider ones, each with the edges between them. */
const MEN_CHEST_EDGES = [...graded(82, 4, 10), ...graded(123, 6, 5)];
const MEN_CHEST = [...graded(84, 4, 10), ...graded(126, 6, 4)];
const COLLARS = [36, 37, 38, 39, 40, 41, 42, 43, 44, 45, 46.5, 48, 49.5, 51];

/** Men by chest girth, 84 to 144, with the collar that goes with each. */
export const EN_13402_MEN_CHEST: ChartPart = {
  ...part('chest', 'Chest', 'chest-girth', MEN_CHEST, MEN_CHEST_EDGES),
  otherNames: [{ system: 'Collar, cm', labels: COLLARS.map(String) }],
};

/** Men by waist girth, 72 to 132. */
export const EN_13402_MEN_WAIST = part(
  'waist',
  'Waist',
  'waist-girth',
  [...graded(72, 4, 9), ...graded(108, 6, 5)],
  [...graded(70, 4, 10), ...graded(111, 6, 5)],
);

/** Women by bust girth, 76 to 152. */
export const EN_13402_WOMEN_BUST = part(
  'bust',
  'Bust',
  'bust-girth',
  [...graded(76, 4, 8), ...graded(110, 6, 8)],
  [...graded(74, 4, 8), 107, ...graded(113, 6, 8)],
);

/** Women by waist girth, 60 to 136. */
export const EN_13402_WOMEN_WAIST = part(
  'waist',
  'Waist',
  'waist-girth',
  [...graded(60, 4, 8), ...graded(94, 6, 8)],
  [...graded(58, 4, 8), 91, ...graded(97, 6, 8)],
);

/** Women by hip girth, 84 to 152. */
export const EN_13402_WOMEN_HIP = part(
  'hip',
  'Hip',
  'hip-girth',
  [...graded(84, 4, 8), ...graded(117, 5, 8)],
  [...graded(82, 4, 8), 115, ...graded(120, 5, 8)],
);

/** Heights, 160 to 192 by 8. */
export const EN_13402_HEIGHT = part('height', 'Height', 'height', graded(160, 8, 5), graded(156, 8, 6));

/** Men's letter codes by chest girth. */
export const EN_13402_MEN_LETTERS = part(
  'letter',
  'Letter',
  'chest-girth',
  ['XS', 'S', 'M', 'L', 'XL', 'XXL', '3XL'],
  [78, 86, 94, 102, 110, 118, 129, 141],
);

/** Women's letter codes by bust girth. */
export const EN_13402_WOMEN_LETTERS = part(
  'letter',
  'Letter',
  'bust-girth',
  ['XS', 'S', 'M', 'L', 'XL', 'XXL', '3XL'],
  [74, 82, 90, 98, 107, 119, 131, 143],
);

const CUPS = ['AA', 'A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'];

/** The tables of EN 13402-3 as charts; bras among them, by underbust and by bust less underbust. */
export const EN_13402_CHARTS: readonly PublishedChart[] = [
  published(
    'EN 13402-3',
    'Men, chest and height',
    'outerwear',
    SOURCE,
    [EN_13402_MEN_CHEST, EN_13402_HEIGHT],
    {
      label: '{chest}-{height}',
    },
  ),
  published(
    'EN 13402-3',
    'Men, waist and height',
    'trousers',
    SOURCE,
    [EN_13402_MEN_WAIST, EN_13402_HEIGHT],
    {
      label: '{waist}-{height}',
    },
  ),
  published('EN 13402-3', 'Men, letters', 'outerwear', SOURCE, [EN_13402_MEN_LETTERS]),
  published('EN 13402-3', 'Women, bust and height', 'dress', SOURCE, [EN_13402_WOMEN_BUST, EN_13402_HEIGHT], {
    label: '{bust}-{height}',
  }),
  published(
    'EN 13402-3',
    'Women, waist and hip',
    'trousers',
    SOURCE,
    [EN_13402_WOMEN_WAIST, EN_13402_WOMEN_HIP],
    { label: '{waist}-{hip}' },
  ),
  published('EN 13402-3', 'Women, letters', 'dress', SOURCE, [EN_13402_WOMEN_LETTERS]),
  published(
    'EN 13402-3',
    'Bra, underbust and cup',
    'bra',
    SOURCE,
    [
      part('band', 'Band', 'underbust-girth', graded(60, 5, 10), graded(58, 5, 11)),
      part('cup', 'Cup', 'derived:cup', CUPS, graded(10, 2, 10)),
    ],
    {
      label: '{band}{cup}',
      derivations: [
        {
          code: 'derived:cup',
          name: 'Bust less underbust',
          steps: [{ do: 'subtract', as: 'difference', from: 'bust-girth', take: 'underbust-girth' }],
        },
      ],
    },
  ),
];

function part(
  code: string,
  name: string,
  measurement: ColumnCode,
  sizes: readonly (string | number)[],
  edges: readonly number[],
): ChartPart {
  return namedPart(code, name, sizes, [adjoining(measurement, 'cm', edges.map(cm))]);
}
