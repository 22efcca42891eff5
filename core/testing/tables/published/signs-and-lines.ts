// Tables as makers publish them: signs, marks, lines and pages.
import type { PublishedTable } from '../published-table';

export const SIGNS_AND_LINES: readonly PublishedTable[] = [
  {
    what: 'raised fractions',
    text: 'Size,Chest (in)\nS,34¹⁄₂-36\nM,36-37¹⁄₂',
    understood: [['S | chest-girth 34 1/2-36 in', 'M | chest-girth 36-37 1/2 in']],
  },
  {
    what: 'raised fractions about a stroke',
    text: 'Size,Neck (in)\n15,15\n15 1/2,15¹/²\n16,16',
    understood: [['15 | neck-girth 15 in', '15 1/2 | neck-girth 15 1/2 in', '16 | neck-girth 16 in']],
  },
  {
    what: 'a raised sign',
    text: 'Size,Chest (cm)\nS,86-94\nM,94-102\nL,102⁺',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm', 'L | chest-girth >=102 cm']],
  },
  {
    what: 'no heading, and the first size is none',
    text: 'S,86-94\nM,94-102\nL,102-110',
    understood: [['asks left-out 1']],
  },
  {
    what: 'article numbers before the sizes',
    text: 'Article no.,Size,Chest (cm)\n4711-01,S,86-94\n4711-02,M,94-102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm', 'Article no.: 4711-01 4711-02']],
  },
  {
    what: 'article numbers in German',
    text: 'Art.-Nr.;Größe;Hüftumfang (cm)\n10023;S;86-94\n10024;M;94-102',
    understood: [['S | hip-girth 86-94 cm', 'M | hip-girth 94-102 cm', 'Art.-Nr.: 10023 10024']],
  },
  {
    what: 'numbers that have the size in them',
    text: 'SKU,Size,Chest (cm)\nRJ-001-S,S,86-94\nRJ-001-M,M,94-102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm', 'SKU: RJ-001-S RJ-001-M']],
  },
  {
    what: 'sizes in bold marks',
    text: '| Size | Chest (cm) |\n|---|---|\n| **S** | 86-94 |\n| **M** | 94-102 |',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'headings and sizes in other marks',
    text: '| **Size** | **Chest (cm)** |\n|---|---|\n| __S__ | 86-94 |\n| *M* | 94-102 |',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'letters, with a legend below',
    text: 'Size,A,B,C\nS,86-94,70-78,90-98\nM,94-102,78-86,98-106\nA = Chest (cm),,,\nB = Natural waist (cm),,,\nC = Hip (cm),,,',
    understood: [
      [
        'S | chest-girth 86-94 cm | waist-girth 70-78 cm | hip-girth 90-98 cm',
        'M | chest-girth 94-102 cm | waist-girth 78-86 cm | hip-girth 98-106 cm',
      ],
    ],
  },
  {
    what: 'numbers in brackets, with a legend below',
    text: 'Size,(1),(2)\nS,86-94,90-98\nM,94-102,98-106\n(1) Chest in cm,,\n(2) Hip in cm,,',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'a legend in one line above',
    text: '"A: Chest (cm), B: Hip (cm)",,\nSize,A,B\nS,86-94,90-98\nM,94-102,98-106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'the heading again on the next page',
    text: 'Size,Chest (cm)\nS,86-94\nM,94-102\nSize,Chest (cm)\nL,102-110\nXL,110-118',
    understood: [
      [
        'S | chest-girth 86-94 cm',
        'M | chest-girth 94-102 cm',
        'L | chest-girth 102-110 cm',
        'XL | chest-girth 110-118 cm',
      ],
    ],
  },
  {
    what: 'the heading again below a page’s title',
    text: 'Ranger shirt - page 1,\nSize,Chest (cm)\nS,86-94\nM,94-102\nRanger shirt - page 2,\nSize,Chest (cm)\nL,102-110\nXL,110-118',
    understood: [
      [
        'S | chest-girth 86-94 cm',
        'M | chest-girth 94-102 cm',
        'L | chest-girth 102-110 cm',
        'XL | chest-girth 110-118 cm',
      ],
    ],
  },
  {
    what: 'countries by their letters',
    text: 'Size,D,F,I,GB,Chest (cm)\nS,48,50,52,38,86-94\nM,50,52,54,40,94-102',
    understood: [
      [
        'S | chest-girth 86-94 cm',
        'M | chest-girth 94-102 cm',
        'DE: 48 50',
        'FR: 50 52',
        'IT: 52 54',
        'UK: 38 40',
      ],
    ],
  },
  {
    what: 'countries by their letters alone',
    text: 'D,F,I,GB,Bust (cm)\n36,38,42,8,82-86\n38,40,44,10,86-90',
    understood: [
      ['36 | bust-girth 82-86 cm', '38 | bust-girth 86-90 cm', 'FR: 38 40', 'IT: 42 44', 'UK: 8 10'],
    ],
  },
  {
    what: 'a line in centimetres and one in inches',
    text: 'Size,,Chest,Hip\nS,cm,86-94,90-98\n,in,34-37,35.5-38.5\nM,cm,94-102,98-106\n,in,37-40,38.5-41.5',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'both lines with the size',
    text: 'Size,Unit,Chest\nS,cm,86-94\nS,in,34-37\nM,cm,94-102\nM,in,37-40',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'columns by one blank',
    text: 'Size Chest Hip\nS 86-94 90-98\nM 94-102 98-106\nL 102-110 106-114',
    understood: [['asks which-unit 1, which-unit 2']],
  },
  {
    what: 'columns by one blank, headings of several words',
    text: 'Size Chest (cm) Inside leg (cm)\nS 86-94 76-78\nM 94-102 78-80\nL 102-110 80-82',
    understood: [
      [
        'S | chest-girth 86-94 cm | inside-leg-length 76-78 cm',
        'M | chest-girth 94-102 cm | inside-leg-length 78-80 cm',
        'L | chest-girth 102-110 cm | inside-leg-length 80-82 cm',
      ],
    ],
  },
  {
    what: 'columns by uneven blanks',
    text: 'Size   Chest (cm)  Hip (cm)\nS 86 - 94    90-98\nM   94-102 98-106\nL 102-110  106-114',
    understood: [
      [
        'S | chest-girth 86-94 cm | hip-girth 90-98 cm',
        'M | chest-girth 94-102 cm | hip-girth 98-106 cm',
        'L | chest-girth 102-110 cm | hip-girth 106-114 cm',
      ],
    ],
  },
  {
    what: 'wave dashes',
    text: 'Size,Chest (cm)\nS,86〜94\nM,94～102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'the stroke of a fraction',
    text: 'Size,Neck (in)\nS,14 1⁄2-15\nM,15 1⁄2-16',
    understood: [['S | neck-girth 14 1/2-15 in', 'M | neck-girth 15 1/2-16 in']],
  },
  {
    what: 'thousands by an apostrophe',
    text: "Size,Height (mm),Chest (mm)\nS,1'640-1'700,860-940\nM,1'700-1'760,940-1'020",
    understood: [
      [
        'S | height 1640-1700 mm | chest-girth 860-940 mm',
        'M | height 1700-1760 mm | chest-girth 940-1020 mm',
      ],
    ],
  },
  {
    what: 'tall letters beside plain ones',
    text: 'Size,Chest (cm),Height (cm)\nS,86-94,164-172\nST,86-94,172-182\nM,94-102,164-172\nMT,94-102,172-182',
    understood: [
      [
        'S | chest-girth 86-94 cm',
        'M | chest-girth 94-102 cm',
        'Regular | height 164-172 cm',
        'T | height 172-182 cm',
      ],
    ],
  },
  {
    what: 'both ends on two lines of a cell',
    text: 'Size,Chest (cm)\nS,"86\n94"\nM,"94\n102"',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'headings that are counted',
    text: 'Size,A - Chest (cm),2. Hip (cm)\nS,86-94,90-98\nM,94-102,98-106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
];
