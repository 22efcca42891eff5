import { kindOf, type Act, type Doing } from './acts';
import { Course } from './apply';

import type { Library } from './library';

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
 * @param course what has replayed them before, where something has
 * @returns `null` where nothing stands that was done on the docket since it was opened
 * @example lastDone(acts, library).undoing.outcome // 'later'
 */
export function lastDone(acts: readonly Act[], library: Library, course = new Course()): LastDone | null {
  const dockets = course.through(acts);
  const docket = dockets.at(-1) ?? null;
  if (docket === null) return null;
  const standing: number[] = [];
  acts.forEach((act, at) => {
    // Beneath acts that changed nothing it need not be the last.
    const undone =
      act.undoes === undefined ? -1 : standing.findIndex((before) => acts[before]!.id === act.undoes);
    if (undone >= 0) standing.splice(undone, 1);
    else if (kindOf(act).undo !== 'opening') standing.push(at);
  });
  for (let last = standing.pop(); last !== undefined; last = standing.pop()) {
    const act = acts[last]!;
    const { undo } = kindOf(act);
    // What cannot be taken back stands in the way and says so.
    if (typeof undo !== 'function') return { act, undoing: null };
    const undoing = undo(dockets[last - 1]!, act, docket, library) as Doing | null;
    // What changed nothing has nothing to be taken back.
    if (undoing !== null) return { act, undoing };
  }
  return null;
}
