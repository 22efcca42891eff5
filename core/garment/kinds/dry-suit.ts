import { otherPart, answer, small, large, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Dry suits. What is looked at is common practice, no source. */
export const drySuit = {
  kind: 'dry-suit',
  words: 'Dry suits',
  caution:
    'Dry suits keep people alive: follow the maker’s instructions, and have a trained person check seals, reach and squat on the wearer.',
  protects: false,
  altered: false,
  worn: { clothing: null, prepare: ['What will be worn beneath the suit, and the socks'] },
  cutWider: false,
  hemmed: null,
  hired: true,
  numbered: true,
  dryingDays: 2,
  checks: [
    check(
      'seals',
      'The seals lie snug all round and do not throttle',
      [
        answer(
          'small',
          'One throttles',
          null,
          otherPart('Another seal, or it is trimmed by a trained person'),
        ),
        answer('large', 'One gapes', null, otherPart('A smaller seal; a seal that gapes lets water in')),
      ],
      { must: true },
    ),
    check(
      'reach',
      'A squat, and a reach as far as the work will',
      [small('trunk', 'It pulls'), large('trunk', 'It hangs so that it hinders')],
      { pose: 'squat' },
    ),
  ],
} as const satisfies GarmentKindFacts;
