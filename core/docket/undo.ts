import { DOCKET_ACTS, type Act, type Doing } from './acts';
import { docketCourse, type DocketCourse } from './apply';
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
 * changed nothing.
 *
 * @param acts all of a docket, in order, as they were let in
 * @param course what has replayed them before, where something has
 * @returns `null` where nothing stands that was done on the docket since it was opened
 * @example lastDone(acts, library).undoing.outcome // 'later'
 */
export function lastDone(
  acts: readonly Act[],
  library: Library,
  course: DocketCourse = docketCourse(),
): LastDone | null {
  return DOCKET_ACTS.lastDone(acts, library, course) as LastDone | null;
}
