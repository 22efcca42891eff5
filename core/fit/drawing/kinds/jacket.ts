import { ARMS, CHEST, front, sits, type KindLooks } from '../look';
import { gap, pair } from '../stroke';
import { jacket } from '../upper';

/** What is drawn of jackets at each check. */
export const jacketLooks: KindLooks = {
  button: (answer) => front(jacket({ chest: sits(answer) }), CHEST),
  lapels: (answer) => front(jacket({ lapels: sits(answer), pulls: false }), [70, 60, 180, 220]),
  shoulder: (answer) => front(jacket({ shoulder: sits(answer) }), [40, 55, 210, 200]),
  cuff: (answer) => front(jacket({ sleeve: sits(answer) }), ARMS),
  hem: (answer) =>
    front(
      [
        ...jacket({ length: sits(answer) }),
        // How far the hand hangs below the hem.
        ...(answer === 'arm' ? pair(gap, [200, 262], [200, 292]) : []),
      ],
      [25, 140, 225, 330],
    ),
};
