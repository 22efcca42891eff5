import { up, small, check, HEEL } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Boots and shoes. What is looked at is common practice, no source. */
export const boots = {
  kind: 'boots',
  words: 'Boots and shoes',
  caution: 'For hazardous work, follow the maker’s instructions, and try on with the socks to be worn.',
  protects: false,
  altered: false,
  worn: { clothing: null, prepare: ['The socks that will be worn'] },
  cutWider: false,
  hemmed: null,
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    HEEL,
    check(
      'toes',
      'Kneeling, the toes are free',
      [small('boot', 'They are pressed', up('boot'), up('boot-width'))],
      { pose: 'kneeling' },
    ),
  ],
} as const satisfies GarmentKindFacts;
