import { foot, type KindLooks } from '../look';
import { boot, wadersKneeling } from '../lower';

/** What is drawn of waders at each check. */
export const wadersLooks: KindLooks = {
  heel: (answer) => foot(answer),
  kneeling: (answer) =>
    answer === 'small'
      ? { body: 'side-armless', strokes: boot({ toes: -1 }), window: [60, 380, 220, 505] }
      : {
          body: 'kneeling',
          strokes: wadersKneeling({ fork: answer === 'fork' ? -1 : 0 }),
          window: [-10, 160, 260, 505],
        },
};
