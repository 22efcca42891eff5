import { small, large, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Hats. What is looked at is common practice, no source. */
export const hat = {
  kind: 'hat',
  words: 'Hats',
  caution: null,
  protects: false,
  altered: false,
  worn: { clothing: null, prepare: ['Hair as it will be worn'] },
  cutWider: false,
  hemmed: null,
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    check('finger', 'A finger goes in at the back', [small('head', 'It does not')]),
    check('lift', 'It does not lift when the head is shaken', [large('head', 'It lifts')]),
  ],
} as const satisfies GarmentKindFacts;
