import { down, alter, small, large, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Shirts. What is looked at is common practice, no source. */
export const shirt = {
  kind: 'shirt',
  words: 'Shirts',
  caution: null,
  protects: false,
  altered: true,
  worn: { clothing: null, prepare: [] },
  cutWider: false,
  hemmed: null,
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    check('collar', 'Two fingers go inside the closed collar', [
      small('collar', 'Two do not'),
      large('collar', 'More than two do'),
    ]),
    check('cuff', 'The cuff ends just below the wrist bone', [
      small('sleeve', 'It shows the wrist bone'),
      large('sleeve', 'It covers the hand', down('sleeve'), alter('sleeve', 'shorten')),
    ]),
  ],
} as const satisfies GarmentKindFacts;
