import { mm } from '../quantity/length';
import { namedPart, nominal, published, type PublishedChart } from './published-chart';

/** Protective gloves by the girth and the length of the hand, in mm; the larger of the two decides. */
export const EN_420_GLOVES: PublishedChart = published(
  'EN 420',
  'Protective gloves',
  'gloves',
  'EN 420, from memory',
  [
    namedPart(
      'size',
      'Size',
      [6, 7, 8, 9, 10, 11],
      [
        nominal('hand-girth', 'mm', [152, 178, 203, 229, 254, 279].map(mm)),
        nominal('hand-length', 'mm', [160, 171, 182, 192, 204, 215].map(mm)),
      ],
    ),
  ],
);
