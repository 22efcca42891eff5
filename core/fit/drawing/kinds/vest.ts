import { CHEST, front, side, sits, type KindLooks } from '../look';
import { vestFromFront, vestFromSide, vestOverlap } from '../panels';

/** What is drawn of protective vests at each check. */
export const vestLooks: KindLooks = {
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
};
