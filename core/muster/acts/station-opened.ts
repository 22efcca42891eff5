import * as z from 'zod';
import { idSchema, wordsSchema } from '../../acts/act';
import { stationOn } from '../muster';
import { PARTS } from '../parts';
import { MUSTER_BASE, refuseClosed, type MusterActKind } from './act';

/** What is said of a station: its name, and the parts of the work it has. */
export const STATION_FIELDS = {
  stationId: idSchema,
  name: wordsSchema(40),
  parts: z
    .array(z.enum(PARTS))
    .min(1, { error: 'Choose what is done at this station.' })
    .refine((parts) => new Set(parts).size === parts.length, { error: 'A part is listed twice.' }),
};

const schema = z.object({ ...MUSTER_BASE, kind: z.literal('station-opened'), ...STATION_FIELDS });
/** A muster has a station more. */
export type StationOpened = z.infer<typeof schema>;

export const stationOpened: MusterActKind<StationOpened> = {
  kind: 'station-opened',
  schema,
  refuse: (muster, { stationId }) =>
    refuseClosed(muster) ?? (stationOn(muster, stationId) === undefined ? null : { code: 'station-there' }),
  carryOut: (muster, { stationId, name, parts }) => ({
    ...muster,
    stations: [...muster.stations, { id: stationId, name, parts, fitter: null, open: true }],
  }),
  undo: (_before, { stationId }, now) =>
    stationOn(now, stationId)?.open === true ? { kind: 'station-closed', stationId } : null,
  say: ({ name }) => `opened the station ${name}`,
  takes: 'lead-muster',
  about: () => [],
};
