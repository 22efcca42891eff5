import type { UnreadableAct } from '../../acts/say-unreadable-act';
import { ActMachine } from '../../acts/machine';
import type { Outcome } from '../../outcome';
import type { Muster } from '../muster';
import type { MusterRefusal } from '../refusal';
import type { BaseMusterAct, MusterActKind, MusterLibrary } from './act';
import { called, type Called } from './called';
import { checkedIn, type CheckedIn } from './checked-in';
import { dayRestored, type DayRestored } from './day-restored';
import { finished, type Finished } from './finished';
import { musterChanged, type MusterChanged } from './muster-changed';
import { musterClosed, type MusterClosed } from './muster-closed';
import { musterOpened, type MusterOpened } from './muster-opened';
import { musterReopened, type MusterReopened } from './muster-reopened';
import { peopleAdded, type PeopleAdded } from './people-added';
import { peopleRemoved, type PeopleRemoved } from './people-removed';
import { sentBack, type SentBack } from './sent-back';
import { stationChanged, type StationChanged } from './station-changed';
import { stationClosed, type StationClosed } from './station-closed';
import { stationOpened, type StationOpened } from './station-opened';
import { stationTaken, type StationTaken } from './station-taken';
import { valuesAccepted, type ValuesAccepted } from './values-accepted';
import { went, type Went } from './went';

/** Something done on a muster. */
export type MusterAct =
  | MusterOpened
  | MusterChanged
  | PeopleAdded
  | PeopleRemoved
  | ValuesAccepted
  | StationOpened
  | StationChanged
  | StationClosed
  | StationTaken
  | CheckedIn
  | Called
  | Finished
  | SentBack
  | Went
  | DayRestored
  | MusterClosed
  | MusterReopened;

type WithoutBase<One> = One extends MusterAct ? Omit<One, 'id' | 'musterId' | 'at' | 'by' | 'undoes'> : never;
/** What is done, before it is said by whom, when and on which muster. */
export type MusterDoing = WithoutBase<MusterAct>;

/** Every kind of act, in about the order of the day. */
const KINDS = [
  musterOpened,
  musterChanged,
  peopleAdded,
  peopleRemoved,
  valuesAccepted,
  stationOpened,
  stationChanged,
  stationClosed,
  stationTaken,
  checkedIn,
  called,
  finished,
  sentBack,
  went,
  dayRestored,
  musterClosed,
  musterReopened,
] as const;

/** What does acts on musters. */
export const MUSTER_ACTS = new ActMachine<
  Muster,
  MusterAct,
  MusterLibrary,
  MusterRefusal,
  MusterActKind<MusterAct & BaseMusterAct>
>(KINDS as unknown as readonly MusterActKind<MusterAct & BaseMusterAct>[], { code: 'no-muster' });

/**
 * Reads an act of a muster from what was sent or kept.
 *
 * @example readMusterAct({ kind: 'nap-taken' }).problem.code // 'unknown-kind'
 */
export function readMusterAct(sent: unknown): Outcome<MusterAct, UnreadableAct> {
  return MUSTER_ACTS.read(sent);
}
