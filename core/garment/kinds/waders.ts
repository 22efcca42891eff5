import { small, named, check, HEEL } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Waders. What is looked at is common practice, no source. */
export const waders = {
  kind: 'waders',
  words: 'Waders',
  caution:
    'For work in water, follow the maker’s instructions and local practice, and check the boot with the socks to be worn.',
  protects: false,
  altered: false,
  worn: { clothing: null, prepare: ['The socks that will be worn'] },
  cutWider: true,
  hemmed: null,
  hired: true,
  numbered: true,
  dryingDays: 2,
  checks: [
    HEEL,
    check(
      'kneeling',
      'Kneeling, the toes are free and nothing pulls at the fork',
      [small('boot', 'The toes are pressed'), named('fork', small('trunk', 'It pulls at the fork'))],
      { pose: 'kneeling' },
    ),
  ],
} as const satisfies GarmentKindFacts;
