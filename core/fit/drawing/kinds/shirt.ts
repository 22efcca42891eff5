import { ARMS, front, sits, type KindLooks } from '../look';
import { shirt } from '../upper';

/** What is drawn of shirts at each check. */
export const shirtLooks: KindLooks = {
  collar: (answer) => front(shirt({ collar: sits(answer) }), [75, 20, 175, 140]),
  cuff: (answer) => front(shirt({ sleeve: sits(answer) }), ARMS),
};
