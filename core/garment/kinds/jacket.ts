import { up, down, alter, small, large, rather, check, ofBuild } from '../checks';
import type { GarmentKindFacts } from '../garment-kind';

/** Jackets. What is looked at is common practice, no source. */
export const jacket = {
  kind: 'jacket',
  words: 'Jackets',
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
    check('button', 'Closed at the middle button, half an inch to spare', [
      small('chest', 'It pulls at the button'),
      large('chest', 'It hangs like a box', down('chest'), alter('waist', 'take-in')),
    ]),
    check('lapels', 'The lapels lie flat', [small('chest', 'They bow')]),
    check('shoulder', 'The shoulder ends a quarter inch beyond the bone, the seam on it', [
      small('shoulder', 'The seam sits inside the bone'),
      large('shoulder', 'It stands out and collapses'),
    ]),
    check('cuff', 'The cuff ends where the hand meets the wrist', [
      small('sleeve', 'It shows the wrist', up('sleeve'), alter('sleeve', 'lengthen')),
      large('sleeve', 'It covers the hand', alter('sleeve', 'shorten'), down('sleeve')),
    ]),
    check('hem', 'The hem reaches the thumb tip of the hanging arm and covers the seat', [
      small('length', 'It leaves the seat bare'),
      large('length', 'It hangs below the thumb', down('length'), alter('length', 'shorten')),
      rather('It is rather long', alter('length', 'shorten')),
      ofBuild('arm', 'It covers the seat; the arm is long'),
    ]),
  ],
} as const satisfies GarmentKindFacts;
