import type { UnreadableAct } from '../acts/say-unreadable-act';
import { readAct, type Act } from '../docket/acts';
import type { ActNames } from '../docket/acts/act';
import { sayAct } from '../docket/say-act';
import type { Outcome } from '../outcome';
import { MUSTER_ACTS, readMusterAct, type MusterAct } from './acts';
import type { MusterNames } from './acts/act';

/** Something done, on a docket or on a muster. */
export type AnyAct = Act | MusterAct;

/**
 * Whether an act is one of a muster; else it is one of a docket.
 *
 * @example isMusterAct(acts[0]) // false
 */
export function isMusterAct(act: AnyAct): act is MusterAct {
  return 'musterId' in act;
}

/**
 * What an act is done on: the docket or the muster, by its id.
 *
 * @example subjectOf(acts[0]) === docket.id // true
 */
export function subjectOf(act: AnyAct): string {
  return isMusterAct(act) ? act.musterId : act.docketId;
}

/**
 * Reads an act, whatever it is done on, from what was sent or kept.
 *
 * @example readAnyAct(acts[0]).value.kind // 'docket-opened'
 */
export function readAnyAct(sent: unknown): Outcome<AnyAct, UnreadableAct> {
  const onMuster = typeof sent === 'object' && sent !== null && 'musterId' in sent;
  return onMuster ? readMusterAct(sent) : readAct(sent);
}

/**
 * What was done on a muster, in a sentence.
 *
 * @example sayMusterAct(checkIn, { wearer: () => 'Ilse Marrow', station: () => '' }) // 'Odalys Wren checked Ilse Marrow in.'
 */
export function sayMusterAct(act: MusterAct, names: MusterNames): string {
  return `${act.by.name} ${MUSTER_ACTS.kindOf(act).say(act, names as never)}.`;
}

/**
 * What was done, in a sentence, whatever it was done on.
 *
 * @example sayAnyAct(acts[0], { garment: () => '', protocol: () => '', inchParts: 8, wearer: () => '', station: () => '' }) // 'Odalys Wren opened the docket: Intake.'
 */
export function sayAnyAct(act: AnyAct, names: ActNames & MusterNames): string {
  return isMusterAct(act) ? sayMusterAct(act, names) : sayAct(act, names);
}
