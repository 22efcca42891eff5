import { up, down, alter, small, large, rather, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Trousers. What is looked at is common practice, no source. */
export const trousers = {
  kind: 'trousers',
  words: 'Trousers',
  caution: null,
  protects: false,
  altered: true,
  worn: { clothing: null, prepare: ['The shoes that will be worn'] },
  cutWider: true,
  hemmed: 'leg',
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    check('waist', 'Half an inch, or three fingers flat, to spare at the waist', [
      small('waist', 'There is less', up('waist'), alter('waist', 'let-out')),
      large('waist', 'There is more', down('waist'), alter('waist', 'take-in')),
    ]),
    check('hem', 'The hem breaks once in front and stands just on the heel behind', [
      small('leg', 'It hangs clear of the shoe', up('leg'), alter('leg', 'lengthen')),
      large('leg', 'It folds more than once', down('leg'), alter('leg', 'shorten')),
      rather('It is rather long', alter('leg', 'shorten')),
    ]),
  ],
} as const satisfies GarmentKindFacts;
