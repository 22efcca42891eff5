import { answer, check, large, putRight, small } from '../checks';
import type { FitMove } from '../fit-check';
import type { GarmentKindFacts } from '../garment-kind';

/** A band that is wrong is measured again before another is tried. */
const AGAIN = putRight('First measure underbust and bust again');

/** Another band, with the cup that holds as much: on a larger band the letter before, on a smaller one the next. */
function keepingTheCup(by: 1 | -1): FitMove {
  return {
    does: 'shift',
    shifts: [
      { place: 'band', by },
      { place: 'cup', by: by === 1 ? -1 : 1 },
    ],
  };
}

/** Bras. What is looked at is common practice, no source. */
export const bra = {
  kind: 'bra',
  words: 'Bras',
  caution: null,
  protects: false,
  altered: false,
  worn: { clothing: null, prepare: ['A close, unpadded undergarment'] },
  cutWider: false,
  hemmed: null,
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [
    check('band', 'The band lies level on its outer hook and takes two fingers', [
      large('band', 'It rides up', keepingTheCup(-1), AGAIN),
      small('band', 'It is tighter', keepingTheCup(1), AGAIN),
    ]),
    check('straps', 'The straps do not dig in', [
      answer('dig', 'They do', null, putRight('Lengthen the straps; if they still dig, measure again')),
    ]),
    check('cups', 'Nothing spills and nothing gapes', [small('cup', 'It spills'), large('cup', 'It gapes')]),
  ],
} as const satisfies GarmentKindFacts;
