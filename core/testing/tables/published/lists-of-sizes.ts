// Tables as makers publish them: several lists in one table, and sizes by several names.
import type { PublishedTable } from '../published-table';

export const LISTS_OF_SIZES: readonly PublishedTable[] = [
  {
    what: 'slim and regular',
    text: 'Size,Fit,Chest (cm)\nS,Slim,84-90\nS,Regular,86-94\nM,Slim,90-96\nM,Regular,94-102',
    understood: [
      ['S | chest-girth 84-90 cm', 'M | chest-girth 90-96 cm'],
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'],
    ],
  },
  {
    what: 'men and women, each said once',
    text: 'Gender,Size,Chest (cm),Hip (cm)\nMen,S,86-94,90-98\n,M,94-102,98-106\nWomen,S,80-86,92-98\n,M,86-92,98-104',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
      ['S | chest-girth 80-86 cm | hip-girth 92-98 cm', 'M | chest-girth 86-92 cm | hip-girth 98-104 cm'],
    ],
  },
  {
    what: 'somebody of one size alone',
    text: 'Gender,Size,Chest (cm)\nMen,S,86-94\nMen,M,94-102\nWomen,S,80-86\nWomen,M,86-92\nUnisex,OS,80-102',
    understood: [
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'],
      ['S | chest-girth 80-86 cm', 'M | chest-girth 86-92 cm'],
      ['OS | chest-girth 80-102 cm'],
    ],
  },
  {
    what: 'the cut behind the measures',
    text: 'Size,Chest (cm),Fit\nS,84-90,Slim\nM,90-96,Slim\nS,86-94,Loose\nM,94-102,Loose',
    understood: [
      ['S | chest-girth 84-90 cm', 'M | chest-girth 90-96 cm'],
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'],
    ],
  },
  {
    what: 'two garments in one list',
    text: 'Product,Size,Chest (in)\nHill jacket,S,34-36\nHill jacket,M,37-39\nFen fleece,S,35-37\nFen fleece,M,38-40\nFen fleece,L,41-43',
    understood: [
      ['S | chest-girth 34-36 in', 'M | chest-girth 37-39 in'],
      ['S | chest-girth 35-37 in', 'M | chest-girth 38-40 in', 'L | chest-girth 41-43 in'],
    ],
  },
  {
    what: 'two countries in one list',
    text: 'Size,Country,Chest (cm)\n48,EU,94-98\n38,UK,94-98\n50,EU,98-102\n40,UK,98-102',
    understood: [
      ['48 | chest-girth 94-98 cm', '50 | chest-girth 98-102 cm'],
      ['38 | chest-girth 94-98 cm', '40 | chest-girth 98-102 cm'],
    ],
  },
  {
    what: 'as stated, and as measured',
    text: 'Size,Method,Chest (cm)\nS,stated,86-94\nS,measured,88-96\nM,stated,94-102\nM,measured,96-104',
    understood: [
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'],
      ['S | chest-girth 88-96 cm', 'M | chest-girth 96-104 cm'],
    ],
  },
  {
    what: 'a line for each unit with the size on both',
    text: 'Size,Unit,Chest,Hip\nS,cm,86-94,90-98\nS,in,34-37,35.5-38.5\nM,cm,94-102,98-106\nM,in,37-40,38.5-41.5',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'summer and winter',
    text: 'Size,Season,Chest (cm)\nS,Summer,86-94\nS,Winter,88-96\nM,Summer,94-102\nM,Winter,96-104',
    understood: [
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'],
      ['S | chest-girth 88-96 cm', 'M | chest-girth 96-104 cm'],
    ],
  },
  {
    what: 'the body and the garment in turn',
    text: 'Size,Of,Chest (cm)\nS,Body,86-94\nS,Garment,104-108\nM,Body,94-102\nM,Garment,112-116',
    understood: [['refused: Size S, size (line 3, column 1): this size is already on line 2.']],
  },
  {
    what: 'a line for each measurement',
    text: 'Size,Measurement,Value (cm)\nS,Chest,86-94\nS,Hip,90-98\nM,Chest,94-102\nM,Hip,98-106',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'men above women',
    text: 'Men,Chest (cm)\nS,86-94\nM,94-102\nWomen,\nS,80-88\nM,88-96',
    understood: [
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'],
      ['S | chest-girth 80-88 cm', 'M | chest-girth 88-96 cm'],
    ],
  },
  {
    what: 'a second heading for other places',
    text: 'Size,Chest (cm)\nS,86-94\nM,94-102\nL,102-110\nSize,Waist (cm)\nS,70-78\nM,78-86\nL,86-94',
    understood: [
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm', 'L | chest-girth 102-110 cm'],
      ['asks which-measurement 1'],
    ],
  },
  {
    what: 'two lists side by side',
    text: 'Size,Chest (cm),Size,Waist (cm)\nS,86-94,30,74-78\nM,94-102,32,78-82',
    understood: [['asks left-out 2, which-measurement 3']],
  },
  {
    what: 'a second list of sizes',
    text: 'Size,Chest (cm),Size,Hip (cm)\nS,86-94,30,90-94\nM,94-102,32,94-98',
    understood: [['asks left-out 2']],
  },
  {
    what: 'a size over two heights',
    text: '<table><tr><th>Size</th><th>Height (cm)</th><th>Chest (cm)</th></tr><tr><td rowspan=2>S</td><td>160-168</td><td>86-94</td></tr><tr><td>168-176</td><td>86-94</td></tr><tr><td rowspan=2>M</td><td>168-176</td><td>94-102</td></tr><tr><td>176-184</td><td>94-102</td></tr></table>',
    understood: [['refused: Size S, size (line 3, column 1): this size is already on line 2.']],
  },
  {
    what: 'a size twice',
    text: 'Size,Chest (cm)\nS,86-94\nS,88-96\nM,94-102',
    understood: [['refused: Size S, size (line 3, column 1): this size is already on line 2.']],
  },
  {
    what: 'a line twice',
    text: 'Size,Chest (cm)\nS,86-94\nM,94-102\nM,94-102\nL,102-110',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm', 'L | chest-girth 102-110 cm']],
  },
  {
    what: 'classes that nothing measured tells apart',
    text: 'Size,Hip (cm),Length type\nS,90-98,short\nM,98-106,regular',
    understood: [['refused: short and regular differ in no measurement, so they cannot be told apart.']],
  },
  {
    what: 'tall sizes below the others',
    text: 'Size,Chest (cm),Hip (cm)\nS,86-94,90-98\nM,94-102,98-106\nS tall,86-94,90-98\nM tall,94-102,98-106',
    understood: [['refused: Regular and tall differ in no measurement, so they cannot be told apart.']],
  },
  {
    what: 'short and long sizes by their numbers',
    text: 'Size,Chest (cm)\n44,88\n46,92\n48,96\n94,88\n98,92\n102,96\n24,88\n25,92\n26,96',
    understood: [
      [
        'refused: Size 94, chest-girth (cm) (line 5, column 2): “88” is smaller than “96” of the size before.',
      ],
    ],
  },
  {
    what: 'men’s and women’s names of one size',
    text: 'Size,Chest (cm)\nMen S / Women M,86-94\nMen M / Women L,94-102',
    understood: [['Men S / Women M | chest-girth 86-94 cm', 'Men M / Women L | chest-girth 94-102 cm']],
  },
  {
    what: 'letters of another language',
    text: 'Size,Chest (cm)\nP,86-94\nM,94-102\nG,102-110\nGG,110-118',
    understood: [
      [
        'P | chest-girth 86-94 cm',
        'M | chest-girth 94-102 cm',
        'G | chest-girth 102-110 cm',
        'GG | chest-girth 110-118 cm',
      ],
    ],
  },
  {
    what: 'sizes past the largest',
    text: 'Size,Hip (cm)\n2XS,74-78\nXS,78-82\n0X,114-118\n1X,118-126',
    understood: [
      [
        '2XS | hip-girth 74-78 cm',
        'XS | hip-girth 78-82 cm',
        '0X | hip-girth 114-118 cm',
        '1X | hip-girth 118-126 cm',
      ],
    ],
  },
  {
    what: 'numbers with letters behind',
    text: 'Size,Hand circumference (in)\n8 (M),7.5-8\n9 (L),8.5-9\n10 (XL),9.5-10',
    understood: [
      ['8 (M) | hand-girth 7 1/2-8 in', '9 (L) | hand-girth 8 1/2-9 in', '10 (XL) | hand-girth 9 1/2-10 in'],
    ],
  },
  {
    what: 'three countries, and the foot',
    text: 'EU,UK,US,Foot length (mm)\n40,6.5,7.5,255\n41,7.5,8.5,262\n42,8,9,268',
    understood: [
      [
        '40 | derived:longer-foot 255 mm',
        '41 | derived:longer-foot 262 mm',
        '42 | derived:longer-foot 268 mm',
        'UK: 6.5 7.5 8',
        'US: 7.5 8.5 9',
      ],
    ],
  },
  {
    what: 'over the bust, and under it',
    text: 'Size,Under-bust (cm),Over-bust (cm)\n70A,68-72,82-84\n70B,68-72,84-86\n75A,73-77,87-89\n75B,73-77,89-91',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'hats by eighths',
    text: 'Size,Head circumference\n6 7/8,55 cm\n7,56 cm\n7 1/8,57 cm',
    understood: [['6 7/8 | head-girth 55 cm', '7 | head-girth 56 cm', '7 1/8 | head-girth 57 cm']],
  },
  {
    what: 'a foot’s length and width',
    text: 'Size,Foot length (cm),Foot width (cm)\n38,24.0,9.2\n39,24.7,9.4',
    understood: [
      [
        '38 | derived:longer-foot 24 cm | derived:wider-foot 9.2 cm',
        '39 | derived:longer-foot 24.7 cm | derived:wider-foot 9.4 cm',
      ],
    ],
  },
  {
    what: 'words beside the measures',
    text: 'Size,Chest (cm),Fits\nS,86-94,slim\nM,94-102,slim',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'open ends that meet',
    text: 'Size,Chest (cm)\nXS,<86\nS,86-<94\nM,94-<102\nL,≥102',
    understood: [
      [
        'XS | chest-girth <86 cm',
        'S | chest-girth 86-<94 cm',
        'M | chest-girth 94-<102 cm',
        'L | chest-girth >=102 cm',
      ],
    ],
  },
  {
    what: 'no strokes outside',
    text: 'Size|Chest|Hip\n-|-|-\nS|86-94|90-98\nM|94-102|98-106\n(cm)||',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'a second list in other numbers',
    text: 'US size,Chest (in)\nS,34-36\nM,38-40\nInternational,\nS,86-91\nM,97-102',
    understood: [['S | chest-girth 34-36 in', 'M | chest-girth 38-40 in'], ['asks impossible-unit 1']],
  },
  {
    what: 'two units that disagree',
    text: 'Size,Chest (in),Chest (cm)\nS,34-36,86-91\nM,38-40,97-102\nL,42-44,107-122',
    understood: [['asks twins-differ 2']],
  },
  {
    what: 'a unit of its own for each column',
    text: 'Size,Chest,Hip\nS,86-94cm,35.5-38.5in\nM,94-102cm,38.5-41.5in',
    understood: [
      [
        'S | chest-girth 86-94 cm | hip-girth 35 1/2-38 1/2 in',
        'M | chest-girth 94-102 cm | hip-girth 38 1/2-41 1/2 in',
      ],
    ],
  },
  {
    what: 'a tolerance in a note',
    text: ',S,M,L\nChest,86-94,94-102,102-110\nHip,90-98,98-106,106-114\nAll in cm (tolerance 1 cm),,,',
    understood: [
      [
        'S | chest-girth 86-94 cm | hip-girth 90-98 cm',
        'M | chest-girth 94-102 cm | hip-girth 98-106 cm',
        'L | chest-girth 102-110 cm | hip-girth 106-114 cm',
      ],
    ],
  },
  {
    what: 'the whole list twice',
    text: 'Size,Hip (cm)\nS,90-98\nM,98-106\nL,106-114\nS,90-98\nM,98-106\nL,106-114',
    understood: [['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm', 'L | hip-girth 106-114 cm']],
  },
  {
    what: 'a second heading without a word for sizes',
    text: ',Hip (cm)\nS,90-98\nM,98-106\n,Chest (cm)\nS,86-94\nM,94-102',
    understood: [
      ['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm'],
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'],
    ],
  },
  {
    what: 'men’s chest and women’s bust',
    text: 'Size,Men chest (cm),Women bust (cm)\nS,86-94,80-86\nM,94-102,86-92',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'a neck and a chest of men, a bust of women',
    text: 'Size,Neck (men),Chest (men),Bust (women)\nS,37-38 cm,86-94 cm,80-86 cm\nM,39-40 cm,94-102 cm,86-92 cm',
    understood: [['asks which-measurement 1, which-measurement 2, which-measurement 3']],
  },
  {
    what: 'two heights',
    text: 'Size,Height 1,Height 2\nS,160-168 cm,168-176 cm\nM,168-176 cm,176-184 cm',
    understood: [['asks left-out 2']],
  },
  {
    what: 'over what is worn',
    text: 'Size,Chest (cm),Chest over clothing (cm)\nS,86-94,96-104\nM,94-102,104-112',
    understood: [['asks left-out 2']],
  },
  {
    what: 'two systems, one of letters',
    text: 'EUR,INT,Chest (cm)\n46,S,86-94\n48,M,94-102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm', 'EU: 46 48']],
  },
  {
    what: 'a hat’s own size',
    text: 'Size,Head (cm),Head (in),Hat size\nS,55,21 5/8,6 7/8\nM,57,22 1/2,7 1/8',
    understood: [['S | head-girth 55 cm', 'M | head-girth 57 cm', 'Hat size: 6 7/8 7 1/8']],
  },
  {
    what: 'a reference behind',
    text: 'Size,Hip (cm),Ref\nS,90-98,1001\nM,98-106,1002',
    understood: [['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm', 'Ref: 1001 1002']],
  },
  {
    what: 'a total below',
    text: 'Size,Hip (cm)\nS,90-98\nM,98-106\nTotal,2',
    understood: [['asks left-out line 4']],
  },
  {
    what: 'stars in a column',
    text: 'Size,Chest (cm)\nS,86-94,\nM,94-102,*\n*only on order,,',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'cups by what they differ',
    text: 'Cup,A,B,C\nDifference (cm),12-14,14-16,16-18',
    understood: [['refused: The table has a heading but no sizes.']],
  },
];
