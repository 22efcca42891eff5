import type { Course } from '../acts/course';
import { MUSTER_ACTS, type MusterAct, type MusterDoing } from './acts';
import type { MusterLibrary } from './acts/act';
import type { Muster } from './muster';

/** What somebody did last on a muster, and what takes it back. */
export interface LastOwn {
  readonly act: MusterAct;
  /** `null` where it cannot be taken back any more. */
  readonly undoing: MusterDoing | null;
}

/**
 * What somebody would take back next on a muster. Others go on beside them, so it is the last of their own acts, as long
 * as nobody has done anything since about the wearers it is about.
 *
 * @param acts what was done since this page knows of, in order
 * @param course what has replayed them, from the muster they were done on
 * @returns `null` where they have done nothing that stands
 * @example lastOwn([], 'anybody', { missingOn: () => null }, null) // null
 */
export function lastOwn(
  acts: readonly MusterAct[],
  by: string,
  library: MusterLibrary,
  course: Course<Muster, MusterAct> | null,
): LastOwn | null {
  if (course === null) return null;
  const undone = new Set(acts.flatMap(({ undoes }) => undoes ?? []));
  for (let at = acts.length - 1; at >= 0; at -= 1) {
    const act = acts[at]!;
    const kind = MUSTER_ACTS.kindOf(act);
    if (act.by.id !== by || undone.has(act.id) || act.undoes !== undefined || kind.undo === 'opening')
      continue;
    const about = new Set(kind.about(act as never));
    const since = acts.slice(at + 1).some(
      (later) =>
        !undone.has(later.id) &&
        later.undoes === undefined &&
        MUSTER_ACTS.kindOf(later)
          .about(later as never)
          .some((id) => about.has(id)),
    );
    if (since || kind.undo === 'never') return { act, undoing: null };
    const undoing = kind.undo(course.before(acts, at)!, act as never, course.end(acts)!, library);
    if (undoing !== null) return { act, undoing: undoing as unknown as MusterDoing };
  }
  return null;
}
