import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { dayBefore, MUSTER_BASE, refuseClosed, standingOf, withDay, type MusterActKind } from './act';

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('went'),
  wearerId: idSchema,
  /** Why they went before they had everything, or did not come. */
  why: z.string().trim().max(120),
});
/** A wearer has gone without, or will not come. */
export type Went = z.infer<typeof schema>;

export const went: MusterActKind<Went> = {
  kind: 'went',
  schema,
  refuse: (muster, { wearerId }) => {
    const closed = refuseClosed(muster);
    const standing = standingOf(muster, wearerId);
    if (closed !== null) return closed;
    if (standing === null) return { code: 'not-on-muster' };
    return standing.is === 'gone' ? { code: 'gone-already', wearerId } : null;
  },
  carryOut: (muster, { wearerId, why, at, id }) =>
    withDay(muster, wearerId, (day) => ({
      ...day,
      standing: { is: 'gone', since: at, how: 'without', why: why === '' ? null : why },
      lastAct: id,
    })),
  undo: dayBefore,
  say: ({ wearerId, why }, { wearer }) =>
    `noted that ${wearer(wearerId)} left${why === '' ? '' : `: ${why}`}`,
  takes: 'work-muster',
  about: ({ wearerId }) => [wearerId],
};
