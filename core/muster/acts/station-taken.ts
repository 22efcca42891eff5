import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { stationOn } from '../muster';
import { MUSTER_BASE, refuseClosed, type MusterActKind } from './act';

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('station-taken'),
  stationId: idSchema,
  /** Whether whoever does it works there from now on, or leaves it. */
  works: z.boolean(),
});
/** A fitter works at a station from now on, or leaves it. */
export type StationTaken = z.infer<typeof schema>;

export const stationTaken: MusterActKind<StationTaken> = {
  kind: 'station-taken',
  schema,
  refuse: (muster, { stationId }) => {
    const closed = refuseClosed(muster);
    const station = stationOn(muster, stationId);
    if (closed !== null) return closed;
    if (station === undefined) return { code: 'no-such-station' };
    return station.open ? null : { code: 'station-closed', station: station.name };
  },
  // Somebody is at one station: whoever takes another has left the one before.
  carryOut: (muster, { stationId, works, by }) => ({
    ...muster,
    stations: muster.stations.map((one) => {
      const mine = one.fitter?.id === by.id;
      if (one.id === stationId) return works ? { ...one, fitter: by } : mine ? { ...one, fitter: null } : one;
      return mine && works ? { ...one, fitter: null } : one;
    }),
  }),
  undo: 'opening',
  say: ({ stationId, works }, { station }) =>
    works ? `started work at ${station(stationId)}` : `left ${station(stationId)}`,
  takes: 'work-muster',
  about: () => [],
};
