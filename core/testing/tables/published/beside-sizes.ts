// Tables as makers publish them: what stands beside the sizes, and in their cells.
import type { PublishedTable } from '../published-table';

export const BESIDE_SIZES: readonly PublishedTable[] = [
  {
    what: 'cuts beside the sizes: each size stands there twice',
    text: 'Fit,Size,Chest (cm)\nSlim,48,92-96\nRegular,48,96-100\nSlim,50,96-100\nRegular,50,100-104',
    understood: [['refused: Size 48, size (line 3, column 2): this size is already on line 2.']],
  },
  {
    what: 'both ends below one merged heading',
    text: '<table><tr><th>Size</th><th colspan=2>Chest (cm)</th></tr><tr><td>S</td><td>86</td><td>94</td></tr><tr><td>M</td><td>94</td><td>102</td></tr></table>',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'both ends, the heading above the first',
    text: 'Size,Chest (cm),,Hip (cm),\nS,86,94,90,98\nM,94,102,98,106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'a hip that is told by its distance',
    text: 'Size,Hip 20 cm below waist (cm)\nS,90-98\nM,98-106',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'sizes by their waist',
    text: 'Size,Waist\nW30,30\nW32,32',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a remark with a number',
    text: 'Size,Chest (in)\nS,36\nM,38\n"Add 2"" for over-garments",',
    understood: [['S | chest-girth 36 in', 'M | chest-girth 38 in']],
  },
  {
    what: 'a group, a heading and a line of units',
    text: ',Body measurements,\nSize,Chest,Hip\n,cm,cm\nS,86-94,90-98\nM,94-102,98-106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'how many there are',
    text: 'Size,Chest (cm),Qty\nS,86-94,12\nM,94-102,30',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'a price',
    text: 'Size,Chest (cm),Price\nS,86-94,49.90\nM,94-102,49.90',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'sizes called by their collar',
    text: 'Collar size,Chest (cm)\n38,92-96\n40,96-102',
    understood: [['asks which-unit 0m']],
  },
  {
    what: 'an end without the other',
    text: 'Size,Chest (cm)\nS,-94\nM,94-102',
    understood: [['asks left-out line 2']],
  },
  {
    what: 'signs behind the numbers',
    text: 'Size,Chest (cm)\nS,94 <\nM,94-102\nL,102 >',
    understood: [['refused: Size S, chest-girth (cm) (line 2, column 2): “94 <” is not an interval.']],
  },
  {
    what: 'a unit in the heading and another in the cells',
    text: 'Size,Chest (in)\nS,86-94 cm\nM,94-102 cm',
    understood: [['asks which-unit 1']],
  },
  {
    what: 'what is the same above is left blank',
    text: 'Size,Length,Chest (cm),Inside leg (cm)\nS,Short,86-94,74\n,Long,,80\nM,Short,94-102,74\n,Long,,80',
    understood: [['asks not-given line 3, not-given line 5']],
  },
  {
    what: 'a title with a number and the unit',
    text: '"Table 3: Jackets, sizes in cm",,\nSize,Chest,Hip\nS,86-94,90-98\nM,94-102,98-106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'inches that can be none',
    text: 'All sizes in inches,,\nSize,Chest,Hip\nS,86-94,90-98\nM,94-102,98-106',
    understood: [['asks impossible-unit 1, impossible-unit 2']],
  },
  {
    what: 'men and women beside each other',
    text: 'Size,Men chest (cm),Women bust (cm)\nS,86-94,80-86\nM,94-102,86-92',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'ages are the sizes',
    text: 'Age (years),Height (cm)\n2,86-92\n3,92-98',
    understood: [['2 | height 86-92 cm', '3 | height 92-98 cm']],
  },
  {
    what: 'a star and its note',
    text: 'Size,Chest (cm)\nS,86-94*\nM,94-102*\n* fabric stretches 4 cm,',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'two sleeves',
    text: 'Size,Sleeve from centre back (cm),Sleeve from shoulder (cm)\nS,80-82,60-62\nM,82-84,62-64',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'letters for waist and leg',
    text: 'Size,W,L\n30/32,30,32\n32/32,32,32',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'from the neck to the waist',
    text: 'Size,Chest (cm),Neck to waist (cm)\nS,86-94,40\nM,94-102,42',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'two measurements in one cell',
    text: 'Size,Waist/Hip (cm)\nS,70-78/90-98\nM,78-86/98-106',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'half a hip in German',
    text: 'Größe;1/2 Hüftumfang (cm);Brustumfang (cm)\nS;46;86-94\nM;50;94-102',
    understood: [['asks flat 1, which-measurement 2']],
  },
  {
    what: 'the garment’s in brackets behind the body’s',
    text: 'Size,Chest (cm)\nS,86-94 (104)\nM,94-102 (112)',
    understood: [['refused: Size S, chest-girth (cm) (line 2, column 2): “86-94 (104)” is not an interval.']],
  },
  {
    what: 'a system in brackets',
    text: 'Size (EU),Chest (cm)\n48,94-98\n50,98-102',
    understood: [['48 | chest-girth 94-98 cm', '50 | chest-girth 98-102 cm']],
  },
  {
    what: 'a size for all',
    text: 'Size,Chest (cm)\nOne size,all',
    understood: [['refused: The table has a heading but no sizes.']],
  },
  {
    what: 'one size',
    text: 'Size,Head (cm)\nOne size,55-61',
    understood: [['One size | head-girth 55-61 cm']],
  },
  {
    what: 'shoes of three systems in inches',
    text: 'UK,US,EU,Foot (in)\n6,7,39,9 5/8\n7,8,40 1/2,10',
    understood: [
      ['6 | derived:longer-foot 9 5/8 in', '7 | derived:longer-foot 10 in', 'US: 7 8', 'EU: 39 40 1/2'],
    ],
  },
  {
    what: 'decimals of inches',
    text: 'Size,Chest (in)\nS,34-36.5\nM,36.5-39',
    understood: [['S | chest-girth 34-36 1/2 in', 'M | chest-girth 36 1/2-39 in']],
  },
  {
    what: 'arrows between the ends',
    text: 'Size,Chest (cm)\nS,86→94\nM,94→102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'up to and under, in German',
    text: 'Größe;Brust (cm)\nS;86 bis unter 94\nM;94 bis unter 102',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'both signs and a word',
    text: 'Size,Chest (cm)\nS,≥86 and <94\nM,≥94 and <102',
    understood: [['S | chest-girth >=86 <94 cm', 'M | chest-girth >=94 <102 cm']],
  },
  {
    what: 'a comma between the ends',
    text: 'Size,Chest (cm)\nS,"86,94"\nM,"94,102"',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'a point between the ends',
    text: 'Size,Chest (cm)\nS,86.94\nM,94.102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'sizes for two',
    text: 'Size,Chest (cm)\nS/M,86-98\nL/XL,98-110',
    understood: [['S/M | chest-girth 86-98 cm', 'L/XL | chest-girth 98-110 cm']],
  },
];
