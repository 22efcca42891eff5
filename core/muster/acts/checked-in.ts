import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { personOn } from '../muster';
import {
  dayBefore,
  foundPartsSchema,
  MUSTER_BASE,
  refuseClosed,
  standingOf,
  withDay,
  type MusterActKind,
} from './act';

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('checked-in'),
  wearerId: idSchema,
  /** What is still to be done on their docket. */
  missing: foundPartsSchema,
});
/** A wearer has come, or has come again. */
export type CheckedIn = z.infer<typeof schema>;

export const checkedIn: MusterActKind<CheckedIn> = {
  kind: 'checked-in',
  schema,
  refuse: (muster, { wearerId }) => {
    const closed = refuseClosed(muster);
    const standing = standingOf(muster, wearerId);
    if (closed !== null) return closed;
    if (standing === null) return { code: 'not-on-muster' };
    return standing.is === 'expected' || standing.is === 'gone' ? null : { code: 'here-already', wearerId };
  },
  finds: {
    complete: (muster, act, { missingOn }) => ({
      ...act,
      missing: missingOn(personOn(muster, act.wearerId)!.docketId),
    }),
    without: (act) => ({ ...act, missing: null }),
  },
  carryOut: (muster, { wearerId, missing, at, id }) =>
    withDay(muster, wearerId, (day) => ({
      ...day,
      standing: { is: 'waiting', since: at },
      arrivedAt: day.arrivedAt ?? at,
      missing: missing ?? day.missing,
      left: [],
      lastAct: id,
    })),
  undo: dayBefore,
  say: ({ wearerId }, { wearer }) => `checked ${wearer(wearerId)} in`,
  takes: 'work-muster',
  about: ({ wearerId }) => [wearerId],
};
