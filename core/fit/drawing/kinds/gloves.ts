import { sits, type KindLooks } from '../look';
import { glove } from '../small-things';

/** What is drawn of gloves at each check. */
export const glovesLooks: KindLooks = {
  fist: (answer) => ({ body: 'hand', strokes: glove(sits(answer)), window: [15, 80, 235, 480] }),
};
