import { CHEST, front, sits, type KindLooks } from '../look';
import { dress } from '../lower';

/** What is drawn of dresses at each check. */
export const dressLooks: KindLooks = {
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
};
