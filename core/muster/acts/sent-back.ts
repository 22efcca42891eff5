import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { stationOn } from '../muster';
import { dayBefore, MUSTER_BASE, refuseClosed, standingOf, withDay, type MusterActKind } from './act';

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('sent-back'),
  wearerId: idSchema,
  stationId: idSchema,
});
/** A wearer who was called did not come: they wait on, behind those who wait already. */
export type SentBack = z.infer<typeof schema>;

export const sentBack: MusterActKind<SentBack> = {
  kind: 'sent-back',
  schema,
  refuse: (muster, { wearerId, stationId }) => {
    const closed = refuseClosed(muster);
    const standing = standingOf(muster, wearerId);
    if (closed !== null) return closed;
    if (standing === null) return { code: 'not-on-muster' };
    const station = stationOn(muster, stationId)?.name ?? '';
    return standing.is === 'at' && standing.stationId === stationId
      ? null
      : { code: 'not-at-station', wearerId, station };
  },
  carryOut: (muster, { wearerId, at, id }) =>
    withDay(muster, wearerId, (day) => ({ ...day, standing: { is: 'waiting', since: at }, lastAct: id })),
  undo: dayBefore,
  say: ({ wearerId }, { wearer }) => `sent ${wearer(wearerId)} back to wait`,
  takes: 'work-muster',
  about: ({ wearerId }) => [wearerId],
};
