import { small, large, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Gloves. What is looked at is common practice, no source. */
export const gloves = {
  kind: 'gloves',
  words: 'Gloves',
  caution: 'For hazardous work, follow the maker’s instructions; fist and pinch before they are issued.',
  protects: false,
  altered: false,
  worn: { clothing: null, prepare: ['Rings off', 'The liners that will be worn'] },
  cutWider: false,
  hemmed: null,
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    check('fist', 'A fist closes, and two fingers pinch what is small', [
      small('hand', 'They do not'),
      large('hand', 'It bunches at the fingertips'),
    ]),
  ],
} as const satisfies GarmentKindFacts;
