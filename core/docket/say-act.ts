import { kindOf, type Act } from './acts';
import type { ActNames } from './acts/act';

/**
 * What was done, in a sentence.
 *
 * @param names what charts and protocols are called, for those that the act names by their ids
 * @example sayAct(acts.at(-1), { garment: () => 'the field jacket', protocol: () => '', inchParts: 8 }) // 'Odalys Wren accepted M for the field jacket.'
 */
export function sayAct(act: Act, names: ActNames): string {
  return `${act.by.name} ${kindOf(act).say(act, names)}.`;
}
