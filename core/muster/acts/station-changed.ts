import * as z from 'zod';
import { stationOn } from '../muster';
import { MUSTER_BASE, refuseClosed, type MusterActKind } from './act';
import { STATION_FIELDS } from './station-opened';

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('station-changed'),
  ...STATION_FIELDS,
  open: z.boolean(),
});
/** A station has another name or other parts of the work, or is open again. */
export type StationChanged = z.infer<typeof schema>;

export const stationChanged: MusterActKind<StationChanged> = {
  kind: 'station-changed',
  schema,
  refuse: (muster, { stationId }) =>
    refuseClosed(muster) ?? (stationOn(muster, stationId) === undefined ? { code: 'no-such-station' } : null),
  carryOut: (muster, { stationId, name, parts, open }) => ({
    ...muster,
    stations: muster.stations.map((one) =>
      one.id === stationId ? { ...one, name, parts, open, fitter: open ? one.fitter : null } : one,
    ),
  }),
  undo: (before, { stationId }) => {
    const was = stationOn(before, stationId);
    if (was === undefined) return null;
    const { name, parts, open } = was;
    return { kind: 'station-changed', stationId, name, parts, open };
  },
  say: ({ name }) => `changed the station ${name}`,
  takes: 'lead-muster',
  about: () => [],
};
