import { failure, success, type Outcome } from '../outcome';
import { kindOf, type Act } from './acts';
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
  const kind = kindOf(act);
  if (docket === null)
    return kind.opens === undefined
      ? failure({ code: 'not-opened' })
      : success({ docket: kind.opens(act), act });
  const refusal = kind.refuse(docket, act, library);
  if (refusal !== null) return failure(refusal);
  const complete = kind.finds?.complete(docket, act, library) ?? act;
  return success({ docket: kind.carryOut(docket, complete), act: complete });
}

/**
 * The docket that a list of acts makes, in their order. They have been let in, so nothing is asked
 * of them again; `null` while the first is not its opening.
 *
 * @example replay(acts).decisions.length // 1
 */
export function replay(acts: readonly Act[]): Docket | null {
  return acts.reduce<Docket | null>(after, null);
}

/** The docket after an act that was let in. */
function after(docket: Docket | null, act: Act): Docket | null {
  const kind = kindOf(act);
  return docket === null ? (kind.opens?.(act) ?? null) : kind.carryOut(docket, act);
}

/**
 * Replays the acts of one docket again and again as more come in: of a list that begins as the one
 * before it, only the rest is done.
 */
export class Course {
  private acts: readonly Act[] = [];
  private dockets: readonly (Docket | null)[] = [];

  /** The docket after each of the acts, in their order, as `replay` makes it. */
  through(acts: readonly Act[]): readonly (Docket | null)[] {
    const differs = acts.findIndex((act, at) => act !== this.acts[at]);
    const dockets = this.dockets.slice(0, differs < 0 ? acts.length : differs);
    for (const act of acts.slice(dockets.length)) dockets.push(after(dockets.at(-1) ?? null, act));
    this.acts = acts;
    this.dockets = dockets;
    return dockets;
  }

  /** The docket after all of them. */
  end(acts: readonly Act[]): Docket | null {
    return this.through(acts).at(-1) ?? null;
  }
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
  const refused: { act: Act; refusal: Refusal }[] = [];
  const after = acts.reduce((before, act) => {
    const applied = apply(before, act, library);
    if (applied.ok) return applied.value.docket;
    refused.push({ act, refusal: applied.problem });
    return before;
  }, docket);
  return { docket: after, refused };
}
