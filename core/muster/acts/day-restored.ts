import * as z from 'zod';
import { idSchema, instantSchema } from '../../acts/act';
import { personOn, whoIsAt } from '../muster';
import { PARTS } from '../parts';
import { MUSTER_BASE, refuseClosed, withDay, type MusterActKind } from './act';

const standingSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('expected') }),
  z.object({ is: z.literal('waiting'), since: instantSchema }),
  z.object({ is: z.literal('at'), since: instantSchema, stationId: idSchema }),
  z.object({
    is: z.literal('gone'),
    since: instantSchema,
    how: z.enum(['done', 'owed', 'without']),
    why: z.string().max(120).nullable(),
  }),
]);

const schema = z.object({
  ...MUSTER_BASE,
  kind: z.literal('day-restored'),
  wearerId: idSchema,
  day: z.object({
    standing: standingSchema,
    arrivedAt: instantSchema.nullable(),
    missing: z.array(z.enum(PARTS)).max(PARTS.length).nullable(),
    left: z.array(z.enum(PARTS)).max(PARTS.length),
    visits: z.array(z.object({ stationId: idSchema, from: instantSchema, to: instantSchema })).max(200),
    lastAct: idSchema.nullable(),
  }),
});
/** What was done last about a wearer is taken back: their day is as it was before. */
export type DayRestored = z.infer<typeof schema>;

export const dayRestored: MusterActKind<DayRestored> = {
  kind: 'day-restored',
  schema,
  refuse: (muster, { wearerId, day, undoes }) => {
    const closed = refuseClosed(muster);
    const person = personOn(muster, wearerId);
    if (closed !== null) return closed;
    if (person === undefined) return { code: 'not-on-muster' };
    // Only what was done last about them: whatever somebody else has done since stands.
    if (undoes === undefined || person.day.lastAct !== undoes) return { code: 'went-on-meanwhile', wearerId };
    if (day.standing.is !== 'at') return null;
    const there = whoIsAt(muster, day.standing.stationId);
    const station = muster.stations.find(
      ({ id }) => day.standing.is === 'at' && id === day.standing.stationId,
    );
    if (station === undefined) return { code: 'no-such-station' };
    return there === undefined || there.wearerId === wearerId
      ? null
      : { code: 'station-busy', station: station.name, wearerId: there.wearerId };
  },
  // With the act before as the last about them, so that it can be taken back in its turn.
  carryOut: (muster, { wearerId, day }) => withDay(muster, wearerId, () => day),
  undo: 'opening',
  say: ({ wearerId }, { wearer }) => `undid the last change about ${wearer(wearerId)}`,
  takes: 'work-muster',
  about: ({ wearerId }) => [wearerId],
};
