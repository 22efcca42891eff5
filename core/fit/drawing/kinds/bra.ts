import { front, sits, type KindLooks } from '../look';
import { braFromBack, braFromFront } from '../small-things';

/** What is drawn of bras at each check. */
export const braLooks: KindLooks = {
  band: (answer) => ({ body: 'back', strokes: braFromBack(sits(answer)), window: [50, 60, 200, 210] }),
  straps: (answer) => front(braFromFront({ straps: answer === 'dig' ? 1 : 0 }), [60, 55, 190, 185]),
  cups: (answer) => front(braFromFront({ cup: sits(answer) }), [60, 55, 190, 185]),
};
