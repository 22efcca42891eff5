// Tables as makers publish them, of all kinds.
import type { PublishedTable } from '../published-table';

export const OF_ALL_KINDS: readonly PublishedTable[] = [
  {
    what: 'lengths that are made',
    text: 'Size,Waist (in),30 leg,32 leg,34 leg\n30,30,x,x,\n32,32,x,x,x',
    understood: [['asks left-out 2, left-out 3, left-out 4, which-measurement 1']],
  },
  {
    what: 'a difference',
    text: 'Size,Underbust (cm),Difference (cm)\n70A,68-72,12-14\n70B,68-72,14-16',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'hats by eighths',
    text: 'Hat size,Head (in)\n6 7/8,21 5/8\n7,22',
    understood: [['6 7/8 | head-girth 21 5/8 in', '7 | head-girth 22 in']],
  },
  {
    what: 'no unit anywhere',
    text: 'Size,Chest,Waist,Hip\n8,34,27,36.5\n10,36,29,38.5',
    understood: [['asks which-measurement 2, which-unit 1, which-unit 3']],
  },
  {
    what: 'the sizes across, a line in each unit',
    text: 'Chest,S,M,L\ncm,86-94,94-102,102-110\nin,34-37,37-40,40-43',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'a group of the garment on a page',
    text: '<table><tr><th rowspan=2>Size</th><th colspan=2>Measurements of the garment</th></tr><tr><th>Chest (cm)</th><th>Length (cm)</th></tr><tr><td>S</td><td>104</td><td>70</td></tr><tr><td>M</td><td>112</td><td>72</td></tr></table>',
    understood: [['asks garment 1, which-measurement 2']],
  },
  {
    what: 'an actual chest',
    text: 'Size,Actual chest (cm)\nS,104\nM,112',
    understood: [['asks garment 1']],
  },
  {
    what: 'a note about the product',
    text: 'Size,Chest (cm)\nS,104\nM,112\nProduct dimensions may vary by 2 cm,',
    understood: [['asks garment 1']],
  },
  {
    what: 'a width and a length',
    text: 'Size,Width (cm),Length (cm)\nS,52,70\nM,56,72',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'from pit to pit',
    text: 'Size,Pit to pit (cm)\nS,52\nM,56',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'heights in feet and words',
    text: 'Size,Height\nS,under 5\'6"\nM,5\'6" to 5\'10"\nL,over 5\'10"',
    understood: [['S | height <66 in', 'M | height 66-70 in', 'L | height >70 in']],
  },
  {
    what: 'two units in two columns',
    text: 'Size,Height (cm),Chest (in)\nS,<168,34-36\nM,168-178,36-38\nL,>178,38-40',
    understood: [
      [
        'S | height <168 cm | chest-girth 34-36 in',
        'M | height 168-178 cm | chest-girth 36-38 in',
        'L | height >178 cm | chest-girth 38-40 in',
      ],
    ],
  },
  {
    what: 'other labels without a name',
    text: 'Size,Also,Chest (cm)\nS,36,86-94\nM,38,94-102',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'sizes across without a heading',
    text: 'S,M,L\n86-94,94-102,102-110',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'men and women, the sizes across',
    text: 'Men,S,M,L\nChest (cm),86-94,94-102,102-110\nWomen,S,M,L\nBust (cm),80-86,86-92,92-98',
    understood: [
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm', 'L | chest-girth 102-110 cm'],
      ['S | bust-girth 80-86 cm', 'M | bust-girth 86-92 cm', 'L | bust-girth 92-98 cm'],
    ],
  },
  {
    what: 'two lengths that differ in nothing',
    text: 'Size,Chest (cm)\nShort,\n36,90-94\n38,94-98\nRegular,\n36,90-94\n38,94-98',
    understood: [['refused: Short and Regular differ in no measurement, so they cannot be told apart.']],
  },
  {
    what: 'decimal commas',
    text: 'Größe;Kragenweite (cm)\nS;37,5\nM;39,5',
    understood: [['S | neck-girth 37.5 cm', 'M | neck-girth 39.5 cm']],
  },
  {
    what: 'a sentence above',
    text: 'Our jackets fit as follows.\n\nSize   Chest\nS      86-94 cm\nM      94-102 cm',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'other dashes',
    text: 'Size,Chest (cm)\nS,86−94\nM,94‒102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'about so much',
    text: 'Size,Chest (cm)\nS,ca. 86-94\nM,~ 94-102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'two lengths',
    text: 'Size,Back length (cm),Front length (cm)\nS,66,60\nM,68,62',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'two hips',
    text: 'Size,High hip (cm),Hip (cm)\nS,84-92,90-98\nM,92-100,98-106',
    understood: [
      [
        'S | high-hip-girth 84-92 cm | hip-girth 90-98 cm',
        'M | high-hip-girth 92-100 cm | hip-girth 98-106 cm',
      ],
    ],
  },
  {
    what: 'an average',
    text: 'Size,Chest (cm)\nS,86-94\nM,94-102\nAverage,94',
    understood: [['asks left-out line 4']],
  },
  {
    what: 'ends behind the place',
    text: 'Size,Chest lower (cm),Chest upper (cm)\nS,86,94\nM,94,102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'a lower waist alone',
    text: 'Size,Lower waist (cm)\nS,86-94\nM,94-102',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a low hip',
    text: 'Size,Low hip (cm),Chest (cm)\nS,86-94,80-88\nM,94-102,88-96',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a column of marks',
    text: 'Size,Chest (cm),Tall\nS,86-94,x\nM,94-102,',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'a word for size that is not known',
    text: 'Taglia,Chest (cm)\nS,86-94\nM,94-102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'how far it stretches',
    text: 'Size,Chest (cm),Stretch\nS,86-94,20 %\nM,94-102,20 %',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'kilograms by their unit alone',
    text: 'Size,Chest (cm),kg\nS,86-94,60-70\nM,94-102,70-80',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'a weight in stone',
    text: 'Size,Weight,Chest (in)\nS,8-9 st,34-36\nM,9-11 st,36-38',
    understood: [['asks mass 1']],
  },
  {
    what: 'band and cup in one label',
    text: 'Size,Underbust (in),Bust (in)\n34A,30-32,34-35\n34B,30-32,35-36\n36A,32-34,36-37\n36B,32-34,37-38',
    understood: [
      [
        '34A | underbust-girth 30-32 in | bust-girth 34-35 in',
        '34B | underbust-girth 30-32 in | bust-girth 35-36 in',
        '36A | underbust-girth 32-34 in | bust-girth 36-37 in',
        '36B | underbust-girth 32-34 in | bust-girth 37-38 in',
      ],
    ],
  },
  {
    what: 'two languages in a heading',
    text: 'Size / Größe,Chest / Brust (cm)\nS,86-94\nM,94-102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'a waist at the belt',
    text: 'Size,Waist at belt (cm)\nS,78-86\nM,86-94',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a finished inseam',
    text: 'Size,Waist to fit (in),Inseam finished (in)\n30,30,32\n32,32,32',
    understood: [['asks garment 2, which-measurement 1']],
  },
];
