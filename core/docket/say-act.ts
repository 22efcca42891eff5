import { kindOf, type Act } from './acts';
import type { ActNames } from './acts/act';

/**
 * What was done, in a sentence.
 *
 * @param names what charts and protocols are called, for those that the act names by their ids
 */
export function sayAct(act: Act, names: ActNames): string {
  return `${act.by.name} ${kindOf(act).say(act, names)}.`;
}
