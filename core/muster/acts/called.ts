import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { stationOn, whoIsAt } from '../muster';
import { dayBefore, MUSTER_BASE, refuseClosed, standingOf, withDay, type MusterActKind } from './act';

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('called'),
  wearerId: idSchema,
  stationId: idSchema,
});
/** A wearer's turn at a station. One who is called without having been checked in has come by that. */
export type Called = z.infer<typeof schema>;

export const called: MusterActKind<Called> = {
  kind: 'called',
  schema,
  refuse: (muster, { wearerId, stationId }) => {
    const closed = refuseClosed(muster);
    const station = stationOn(muster, stationId);
    const standing = standingOf(muster, wearerId);
    if (closed !== null) return closed;
    if (station === undefined) return { code: 'no-such-station' };
    if (!station.open) return { code: 'station-closed', station: station.name };
    if (standing === null) return { code: 'not-on-muster' };
    if (standing.is === 'gone') return { code: 'gone-already', wearerId };
    if (standing.is === 'at') {
      const other = stationOn(muster, standing.stationId)?.name ?? '';
      return { code: 'called-elsewhere', wearerId, station: other };
    }
    const there = whoIsAt(muster, stationId);
    return there === undefined
      ? null
      : { code: 'station-busy', station: station.name, wearerId: there.wearerId };
  },
  carryOut: (muster, { wearerId, stationId, at, id }) =>
    withDay(muster, wearerId, (day) => ({
      ...day,
      standing: { is: 'at', since: at, stationId },
      arrivedAt: day.arrivedAt ?? at,
      lastAct: id,
    })),
  undo: dayBefore,
  say: ({ wearerId, stationId }, { wearer, station }) =>
    `called ${wearer(wearerId)} to ${station(stationId)}`,
  takes: 'work-muster',
  about: ({ wearerId }) => [wearerId],
};
