// Tables as makers publish them: both ends of a size, one alone, and how far a number goes.
import type { PublishedTable } from '../published-table';

export const ENDS_OF_SIZES: readonly PublishedTable[] = [
  {
    what: 'a line of lower and one of upper ends',
    text: 'Size,,Chest (cm),Hip (cm)\nS,min,86,90\n,max,94,98\nM,min,94,98\n,max,102,106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'lower and upper lines, the size on both',
    text: 'Size,,Chest (cm),Hip (cm)\nS,min,86,90\nS,max,94,98\nM,min,94,98\nM,max,102,106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'the end behind the size',
    text: 'Size,Chest (cm),Hip (cm)\nS min,86,90\nS max,94,98\nM min,94,98\nM max,102,106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'lower and upper, headed',
    text: 'Size,Row,Chest (cm),Hip (cm)\nS,lower,86,90\nS,upper,94,98\nM,lower,94,98\nM,upper,102,106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'limits that are not known for ends of a line',
    text: 'Size,Limit,Chest (cm)\nS,Lower limit,86\nS,Upper limit,94\nM,Lower limit,94\nM,Upper limit,102',
    understood: [['refused: Size S, size (line 3, column 1): this size is already on line 2.']],
  },
  {
    what: 'low and high',
    text: 'Size,,Chest (cm)\nS,low,86\nS,high,94\nM,low,94\nM,high,102',
    understood: [['refused: Size S, size (line 3, column 1): this size is already on line 2.']],
  },
  {
    what: 'a mean and how far it spreads',
    text: 'Size,Statistic,Chest (cm)\nS,mean,90\nS,sd,3\nM,mean,98\nM,sd,3',
    understood: [['refused: Size S, size (line 3, column 1): this size is already on line 2.']],
  },
  {
    what: 'both ends, the sizes across',
    text: 'Size:,S,,M,\n,min,max,min,max\nChest (cm),86,94,94,102\nHip (cm),90,98,98,106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'an end alone behind where it begins',
    text: 'Size,Chest from,to,Hip from,to\nS,86,94,90,98\nM,94,102,98,106\nin cm,,,,',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'ends to fit, the unit behind each',
    text: 'Size,Chest to fit from (cm),to (cm),Hip to fit from (cm),to (cm)\nS,86,94,90,98\nM,94,102,98,106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'ends by signs in headings',
    text: 'Size,Chest ≥ (cm),Chest < (cm)\nS,86,94\nM,94,102',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'a lower end of one place, an upper of another',
    text: 'Size,Chest from (cm),Hip to (cm)\nS,86,98\nM,94,106',
    understood: [['asks lone-end 1, lone-end 2']],
  },
  {
    what: 'an upper end alone, in German',
    text: 'Größe;Hüfte bis (cm)\nS;98\nM;106',
    understood: [['asks lone-end 1']],
  },
  {
    what: 'a lower end alone, by a sign',
    text: 'Size,Hip ≥ (cm)\nS,90\nM,98',
    understood: [['asks lone-end 1']],
  },
  {
    what: 'ends in two units',
    text: 'Size,Chest from (cm),to (in)\nS,86,37\nM,94,40',
    understood: [['asks lone-end 1, which-measurement 2']],
  },
  {
    what: 'from place to place is no end',
    text: 'Size,Shoulder to elbow (cm),Nape to hip (cm)\nS,34,62\nM,36,64',
    understood: [
      ['S | shoulder-to-elbow 34 cm | nape-to-hip 62 cm', 'M | shoulder-to-elbow 36 cm | nape-to-hip 64 cm'],
    ],
  },
  {
    what: 'how far either way',
    text: 'Size,Chest ±2 cm\nS,90\nM,96\nL,102',
    understood: [['asks either-side 1']],
  },
  {
    what: 'how far either way beside ranges',
    text: 'Size,Chest ±2 cm,Hip (cm)\nS,86-94,90\nM,94-102,96',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'how far either way in another unit',
    text: 'Size,Chest ± 1 in (cm)\nS,90\nM,96',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'how far either way of half',
    text: 'Size,"1/2 chest ±1 (cm)"\nS,45\nM,48',
    understood: [['asks flat 1']],
  },
  {
    what: 'every range in brackets',
    text: 'Size,Chest (cm),Hip (cm)\nS,(86-94),(90-98)\nM,(94-102),(98-106)',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'a range that lacks a figure',
    text: 'Size,Chest (cm)\nS,86-9\nM,94-102',
    understood: [
      ['refused: Size S, chest-girth (cm) (line 2, column 2): “86-9” ends long before it begins.'],
    ],
  },
  {
    what: 'ranges turned round',
    text: 'Size,Chest (cm),Hip (cm)\nS,94-86,98-90\nM,102-94,106-98',
    understood: [['refused: Size S, chest-girth (cm) (line 2, column 2): “94-86” is reversed.']],
  },
  {
    what: 'an average beside both ends',
    text: 'Size,Chest Min (cm),Chest Max (cm),Chest Avg (cm)\nS,86,94,90\nM,94,102,98',
    understood: [['asks left-out 3']],
  },
  {
    what: 'a height up to',
    text: 'Size,Hips at widest (cm),Height up to (cm)\nS,90-98,164\nM,98-106,172\nL,106-114,180',
    understood: [['asks lone-end 2, which-measurement 1']],
  },
  {
    what: 'the most of two places',
    text: 'Size,Bust max (cm),Hip max (cm)\nS,90,98\nM,98,106\nL,106,114',
    understood: [['asks lone-end 1, lone-end 2']],
  },
  {
    what: 'both ends below one heading that is merged',
    text: 'Size,Chest (cm),,Hip (cm),\nS,86,94,90,98\nM,94,102,98,106',
    understood: [
      ['S | chest-girth 86-94 cm | hip-girth 90-98 cm', 'M | chest-girth 94-102 cm | hip-girth 98-106 cm'],
    ],
  },
  {
    what: 'a cell in another unit',
    text: 'Size,Chest\nS,86-94cm\nM,37-40in\nL,102-110cm',
    understood: [['asks which-unit 1']],
  },
  {
    what: 'inches headed as centimetres',
    text: 'Size,Chest (cm)\nS,34-36\nM,38-40\nL,42-44',
    understood: [['asks impossible-unit 1']],
  },
  {
    what: 'millimetres headed as centimetres',
    text: 'Size,Chest (cm)\nS,860-940\nM,940-1020',
    understood: [['asks impossible-unit 1']],
  },
  {
    what: 'two ranges in one cell',
    text: 'Size,Chest (cm)\nS,86-94/88-96\nM,94-102/96-104',
    understood: [['refused: Size S, chest-girth (cm) (line 2, column 2): “86-94/88-96” is not an interval.']],
  },
  {
    what: 'two units in one cell, on two lines',
    text: 'Size,Chest (cm)\nS,"86 - 94\n(34 - 37 in)"\nM,"94 - 102\n(37 - 40 in)"',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'dashes of other kinds',
    text: 'Size,Chest (cm)\nS,86‐94\nM,94‑102\nL,102⁃110\nXL,110﹣118',
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
    what: 'up to below the next',
    text: 'Size,Chest (cm)\nS,86 to < 94\nM,94 to < 102\nL,102 to < 110',
    understood: [
      ['S | chest-girth >=86 <94 cm', 'M | chest-girth >=94 <102 cm', 'L | chest-girth >=102 <110 cm'],
    ],
  },
  {
    what: 'ends by turned brackets',
    text: 'Size,Chest (cm)\nS,[86-94[\nM,[94-102[',
    understood: [['refused: The table has a heading but no sizes.']],
  },
  {
    what: 'the most of one place alone',
    text: 'Size,Chest (cm),Max. hip (cm)\nS,86-94,98\nM,94-102,106',
    understood: [['asks lone-end 2']],
  },
  {
    what: 'the size behind its measure, the last open',
    text: 'Hip,Size\n90-98 cm,S\n98-106 cm,M\n> 106 cm,L',
    understood: [['S | hip-girth 90-98 cm', 'M | hip-girth 98-106 cm', 'L | hip-girth >106 cm']],
  },
  {
    what: 'ends of something that is not named',
    text: 'from,to,Size\n90,98,S\n98,106,M',
    understood: [['asks which-measurement 0']],
  },
];
