import { HEM, front, sits, type KindLooks } from '../look';
import { trousers } from '../lower';

/** What is drawn of trousers at each check. */
export const trousersLooks: KindLooks = {
  waist: (answer) => front(trousers({ waist: sits(answer) }), [60, 170, 190, 300]),
  hem: (answer) => front(trousers({ leg: sits(answer) }), HEM),
};
