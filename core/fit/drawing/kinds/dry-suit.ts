import { front, sits, type KindLooks } from '../look';
import { onePiece } from '../lower';
import { seals } from '../small-things';

/** What is drawn of dry suits at each check. */
export const drySuitLooks: KindLooks = {
  seals: (answer) => front(seals(sits(answer)), [65, 10, 185, 180]),
  reach: (answer) => ({
    body: 'arms-up',
    strokes: onePiece({ trunk: sits(answer) }),
    window: [10, -50, 240, 340],
  }),
};
