import { foot, sits, type KindLooks } from '../look';
import { boot } from '../lower';

/** What is drawn of boots and shoes at each check. */
export const bootsLooks: KindLooks = {
  heel: (answer) => foot(answer),
  toes: (answer) => ({
    body: 'side-armless',
    strokes: boot({ toes: sits(answer) }),
    window: [60, 380, 220, 505],
  }),
};
