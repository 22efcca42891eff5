import { FROM_SIDE, sits, type KindLooks } from '../look';
import { coat, coatFromSide } from '../upper';

/** What is drawn of outerwear at each check. */
export const outerwearLooks: KindLooks = {
  crossed: (answer) => ({ body: 'arms-forward', strokes: coatFromSide(sits(answer)), window: FROM_SIDE }),
  cuffs: (answer) => ({
    body: 'arms-out',
    strokes: coat({ sleeve: sits(answer) }, 'out'),
    window: [-30, 40, 280, 285],
  }),
};
