import * as z from 'zod';
import { idSchema } from '../../acts/act';
import { dueOf, personOn, servedParts, stationOn, type Muster, type PersonDay } from '../muster';
import { PARTS, TAPE_PARTS, type Part } from '../parts';
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
  kind: z.literal('finished'),
  wearerId: idSchema,
  stationId: idSchema,
  /** What is still to be done on their docket. */
  missing: foundPartsSchema,
});
/** A station is done with a wearer: they wait for the next one, or have everything that is to be had here and go. */
export type Finished = z.infer<typeof schema>;

export const finished: MusterActKind<Finished> = {
  kind: 'finished',
  schema,
  refuse: (muster, { wearerId, stationId }) => {
    const closed = refuseClosed(muster);
    const standing = standingOf(muster, wearerId);
    const station = stationOn(muster, stationId);
    if (closed !== null) return closed;
    if (standing === null) return { code: 'not-on-muster' };
    if (station === undefined) return { code: 'no-such-station' };
    return standing.is === 'at' && standing.stationId === stationId
      ? null
      : { code: 'not-at-station', wearerId, station: station.name };
  },
  finds: {
    complete: (muster, act, { missingOn }) => ({
      ...act,
      missing: missingOn(personOn(muster, act.wearerId)!.docketId),
    }),
    without: (act) => ({ ...act, missing: null }),
  },
  carryOut: (muster, { wearerId, stationId, missing, at, id }) =>
    withDay(muster, wearerId, (day) => {
      const after = missing ?? without(muster, day.missing, stationId);
      const from = day.standing.is === 'at' ? day.standing.since : at;
      const visits = [...day.visits, { stationId, from, to: at }];
      const own = stationOn(muster, stationId)?.parts ?? [];
      const left = (after ?? PARTS).filter((part) => own.includes(part) || day.left.includes(part));
      return onwards(muster, { ...day, missing: after, left, visits, lastAct: id }, at);
    }),
  undo: dayBefore,
  say: ({ wearerId, stationId }, { wearer, station }) =>
    `finished with ${wearer(wearerId)} at ${station(stationId)}`,
  takes: 'work-muster',
  about: ({ wearerId }) => [wearerId],
};

/** Where nobody can say what is missing, a station is taken to have done its own. */
function without(muster: Muster, missing: readonly Part[] | null, stationId: string): readonly Part[] | null {
  const own = stationOn(muster, stationId)?.parts ?? [];
  return missing?.filter((part) => !own.includes(part)) ?? null;
}

/** To the next station, or out: there is nothing more that is done here. */
function onwards(muster: Muster, day: PersonDay, at: string): PersonDay {
  const more = dueOf(muster, { day }).length > 0;
  if (more) return { ...day, standing: { is: 'waiting', since: at } };
  // What is not done at this muster at all is not owed by it, unless it is of the body: then nothing can be decided.
  const served = servedParts(muster);
  const owed = day.missing?.some((part) => TAPE_PARTS.includes(part) || served.includes(part)) ?? true;
  return { ...day, standing: { is: 'gone', since: at, how: owed ? 'owed' : 'done', why: null } };
}
