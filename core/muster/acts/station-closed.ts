import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { stationOn, whoIsAt } from '../muster';
import { MUSTER_BASE, refuseClosed, type MusterActKind } from './act';

const schema = z.object({ ...MUSTER_BASE, kind: z.literal('station-closed'), stationId: idSchema });
/** A station takes nobody any more. Who waited for it waits for whichever station has the same part. */
export type StationClosed = z.infer<typeof schema>;

export const stationClosed: MusterActKind<StationClosed> = {
  kind: 'station-closed',
  schema,
  refuse: (muster, { stationId }) => {
    const closed = refuseClosed(muster);
    const station = stationOn(muster, stationId);
    if (closed !== null) return closed;
    if (station === undefined) return { code: 'no-such-station' };
    if (!station.open) return { code: 'station-closed', station: station.name };
    const there = whoIsAt(muster, stationId);
    return there === undefined
      ? null
      : { code: 'station-busy', station: station.name, wearerId: there.wearerId };
  },
  carryOut: (muster, { stationId }) => ({
    ...muster,
    stations: muster.stations.map((one) =>
      one.id === stationId ? { ...one, open: false, fitter: null } : one,
    ),
  }),
  undo: (before, { stationId }) => {
    const was = stationOn(before, stationId);
    if (was === undefined) return null;
    return { kind: 'station-changed', stationId, name: was.name, parts: was.parts, open: true };
  },
  say: ({ stationId }, { station }) => `closed the station ${station(stationId)}`,
  takes: 'lead-muster',
  about: () => [],
};
