import { up, down, alter, small, large, named, check } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Dresses. What is looked at is common practice, no source. */
export const dress = {
  kind: 'dress',
  words: 'Dresses',
  caution: null,
  protects: false,
  altered: true,
  worn: {
    clothing: 'worn-beneath',
    prepare: ['The undergarment that will be worn beneath', 'The shoes that will be worn'],
  },
  cutWider: false,
  hemmed: 'hem',
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    check('zip', 'The zip closes without force at the bust', [
      small('bust', 'It does not'),
      large('bust', 'It stands away at the bust', down('bust')),
    ]),
    check('smooth', 'Waist and hip lie smooth', [
      small('waist', 'The waist is tight', alter('waist', 'let-out'), up('bust')),
      large('waist', 'The waist is loose', alter('waist', 'take-in')),
      named('small-hip', small('hip', 'The hip is tight', alter('hip', 'let-out'), up('bust'))),
      named('large-hip', large('hip', 'The hip is loose', alter('hip', 'take-in'))),
    ]),
    check('hem', 'The hem is right in the shoes to be worn', [
      small('hem', 'It is too short', alter('hem', 'lengthen')),
      large('hem', 'It is too long', alter('hem', 'shorten')),
    ]),
  ],
} as const satisfies GarmentKindFacts;
