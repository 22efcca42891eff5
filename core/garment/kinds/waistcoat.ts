import { up, down, alter, small, large, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Waistcoats. What is looked at is common practice, no source. */
export const waistcoat = {
  kind: 'waistcoat',
  words: 'Waistcoats',
  caution: null,
  protects: false,
  altered: true,
  worn: { clothing: null, prepare: [] },
  cutWider: true,
  hemmed: null,
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    check('buttons', 'Closed without a pull at any button', [
      small('chest', 'It pulls'),
      large('chest', 'It gapes at the front', alter('waist', 'take-in'), down('chest')),
    ]),
    check(
      'covers',
      'It covers the waistband, standing and with the arms raised',
      [
        small('length', 'The shirt shows beneath it', up('length'), up('chest')),
        large('length', 'It hangs over the hips'),
      ],
      { pose: 'arms-up' },
    ),
  ],
} as const satisfies GarmentKindFacts;
