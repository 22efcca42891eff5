import { up, down, answer, small, large, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Bras. What is looked at is common practice, no source. */
export const bra = {
  kind: 'bra',
  words: 'Bras',
  caution: null,
  protects: false,
  altered: false,
  worn: { clothing: null, prepare: ['A close, unpadded undergarment'] },
  cutWider: false,
  hemmed: null,
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    check('band', 'The band lies level on its outer hook and takes two fingers', [
      large('band', 'It rides up', {
        does: 'shift',
        shifts: [
          { place: 'band', by: -1 },
          { place: 'cup', by: 1 },
        ],
      }),
      small('band', 'It is tighter'),
    ]),
    check('straps', 'The straps do not dig in', [
      answer('dig', 'They do', { place: 'band', is: 'large' }, down('band'), up('cup')),
    ]),
    check('cups', 'Nothing spills and nothing gapes', [small('cup', 'It spills'), large('cup', 'It gapes')]),
  ],
} as const satisfies GarmentKindFacts;
