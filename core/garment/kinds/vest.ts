import { putRight, answer, small, large, named, check, unlessCarried } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Protective vests. What is looked at is common practice, no source. */
export const vest = {
  kind: 'vest',
  words: 'Protective vests',
  caution:
    'A size proposed from the maker’s chart does not certify protection. Follow the maker’s sizing instructions and the issuing authority’s policy; have a trained person check the fit standing and seated, front panel over back panel; never trade coverage for comfort on this proposal alone.',
  protects: true,
  altered: false,
  worn: {
    clothing: 'worn-beneath',
    prepare: [
      'The duty trousers, shirt and belt, the belt where it normally rides',
      'The undergarment that will be worn beneath',
    ],
  },
  cutWider: true,
  hemmed: null,
  hired: false,
  numbered: true,
  dryingDays: 0,
  checks: [
    check('gap-standing', 'Standing: there is a gap between the front panel and the belt', [
      unlessCarried(large('front-length', 'There is none')),
    ]),
    check(
      'gap-seated',
      'Seated: that gap just closes; the panel neither rests on the belt nor rises to the throat',
      [
        unlessCarried(large('front-length', 'It rests on the belt')),
        named('throat', large('front-length', 'It rises to the throat')),
        small('front-length', 'The gap stays open'),
      ],
      { pose: 'seated', must: true },
    ),
    check('bare', 'The torso is not left bare above the belt', [
      small('front-length', 'The front is bare'),
      named('small-back', small('back-length', 'The back is bare')),
    ]),
    check(
      'overlap',
      'The sides overlap by at least 1 in',
      [
        small('front-width', 'They do not: the front is narrow'),
        named('small-back', small('back-width', 'They do not: the back is narrow')),
      ],
      { must: true },
    ),
    check(
      'order',
      'At both sides the front panel lies over the back panel',
      [
        answer(
          'wrong',
          'The back lies over the front',
          null,
          putRight('Lay front over back, and look again'),
        ),
      ],
      { must: true },
    ),
    check('widths', 'Front and back are equally wide, or as near as they are made', [
      small('front-width', 'The front is narrower'),
      named('small-back', small('back-width', 'The back is narrower')),
    ]),
    check(
      'bind',
      'Arms forward, nothing binds at neck or arms',
      [
        large('front-width', 'It binds at the arms'),
        named('neck', large('front-length', 'It binds at the neck')),
      ],
      { pose: 'arms-forward' },
    ),
  ],
} as const satisfies GarmentKindFacts;
