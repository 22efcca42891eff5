import type { Course } from '../acts/course';
import type { Outcome } from '../outcome';
import { success } from '../outcome';
import { DOCKET_ACTS, type Act } from './acts';
import type { Docket } from './docket';
import type { Refusal } from './refusal';
import type { Library } from './library';

/** An act that was let in, with what was found on the way, and the docket after it. */
export interface Applied {
  readonly docket: Docket;
  readonly act: Act;
}

/**
 * Does an act on a docket: the only place where it is asked whether one may follow what was done
 * before.
 *
 * @param docket `null` for one that nobody opened
 * @example apply(docket, acts[0], library).problem // { code: 'opened-already' }
 */
export function apply(docket: Docket | null, act: Act, library: Library): Outcome<Applied, Refusal> {
  const applied = DOCKET_ACTS.apply(docket, act, library);
  return applied.ok ? success({ docket: applied.value.state, act: applied.value.act }) : applied;
}

/**
 * The docket that a list of acts makes, in their order. They have been let in, so nothing is asked
 * of them again; `null` while the first is not its opening.
 *
 * @example replay(acts).decisions.length // 1
 */
export function replay(acts: readonly Act[]): Docket | null {
  return DOCKET_ACTS.replay(acts);
}

/** The acts of one docket, replayed again and again as more come in. */
export type DocketCourse = Course<Docket, Act>;

/**
 * What replays the acts of one docket again and again as more come in.
 *
 * @example docketCourse().end(acts).decisions.length // 1
 */
export function docketCourse(): DocketCourse {
  return DOCKET_ACTS.course();
}

/** What is done on a docket after what stands already: those that are let in, and why the others are not. */
export interface Continued {
  readonly docket: Docket | null;
  readonly refused: readonly { readonly act: Act; readonly refusal: Refusal }[];
}

/**
 * Does acts one after the other; one that is refused is left out, and the next is tried on the docket as it stands.
 *
 * @example continued(docket, [acts[0]], library).refused.length // 1
 */
export function continued(docket: Docket | null, acts: readonly Act[], library: Library): Continued {
  const { state, refused } = DOCKET_ACTS.continued(docket, acts, library);
  return { docket: state, refused };
}
