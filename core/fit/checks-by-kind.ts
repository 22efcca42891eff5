import type { GarmentKind } from '../chart/garment-kind';
import type { FitArea } from './areas';
import type { FitPose } from '../chart/chart-shape';
import { placesOf, type AlterationDoing, type FitAnswer, type FitCheck, type FitMove } from './fit-check';

/** Another size of the part that sizes an area. */
const up = (...areas: FitArea[]): FitMove => ({
  does: 'shift',
  shifts: areas.map((place) => ({ place, by: 1 })),
});
const down = (...areas: FitArea[]): FitMove => ({
  does: 'shift',
  shifts: areas.map((place) => ({ place, by: -1 })),
});
const alter = (area: FitArea, how: AlterationDoing): FitMove => ({ does: 'alter', area, how });
const otherPart = (what: string): FitMove => ({ does: 'other-part', what });
const putRight = (what: string): FitMove => ({ does: 'put-right', what });

type Told = Pick<FitAnswer, 'tells'>['tells'];
const answer = (code: string, says: string, tells: Told, ...moves: FitMove[]): FitAnswer => ({
  code,
  says,
  tells,
  moves,
});
/** It is too small in an area: a size up, or what else is done about it. */
const small = (area: FitArea, says: string, ...moves: FitMove[]): FitAnswer =>
  answer('small', says, { place: area, is: 'small' }, ...(moves.length > 0 ? moves : [up(area)]));
const large = (area: FitArea, says: string, ...moves: FitMove[]): FitAnswer =>
  answer('large', says, { place: area, is: 'large' }, ...(moves.length > 0 ? moves : [down(area)]));
const named = (code: string, one: FitAnswer): FitAnswer => ({ ...one, code });

function check(
  code: string,
  look: string,
  answers: readonly FitAnswer[],
  { pose = 'standing', must = false }: { pose?: FitPose; must?: boolean } = {},
): FitCheck {
  return { code, look, pose, places: placesOf(answers), must, answers, otherwise: null };
}

/** With the socks to be worn: of boots, and of the boots of waders. */
const HEEL = check('heel', 'With the socks to be worn, the heel does not lift', [
  large('boot', 'It lifts', down('boot'), down('boot-width')),
]);

/** What is looked at of each kind of garment, in the order in which it is looked at. Common practice, no source. */
export const CHECKS_BY_KIND: Readonly<Partial<Record<GarmentKind, readonly FitCheck[]>>> = {
  jacket: [
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
      large('length', 'It hangs below the thumb'),
    ]),
  ],
  outerwear: [
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
  waistcoat: [
    check('buttons', 'Closed without a pull at any button', [
      small('chest', 'It pulls'),
      large('chest', 'It gapes at the front', alter('waist', 'take-in'), down('chest')),
    ]),
    check(
      'covers',
      'It covers the waistband, standing and with the arms raised',
      [
        small('length', 'The shirt shows beneath it', up('length'), up('chest')),
        large('length', 'It hangs over the hips'),
      ],
      { pose: 'arms-up' },
    ),
  ],
  trousers: [
    check('waist', 'Half an inch, or three fingers flat, to spare at the waist', [
      small('waist', 'There is less', up('waist'), alter('waist', 'let-out')),
      large('waist', 'There is more', down('waist'), alter('waist', 'take-in')),
    ]),
    check('hem', 'The hem breaks once in front and stands just on the heel behind', [
      small('leg', 'It hangs clear of the shoe', up('leg'), alter('leg', 'lengthen')),
      large('leg', 'It folds more than once', alter('leg', 'shorten'), down('leg')),
    ]),
  ],
  shirt: [
    check('collar', 'Two fingers go inside the closed collar', [
      small('collar', 'Two do not'),
      large('collar', 'More than two do'),
    ]),
    check('cuff', 'The cuff ends just below the wrist bone', [
      small('sleeve', 'It shows the wrist bone'),
      large('sleeve', 'It covers the hand', down('sleeve'), alter('sleeve', 'shorten')),
    ]),
  ],
  vest: [
    check('gap-standing', 'Standing: there is a gap between the front panel and the belt', [
      large('front-length', 'There is none'),
    ]),
    check(
      'gap-seated',
      'Seated: that gap just closes; the panel neither rests on the belt nor rises to the throat',
      [
        large('front-length', 'It rests on the belt'),
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
  'one-piece': [
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
  'dry-suit': [
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
  waders: [
    HEEL,
    check(
      'kneeling',
      'Kneeling, the toes are free and nothing pulls at the fork',
      [small('boot', 'The toes are pressed'), named('fork', small('trunk', 'It pulls at the fork'))],
      { pose: 'kneeling' },
    ),
  ],
  boots: [
    HEEL,
    check(
      'toes',
      'Kneeling, the toes are free',
      [small('boot', 'They are pressed', up('boot'), up('boot-width'))],
      { pose: 'kneeling' },
    ),
  ],
  dress: [
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
  bra: [
    check('band', 'The band lies level on its outer hook and takes two fingers', [
      large('band', 'It rides up', {
        does: 'shift',
        shifts: [
          { place: 'band', by: -1 },
          { place: 'cup', by: 1 },
        ],
      }),
      small('band', 'It is tighter'),
    ]),
    check('straps', 'The straps do not dig in', [
      answer('dig', 'They do', { place: 'band', is: 'large' }, down('band'), up('cup')),
    ]),
    check('cups', 'Nothing spills and nothing gapes', [small('cup', 'It spills'), large('cup', 'It gapes')]),
  ],
  gloves: [
    check('fist', 'A fist closes, and two fingers pinch what is small', [
      small('hand', 'They do not'),
      large('hand', 'It bunches at the fingertips'),
    ]),
  ],
  hat: [
    check('finger', 'A finger goes in at the back', [small('head', 'It does not')]),
    check('lift', 'It does not lift when the head is shaken', [large('head', 'It lifts')]),
  ],
};
