import { sits, type KindLooks } from '../look';
import { hat } from '../small-things';

/** What is drawn of hats at each check. */
export const hatLooks: KindLooks = {
  finger: (answer) => ({ body: 'head', strokes: hat(sits(answer)), window: [-5, -10, 255, 300] }),
  lift: (answer) => ({
    body: 'head',
    strokes: hat(sits(answer), sits(answer) > 0),
    window: [-5, -10, 255, 300],
  }),
};
