import { sits, type KindLooks } from '../look';
import { onePiece } from '../lower';

/** What is drawn of one-piece suits at each check. */
export const onePieceLooks: KindLooks = {
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
};
