import { CHEST, front, sits, type KindLooks } from '../look';
import { trousers } from '../lower';
import { waistcoat } from '../upper';

/** What is drawn of waistcoats at each check. */
export const waistcoatLooks: KindLooks = {
  buttons: (answer) => front(waistcoat({ chest: sits(answer) }), CHEST),
  covers: (answer) => ({
    body: 'arms-up',
    strokes: [...trousers({}), ...waistcoat({ length: sits(answer) })],
    window: [35, 60, 215, 300],
  }),
};
