import type { GarmentKind } from '../../chart/garment-kind';
import { coat, coatFromSide, jacket, shirt, waistcoat } from './upper';
import { boot, dress, onePiece, trousers, wadersKneeling } from './lower';
import { vestFromFront, vestFromSide, vestOverlap } from './panels';
import type { Posed } from './poses';
import { braFromBack, braFromFront, glove, hat, seals } from './small-things';
import type { Sits, Stroke } from './stroke';

/** What is seen at a check: a body in a pose, the garment on it, and the window through which one looks. */
export interface Look {
  readonly body: Posed;
  readonly strokes: readonly Stroke[];
  /** Left, top, right and bottom on the figure's ground. */
  readonly window: readonly [number, number, number, number];
}

type Draw = (answer: string) => Look;

/** The way something sits by the code of the answer that was given. */
const sits = (answer: string): Sits => (answer.startsWith('small') ? -1 : answer.startsWith('large') ? 1 : 0);

const CHEST: Look['window'] = [55, 60, 195, 285];
const ARMS: Look['window'] = [25, 70, 225, 300];
const FROM_SIDE: Look['window'] = [40, 60, 240, 290];
const HEM: Look['window'] = [75, 380, 175, 505];

/** What is drawn of each kind's checks, by the code of the check. */
const LOOKS: Readonly<Partial<Record<GarmentKind, Readonly<Record<string, Draw>>>>> = {
  jacket: {
    button: (answer) => front(jacket({ chest: sits(answer) }), CHEST),
    lapels: (answer) => front(jacket({ lapels: sits(answer), pulls: false }), [70, 60, 180, 220]),
    shoulder: (answer) => front(jacket({ shoulder: sits(answer) }), [40, 55, 210, 200]),
    cuff: (answer) => front(jacket({ sleeve: sits(answer) }), ARMS),
    hem: (answer) => front(jacket({ length: sits(answer) }), [25, 140, 225, 330]),
  },
  outerwear: {
    crossed: (answer) => ({ body: 'arms-forward', strokes: coatFromSide(sits(answer)), window: FROM_SIDE }),
    cuffs: (answer) => ({
      body: 'arms-out',
      strokes: coat({ sleeve: sits(answer) }, 'out'),
      window: [-30, 40, 280, 285],
    }),
  },
  waistcoat: {
    buttons: (answer) => front(waistcoat({ chest: sits(answer) }), CHEST),
    covers: (answer) => ({
      body: 'arms-up',
      strokes: [...trousers({}), ...waistcoat({ length: sits(answer) })],
      window: [35, 60, 215, 300],
    }),
  },
  trousers: {
    waist: (answer) => front(trousers({ waist: sits(answer) }), [60, 170, 190, 300]),
    hem: (answer) => front(trousers({ leg: sits(answer) }), HEM),
  },
  shirt: {
    collar: (answer) => front(shirt({ collar: sits(answer) }), [75, 20, 175, 140]),
    cuff: (answer) => front(shirt({ sleeve: sits(answer) }), ARMS),
  },
  vest: {
    'gap-standing': (answer) => side(vestFromSide({ front: sits(answer) })),
    'gap-seated': (answer) => ({
      body: 'seated',
      strokes: vestFromSide({
        front: answer === 'throat' ? 1 : sits(answer),
        seated: true,
        atThroat: answer === 'throat',
      }),
      window: [10, 130, 220, 390],
    }),
    bare: (answer) =>
      answer === 'small-back'
        ? side(vestFromSide({ back: -1 }))
        : front(vestFromFront({ length: sits(answer) }), CHEST),
    overlap: (answer) => side(vestOverlap(answer === 'small-back' ? { back: -1 } : { front: sits(answer) })),
    order: (answer) => side(vestOverlap({ wrong: answer === 'wrong' })),
    widths: (answer) =>
      answer === 'small-back'
        ? { body: 'back', strokes: vestFromFront({ width: -1 }), window: CHEST }
        : front(vestFromFront({ width: sits(answer) }), CHEST),
    bind: (answer) =>
      answer === 'neck'
        ? side(vestFromSide({ neck: true }))
        : front(vestFromFront({ width: sits(answer) }), [40, 60, 210, 250]),
  },
  'one-piece': {
    reach: (answer) => ({
      body: 'arms-up',
      strokes: onePiece({ trunk: sits(answer) }),
      window: [10, -50, 240, 340],
    }),
    ends: (answer) => ({
      body: 'arms-up',
      strokes: onePiece({ ends: sits(answer) }),
      window: [-10, -50, 260, 505],
    }),
  },
  'dry-suit': {
    seals: (answer) => front(seals(sits(answer)), [65, 10, 185, 180]),
    reach: (answer) => ({
      body: 'arms-up',
      strokes: onePiece({ trunk: sits(answer) }),
      window: [10, -50, 240, 340],
    }),
  },
  waders: {
    heel: (answer) => foot(answer),
    kneeling: (answer) =>
      answer === 'small'
        ? { body: 'side-armless', strokes: boot({ toes: -1 }), window: [60, 380, 220, 505] }
        : {
            body: 'kneeling',
            strokes: wadersKneeling({ fork: answer === 'fork' ? -1 : 0 }),
            window: [-10, 160, 260, 505],
          },
  },
  boots: {
    heel: (answer) => foot(answer),
    toes: (answer) => ({
      body: 'side-armless',
      strokes: boot({ toes: sits(answer) }),
      window: [60, 380, 220, 505],
    }),
  },
  dress: {
    zip: (answer) =>
      sits(answer) < 0
        ? { body: 'back', strokes: dress({ bust: -1 }), window: CHEST }
        : front(dress({ bust: sits(answer) }), CHEST),
    smooth: (answer) =>
      front(
        answer.endsWith('-hip') ? dress({ hip: sits(answer) }) : dress({ waist: sits(answer) }),
        [45, 120, 205, 320],
      ),
    hem: (answer) => front(dress({ hem: sits(answer) }), [30, 180, 220, 505]),
  },
  bra: {
    band: (answer) => ({ body: 'back', strokes: braFromBack(sits(answer)), window: [50, 60, 200, 210] }),
    straps: (answer) => front(braFromFront({ straps: answer === 'dig' ? 1 : 0 }), [60, 55, 190, 185]),
    cups: (answer) => front(braFromFront({ cup: sits(answer) }), [60, 55, 190, 185]),
  },
  gloves: {
    fist: (answer) => ({ body: 'hand', strokes: glove(sits(answer)), window: [15, 80, 235, 480] }),
  },
  hat: {
    finger: (answer) => ({ body: 'head', strokes: hat(sits(answer)), window: [-5, -10, 255, 300] }),
    lift: (answer) => ({
      body: 'head',
      strokes: hat(sits(answer), sits(answer) > 0),
      window: [-5, -10, 255, 300],
    }),
  },
};

/**
 * What is seen at a check where an answer holds; `null` of a maker's own check, which nobody has drawn.
 *
 * @param answer `right`, or the code of one of the check's answers
 */
export function lookAt(kind: GarmentKind, check: string, answer: string): Look | null {
  return LOOKS[kind]?.[check]?.(answer) ?? null;
}

function front(strokes: readonly Stroke[], window: Look['window']): Look {
  return { body: 'front', strokes, window };
}

function side(strokes: readonly Stroke[]): Look {
  return { body: 'side', strokes, window: [40, 55, 220, 265] };
}

/** A boot on the foot that stands: where it lifts, the heel has room behind it. */
function foot(answer: string): Look {
  return { body: 'side-armless', strokes: boot({ heel: sits(answer) }), window: [60, 380, 220, 505] };
}
