// Tables as makers publish them: what is said beside a measurement, and what is none.
import type { PublishedTable } from '../published-table';

export const SAID_BESIDE: readonly PublishedTable[] = [
  {
    what: 'a remark below',
    text: 'Size,Chest (cm),Hip (cm)\nS,86-94,90-98\nM,94-102,98-106\nL,102-110,106-114\n,Please note: sizes run small,',
    understood: [
      [
        'S | chest-girth 86-94 cm | hip-girth 90-98 cm',
        'M | chest-girth 94-102 cm | hip-girth 98-106 cm',
        'L | chest-girth 102-110 cm | hip-girth 106-114 cm',
      ],
    ],
  },
  {
    what: 'sizes for two, and one',
    text: 'Size,Chest (cm)\nXS/S,82-90\nM,90-98\nL/XL,98-110\nXXL-XXXL,110-126',
    understood: [
      [
        'XS/S | chest-girth 82-90 cm',
        'M | chest-girth 90-98 cm',
        'L/XL | chest-girth 98-110 cm',
        'XXL-XXXL | chest-girth 110-126 cm',
      ],
    ],
  },
  {
    what: 'shirts without a unit',
    text: 'Sizes,Neck,Sleeve\n15,15,33\n15 1/2,15 1/2,33 1/2\n16,16,34',
    understood: [['asks which-measurement 2, which-unit 1']],
  },
  {
    what: 'men and women side by side',
    text: "Men's sizes,,Women's sizes,\nSize,Chest (cm),Size,Bust (cm)\nS,86-94,S,80-86\nM,94-102,M,86-92",
    understood: [
      ['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm'],
      ['S | bust-girth 80-86 cm', 'M | bust-girth 86-92 cm'],
    ],
  },
  {
    what: 'one list in two columns',
    text: 'Size,Chest (cm),Size,Chest (cm)\nS,86-94,L,102-110\nM,94-102,XL,110-118',
    understood: [['asks left-out 2, left-out 3']],
  },
  {
    what: 'a unit at both ends',
    text: 'Size;Chest\nS;86 cm - 94 cm\nM;94 cm - 102 cm',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'inches in brackets',
    text: 'Size,Chest cm (inches)\nS,86-94 (34-37)\nM,94-102 (37-40)',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm']],
  },
  {
    what: 'centimetres in brackets',
    text: 'Size,Chest inches (cm)\nS,34-37 (86-94)\nM,37-40 (94-102)',
    understood: [['S | chest-girth 34-37 in', 'M | chest-girth 37-40 in']],
  },
  {
    what: 'marks of inches before centimetres',
    text: 'Size,Chest\nS,34"-37" / 86-94cm\nM,37"-40" / 94-102cm',
    understood: [['S | chest-girth 34-37 in', 'M | chest-girth 37-40 in']],
  },
  {
    what: 'a waist that it fits',
    text: 'Size,Fits waist (cm),Outseam (cm)\n30,74-78,100\n32,78-82,102',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a coat’s number and length',
    text: 'Chest size (in),Jacket length\n36,S\n36,R\n38,S\n38,R',
    understood: [['asks left-out line 3, left-out line 5']],
  },
  {
    what: 'sizes with a blank and a star',
    text: 'Size,Hip (cm)\n34,84-88\n36,88-92\n"38 ",92-96\n40*,96-100\n* on order only,',
    understood: [
      [
        '34 | hip-girth 84-88 cm',
        '36 | hip-girth 88-92 cm',
        '38 | hip-girth 92-96 cm',
        '40 | hip-girth 96-100 cm',
      ],
    ],
  },
  {
    what: 'dashes of every length',
    text: 'Size,Chest (cm)\nS,86-94\nM,94–102\nL,102—110\nXL,110 - 118',
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
    what: 'whole centimetres with gaps',
    text: 'Size,Chest (cm)\nS,86-94\nM,95-102\nL,103-110',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 95-102 cm', 'L | chest-girth 103-110 cm']],
  },
  {
    what: 'from the waist to the floor',
    text: 'Size,Waist to floor (cm)\nS,100\nM,104',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a length beside its waist',
    text: 'Size,Nape to waist (cm),Waist (natural) (cm)\nS,40,70-78\nM,42,78-86',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'where it is fullest',
    text: 'Size,Bust (at fullest) (cm)\nS,80-86\nM,86-92',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'over a shirt',
    text: 'Size,Chest (over shirt) (cm)\nS,90-98\nM,98-106',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'ease that is added',
    text: 'Size,Chest (cm) +10 cm ease\nS,96-104\nM,104-112',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'ease that is in it',
    text: 'Size,Chest incl. ease (cm)\nS,96-104\nM,104-112',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'from shoulder to shoulder',
    text: 'Size,Shoulder to shoulder (cm)\nS,42\nM,44',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'feet in centimetres',
    text: 'Size,Foot length (cm)\n38,24\n39,24.7',
    understood: [['38 | derived:longer-foot 24 cm', '39 | derived:longer-foot 24.7 cm']],
  },
  {
    what: 'a last',
    text: 'Size,Last length (mm)\n38,250\n39,257',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'an outer sole',
    text: 'Size,Outer sole (cm)\n38,27\n39,28',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a glove’s own length',
    text: 'Size,Glove length (cm),Palm girth (cm)\n8,24,20\n9,25,23',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a hand in inches',
    text: 'Size,Hand circumference (inch)\n7,7\n8,8',
    understood: [['7 | hand-girth 7 in', '8 | hand-girth 8 in']],
  },
  {
    what: 'of men, in German',
    text: 'Größe;Brustumfang Herren (cm)\nS;86-94\nM;94-102',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'three girths in German',
    text: 'Größe;Oberweite (cm);Taille (cm);Hüfte (cm)\n36;82-85;65-68;91-94\n38;86-89;69-72;95-98',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'three girths in French',
    text: 'Taille;Tour de taille (cm);Tour de hanches (cm)\n36;64-67;90-93\n38;68-71;94-97',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a chest and a sleeve in Spanish',
    text: 'Talla,Contorno de pecho (cm),Largo de manga (cm)\nS,86-94,62\nM,94-102,64',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'a height that is recommended',
    text: 'Size,Chest (cm),Recommended height (cm)\nS,86-94,160-170\nM,94-102,170-180',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'a model’s height',
    text: 'Size,Model height (cm),Chest (cm)\nS,185,86-94\nM,187,94-102',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a tolerance in a column',
    text: 'Size,Chest (cm),Chest tolerance (cm)\nS,86-94,2\nM,94-102,2',
    understood: [['asks left-out 2']],
  },
  {
    what: 'the most of each',
    text: 'Size,Max chest (cm)\nS,94\nM,102\nL,110',
    understood: [['asks lone-end 1']],
  },
  {
    what: 'an end behind the place',
    text: 'Size,Chest up to (cm)\nS,94\nM,102\nL,110',
    understood: [['asks lone-end 1']],
  },
  {
    what: 'the least of each',
    text: 'Size,Chest from (cm)\nS,86\nM,94\nL,102',
    understood: [['asks lone-end 1']],
  },
  {
    what: 'a most beside a range',
    text: 'Size,Chest (cm),Waist max. (cm)\nS,86-94,82\nM,94-102,90',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'sizes in words',
    text: 'Size,Chest (cm)\nsmall,86-94\nmedium,94-102\nlarge,102-110',
    understood: [
      ['small | chest-girth 86-94 cm', 'medium | chest-girth 94-102 cm', 'large | chest-girth 102-110 cm'],
    ],
  },
  {
    what: 'two names of one place',
    text: 'Size,Bust/Chest (cm)\nS,86-94\nM,94-102',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a width',
    text: 'Size,Body width (cm)\nS,50\nM,54',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a hem',
    text: 'Size,Hem width (cm),Chest (cm)\nS,50,86-94\nM,54,94-102',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'an opening',
    text: 'Size,Leg opening (cm),Inside leg (cm)\nS,18,76\nM,19,78',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'half a thigh',
    text: 'Size,Thigh (half) (cm)\nS,28\nM,30',
    understood: [['asks flat 1']],
  },
  {
    what: 'a neck’s opening',
    text: 'Size,Neck opening (cm)\nS,18\nM,19',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a cuff',
    text: 'Size,Cuff (cm),Chest (cm)\nS,20,86-94\nM,21,94-102',
    understood: [['asks which-measurement 1']],
  },
  {
    what: 'a size that is missing',
    text: 'Size,Chest (cm)\nS,86-94\nM,94-102\nXL,110-118',
    understood: [['S | chest-girth 86-94 cm', 'M | chest-girth 94-102 cm', 'XL | chest-girth 110-118 cm']],
  },
  {
    what: 'a coat by its number, across',
    text: 'Jacket size,36,38,40\nChest (in),36,38,40\nWaist (in),30,32,34',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'two axes without units',
    text: 'Height\\Chest,86-94,94-102\n160-170,S,M\n170-180,M,L',
    understood: [['asks which-unit across, which-unit down']],
  },
  {
    what: 'letters for what two numbers are',
    text: 'Waist,Leg,Size\n30,30,A\n32,30,B\n30,32,C',
    understood: [['asks which-measurement 0, which-measurement 1']],
  },
  {
    what: 'eighths of inches as decimals are no ranges',
    text: 'Size,Neck (in)\nS,34.38\nM,36.50',
    understood: [['asks impossible-unit 1']],
  },
  {
    what: 'chests in decimals of inches',
    text: 'Size,Chest (in)\nS,34.38\nM,36.50\nL,38.63',
    understood: [['S | chest-girth 34.38 in', 'M | chest-girth 36 1/2 in', 'L | chest-girth 38.63 in']],
  },
  {
    what: 'a label with lines in it between strokes',
    text: '| Size | Chest (cm) |\n|---|---|\n| S_M_L | 86-94 |\n| XL | 94-102 |',
    understood: [['S_M_L | chest-girth 86-94 cm', 'XL | chest-girth 94-102 cm']],
  },
];
