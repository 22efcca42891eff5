import { up, down, alter, small, large, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Outerwear. What is looked at is common practice, no source. */
export const outerwear = {
  kind: 'outerwear',
  words: 'Outerwear',
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
    check(
      'crossed',
      'Closed over what is worn beneath, the arms crossed in front without a pull across the back',
      [small('chest', 'It pulls'), large('chest', 'It stands away all round')],
      { pose: 'arms-forward' },
    ),
    check(
      'cuffs',
      'The cuffs cover the wrists with the arms stretched out',
      [
        small('sleeve', 'They leave the wrists bare', up('sleeve'), up('chest')),
        large('sleeve', 'They cover the hands', down('sleeve'), alter('sleeve', 'shorten')),
      ],
      { pose: 'arms-out' },
    ),
  ],
} as const satisfies GarmentKindFacts;
