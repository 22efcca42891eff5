import { kindOf, type Act, type Doing } from './acts';
import { openedDocket } from './acts/docket-opened';
import type { Docket } from './docket';
import type { Shelf } from './shelf';

/** The act that was done last and still stands, and what takes it back. */
export interface LastDone {
  readonly act: Act;
  /** `null` where it cannot be taken back. */
  readonly undoing: Doing | null;
}

/**
 * What would be taken back next on a docket: the last act that stands, everything that was taken back
 * already left out. What was asked for when the docket was opened is not among it, and neither is what
 * changed nothing. An act before it is reached only through it, so that nothing is ever taken back that
 * something later rests on.
 *
 * @param acts all of a docket, in order, as they were let in
 * @returns `null` where nothing stands that was done on the docket since it was opened
 */
export function lastDone(acts: readonly Act[], shelf: Shelf): LastDone | null {
  const [opening, ...rest] = acts;
  if (opening?.kind !== 'docket-opened') return null;
  let docket = openedDocket(opening);
  const stack: { readonly act: Act; readonly before: Docket }[] = [];
  for (const act of rest) {
    // Beneath acts that changed nothing it need not be the last.
    const undone = act.undoes === undefined ? -1 : stack.findIndex((one) => one.act.id === act.undoes);
    if (undone >= 0) stack.splice(undone, 1);
    else if (!ASKED_AT_OPENING.has(act.kind)) stack.push({ act, before: docket });
    docket = kindOf(act).carryOut(docket, act);
  }
  for (let last = stack.pop(); last !== undefined; last = stack.pop()) {
    const { undo } = kindOf(last.act);
    const undoing = (undo?.(last.before, last.act, docket, shelf) ?? null) as Doing | null;
    // What changed nothing has nothing to be taken back; what cannot be stands in the way and says so.
    if (undoing !== null || undo === undefined) return { act: last.act, undoing };
  }
  return null;
}

const ASKED_AT_OPENING: ReadonlySet<Act['kind']> = new Set([
  'garment-asked',
  'garment-dropped',
  'protocol-asked',
]);
