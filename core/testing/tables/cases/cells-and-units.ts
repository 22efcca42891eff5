// Ways to write a cell, and places where a unit stands.
import { CAP, GLOVE, JACKET, OPEN, SHIRT } from '../garments';
import { csv, html } from '../write-files';
import { bare, one, plainly, range, rowsOf, type MadeCase, type Style } from './case';

const RANGES: readonly (readonly [name: string, between: string])[] = [
  ['hyphen', '-'],
  ['spaced-hyphen', ' - '],
  ['en-dash', '–'],
  ['em-dash', ' — '],
  ['tilde', '~'],
  ['wave', ' ～ '],
  ['slash', '/'],
  ['to', ' to '],
  ['space', ' '],
  ['line-break', '\n'],
  ['dots', '...'],
  ['bis', ' bis '],
  ['a-grave', ' à '],
  ['a', ' a '],
  ['hasta', ' hasta '],
  ['until', ' until '],
];

const ENDS: readonly (readonly [name: string, below: string, above: string])[] = [
  ['up-to-from', 'up to ', 'from '],
  ['max-min', 'max. ', 'min. '],
  ['bis-ab', 'bis ', 'ab '],
  ['hasta-desde', 'hasta ', 'desde '],
  ['jusqu-a', "jusqu'à ", 'à partir de '],
  ['at-most', 'at most ', 'at least '],
  ['hoechstens', 'höchstens ', 'mindestens '],
  ['signs', '≤', '≥'],
];

const BEHIND: readonly (readonly [name: string, below: string, above: string])[] = [
  ['or-less-or-more', ' or less', ' or more'],
  ['and-under-plus', ' and under', '+'],
  ['und-mehr', ' und weniger', ' und mehr'],
  ['ou-plus', ' ou moins', ' ou plus'],
  ['o-mas', ' o menos', ' o más'],
];

const inCells = (unit: string): Style => ({
  heading: bare,
  cell: (from, to) =>
    from === null ? `<=${to!} ${unit}` : to === null ? `>=${from} ${unit}` : `${from}-${to} ${unit}`,
});

/** In metres, as a person writes heights. */
const METRES = { ...JACKET, columns: JACKET.columns.slice(1) };
const HEIGHT = {
  ...METRES,
  columns: [
    {
      ...METRES.columns[0]!,
      unit: 'in' as const,
      cells: [
        [64, 66],
        [66, 68],
        [68, 70],
        [70, 74],
      ] as const,
    },
  ],
};
const feet = (inches: number) => `${Math.floor(inches / 12)}'${inches % 12}"`;

export const CELLS_AND_UNITS: readonly MadeCase[] = [
  ...RANGES.map(([name, between]) =>
    one(
      `range-${name}`,
      `ranges written with ${JSON.stringify(between)}`,
      ['csv', csv(rowsOf(JACKET, { cell: range(between) }))],
      plainly(JACKET),
    ),
  ),
  ...ENDS.map(([name, below, above]) =>
    one(
      `ends-${name}`,
      `open ends as ${below}… and ${above}…`,
      ['csv', csv(rowsOf(OPEN, { cell: range('-', below, above) }))],
      plainly(OPEN),
    ),
  ),
  ...BEHIND.map(([name, below, above]) =>
    one(
      `ends-behind-${name}`,
      `open ends as …${below} and …${above}`,
      [
        'csv',
        csv(
          rowsOf(OPEN, {
            cell: (from, to) =>
              from === null ? `${to!}${below}` : to === null ? `${from}${above}` : `${from}-${to}`,
          }),
        ),
      ],
      plainly(OPEN),
    ),
  ),
  one('fractions', 'halves of an inch as fractions', ['csv', csv(rowsOf(SHIRT))], plainly(SHIRT)),
  one(
    'fraction-signs',
    'halves of an inch as one sign',
    ['csv', csv(rowsOf(SHIRT).map((row) => row.map((cell) => cell.replace(/ 1\/2/g, '½'))))],
    plainly(SHIRT),
  ),
  one(
    'fraction-hyphens',
    'halves of an inch behind a hyphen',
    [
      'csv',
      csv(
        rowsOf(SHIRT, { cell: range(' to ') }).map((row) =>
          row.map((cell) => cell.replace(/ 1\/2/g, '-1/2')),
        ),
      ),
    ],
    plainly(SHIRT),
  ),
  one(
    'decimal-inches',
    'halves of an inch as decimals',
    ['csv', csv(rowsOf(SHIRT, { number: String }))],
    plainly(SHIRT),
  ),
  one(
    'decimal-comma',
    'decimal commas in a semicolon file',
    ['csv', csv(rowsOf(SHIRT, { number: (value) => String(value).replace('.', ',') }), ';')],
    plainly(SHIRT),
  ),
  one(
    'thousands-point',
    'millimetres with a point for thousands',
    [
      'csv',
      csv(
        rowsOf(METRES, {
          heading: (name) => `${name} (mm)`,
          number: (value) => `${value * 10}`.replace(/(\d)(\d{3})$/, '$1.$2'),
        }),
        ';',
      ),
    ],
    {
      asks: [],
      parts: [
        {
          sizes: METRES.sizes.map(
            (size, at) =>
              `${size} | height ${METRES.columns[0]!.cells[at]!.map((value) => value! * 10).join('-')} mm`,
          ),
        },
      ],
    },
  ),
  one(
    'thousands-comma',
    'millimetres with a comma for thousands',
    [
      'csv',
      csv(
        rowsOf(METRES, {
          heading: (name) => `${name} (mm)`,
          number: (value) => `${value * 10}`.replace(/(\d)(\d{3})$/, '$1,$2'),
        }),
      ),
    ],
    {
      asks: [],
      parts: [
        {
          sizes: METRES.sizes.map(
            (size, at) =>
              `${size} | height ${METRES.columns[0]!.cells[at]!.map((value) => value! * 10).join('-')} mm`,
          ),
        },
      ],
    },
  ),
  one(
    'rounding-noise',
    'numbers with the noise of a calculation',
    ['csv', csv(rowsOf(JACKET, { number: (value) => `${value}.00000000001` }))],
    plainly(JACKET),
  ),
  one(
    'footnote-star',
    'stars that point at a note',
    [
      'csv',
      csv([...rowsOf(JACKET, { cell: (from, to) => `${from!}-${to!}*` }), ['* over a thin shirt', '', '']]),
    ],
    plainly(JACKET),
  ),
  one(
    'footnote-figure',
    'raised figures that point at notes',
    [
      'csv',
      csv([...rowsOf(JACKET, { cell: (from, to) => `${from!}-${to!}¹` }), ['¹ over a thin shirt', '', '']]),
    ],
    plainly(JACKET),
  ),
  one(
    'approximately',
    'cells that say they are about so much',
    ['csv', csv(rowsOf(JACKET, { cell: (from, to) => `approx. ${from!}-${to!}` }))],
    plainly(JACKET),
  ),
  one(
    'single-values',
    'a single value a size',
    [
      'csv',
      csv(
        rowsOf({
          ...CAP,
          columns: [
            {
              ...CAP.columns[0]!,
              cells: CAP.columns[0]!.cells.map(([from]) => [from! + 1, from! + 1] as const),
            },
          ],
        }),
      ),
    ],
    {
      asks: [],
      parts: [{ sizes: CAP.sizes.map((size) => `${size} | head-girth ${size} cm`) }],
    },
  ),
  one(
    'upright-list-down',
    'the largest size first',
    ['csv', csv([rowsOf(JACKET)[0]!, ...rowsOf(JACKET).slice(1).reverse()])],
    plainly(JACKET),
  ),

  one(
    'unit-comma',
    'a unit behind a comma',
    ['csv', csv(rowsOf(JACKET, { heading: (name, unit) => `${name}, ${unit}` }))],
    plainly(JACKET),
  ),
  one(
    'unit-slash',
    'a unit behind a stroke',
    ['csv', csv(rowsOf(SHIRT, { heading: (name, unit) => `${name} / ${unit}` }))],
    plainly(SHIRT),
  ),
  one(
    'unit-square',
    'a unit in square brackets',
    ['csv', csv(rowsOf(JACKET, { heading: (name, unit) => `${name} [${unit}]` }))],
    plainly(JACKET),
  ),
  one(
    'unit-last-word',
    'a unit as the last word',
    ['csv', csv(rowsOf(JACKET, { heading: (name, unit) => `${name} ${unit}` }))],
    plainly(JACKET),
  ),
  one(
    'unit-word',
    'a unit in full',
    ['csv', csv(rowsOf(SHIRT, { heading: (name) => `${name} (inches)` }))],
    plainly(SHIRT),
  ),
  one(
    'unit-row',
    'a row of units',
    ['csv', csv([rowsOf(JACKET, { heading: bare })[0]!, ['', 'cm', 'cm'], ...rowsOf(JACKET).slice(1)])],
    plainly(JACKET),
  ),
  one(
    'unit-row-inches',
    'a row of units in words',
    ['csv', csv([rowsOf(SHIRT, { heading: bare })[0]!, ['', 'inches', 'inches'], ...rowsOf(SHIRT).slice(1)])],
    plainly(SHIRT),
  ),
  one(
    'unit-title',
    'a title that names the unit',
    ['csv', csv([['All measurements in cm', '', ''], ...rowsOf(JACKET, { heading: bare })])],
    plainly(JACKET),
  ),
  one(
    'unit-title-german',
    'a German title that names the unit',
    [
      'csv',
      csv([['Alle Maße in cm', '', ''], ...rowsOf(JACKET, { heading: bare, language: 'de', size: 'Größe' })]),
    ],
    plainly(JACKET),
  ),
  one(
    'unit-title-french',
    'a French title that names the unit',
    [
      'csv',
      csv([
        ['Toutes les mesures en cm', '', ''],
        ...rowsOf(JACKET, { heading: bare, language: 'fr', size: 'Taille' }),
      ]),
    ],
    plainly(JACKET),
  ),
  one(
    'unit-title-spanish',
    'a Spanish title that names the unit',
    [
      'csv',
      csv([['Medidas en cm', '', ''], ...rowsOf(JACKET, { heading: bare, language: 'es', size: 'Talla' })]),
    ],
    plainly(JACKET),
  ),
  one(
    'unit-title-bracket',
    'a title that ends in the unit',
    ['csv', csv([['Harbour jacket (cm)', '', ''], ...rowsOf(JACKET, { heading: bare })])],
    plainly(JACKET),
  ),
  one(
    'unit-footnote',
    'a note below that names the unit',
    ['csv', csv([...rowsOf(JACKET, { heading: bare }), ['Sizes are given in centimetres.', '', '']])],
    plainly(JACKET),
  ),
  one('unit-cells', 'a unit in every cell', ['csv', csv(rowsOf(JACKET, inCells('cm')))], plainly(JACKET)),
  one(
    'unit-cells-marks',
    'marks of inches in every cell',
    ['csv', csv(rowsOf(SHIRT, inCells('"')))],
    plainly(SHIRT),
  ),
  one(
    'unit-cells-mm',
    'millimetres in every cell',
    ['csv', csv(rowsOf(GLOVE, inCells('mm')))],
    plainly(GLOVE),
  ),
  one(
    'unit-metres',
    'heights in metres',
    [
      'csv',
      csv(rowsOf(METRES, { heading: (name) => `${name} (m)`, number: (value) => (value / 100).toFixed(2) })),
    ],
    plainly(METRES),
  ),
  one(
    'unit-metres-cells',
    'heights in metres, the unit in the cells, decimal commas',
    [
      'csv',
      csv(
        rowsOf(METRES, {
          heading: bare,
          number: (value) => (value / 100).toFixed(2).replace('.', ','),
          cell: (from, to) => `${from!} m - ${to!} m`,
        }),
        ';',
      ),
    ],
    plainly(METRES),
  ),
  one(
    'unit-feet',
    'heights in feet and inches',
    ['csv', csv(rowsOf(HEIGHT, { heading: bare, number: feet }))],
    plainly(HEIGHT),
  ),
  one(
    'unit-feet-words',
    'heights in feet and inches, in words',
    [
      'csv',
      csv(
        rowsOf(HEIGHT, {
          heading: (name) => `${name} (ft in)`,
          number: (value) => `${Math.floor(value / 12)} ft ${value % 12} in`,
          cell: range(' to '),
        }),
      ),
    ],
    plainly(HEIGHT),
  ),
  one(
    'unit-none',
    'no unit anywhere',
    ['csv', csv(rowsOf(JACKET, { heading: bare }))],
    plainly(JACKET, {
      asks: ['which-unit 1', 'which-unit 2'],
      answers: { columns: { 1: { unit: 'cm' }, 2: { unit: 'cm' } } },
    }),
  ),
  one(
    'unit-preposition',
    'a word that only looks like a unit',
    ['csv', csv(rowsOf(SHIRT, { heading: (name) => `${name} in` }))],
    plainly(SHIRT, {
      asks: ['which-unit 1', 'which-unit 2'],
      answers: { columns: { 1: { unit: 'in' }, 2: { unit: 'in' } } },
    }),
  ),
  one(
    'unit-of-model',
    'the height of a model, and how to wash',
    [
      'csv',
      csv([
        ...rowsOf(JACKET, { heading: bare }),
        ['Model is 188 cm tall and wears M', '', ''],
        ['Wash at 30 degrees, may shrink by 2 cm', '', ''],
      ]),
    ],
    plainly(JACKET, {
      asks: ['which-unit 1', 'which-unit 2'],
      answers: { columns: { 1: { unit: 'cm' }, 2: { unit: 'cm' } } },
    }),
  ),
  one(
    'unit-wrong',
    'a unit in which nobody could be so',
    ['csv', csv(rowsOf(SHIRT, { heading: (name) => `${name} (cm)` }))],
    plainly(SHIRT, {
      asks: ['impossible-unit 1', 'impossible-unit 2'],
      answers: { columns: { 1: { unit: 'in' }, 2: { unit: 'in' } } },
    }),
  ),
  one(
    'unit-name-with-marks',
    'quotation marks in a name',
    ['csv', csv([['The "Gull" jacket', '', ''], ...rowsOf(JACKET)])],
    plainly(JACKET),
  ),
  one(
    'sup-fractions',
    'raised fractions in a page',
    [
      'html',
      html(
        rowsOf(SHIRT).map((row) =>
          row.map((cell) => cell.replace(/ 1\/2/g, '<sup>1</sup>&frasl;<sub>2</sub>')),
        ),
      ),
    ],
    plainly(SHIRT),
  ),
];
