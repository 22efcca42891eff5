import { up, down, alter, small, large, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** One-piece suits. What is looked at is common practice, no source. */
export const onePiece = {
  kind: 'one-piece',
  words: 'One-piece suits',
  caution: null,
  protects: false,
  altered: true,
  worn: { clothing: null, prepare: [] },
  cutWider: true,
  hemmed: 'leg',
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    check(
      'reach',
      'Arms up and a full squat without a pull at fork or shoulder',
      [small('trunk', 'It pulls'), large('trunk', 'The fork hangs so that it hinders')],
      { pose: 'arms-up' },
    ),
    check('ends', 'Wrists and ankles are reached', [
      small('leg', 'They are bare', up('leg'), up('trunk')),
      large('leg', 'It lies in folds there', down('leg'), alter('leg', 'shorten')),
    ]),
  ],
} as const satisfies GarmentKindFacts;
