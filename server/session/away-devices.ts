import type { DeviceContact } from '@neat-measure/contract';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { endPens } from './pens';

/** A device that has taken a muster along, as its row has it. */
export interface AwayRow {
  readonly device_id: string;
  readonly muster_id: string | null;
  readonly agent: string;
  readonly taken_at: Date;
  readonly heard_at: Date;
  readonly heard_place: number;
  readonly clock_off: number;
  readonly waits: unknown;
  readonly ended_at: Date | null;
  readonly ended_by: string | null;
  readonly erased_at: Date | null;
}

/** A clock that is off by less is as good as right: that much goes by on a slow network. */
const WELL_ENOUGH_S = 120;

/**
 * By how many seconds a clock is ahead of this one's; behind below none, and nothing where it goes well enough.
 *
 * @param clock what it said just now
 */
export function clockOff(clock: string, now = Date.now()): number {
  const off = Math.round((Date.parse(clock) - now) / 1_000);
  return Math.abs(off) < WELL_ENOUGH_S ? 0 : Math.max(-MOST_OFF_S, Math.min(off, MOST_OFF_S));
}

/** A clock further off is off by as much: a device that was never set. */
const MOST_OFF_S = 2_000_000_000;

/** Notes that a device has taken a muster along, or has it anew. */
export async function noteTaken(
  database: Database,
  taken: {
    readonly deviceId: string;
    readonly musterId: string;
    readonly agent: string;
    readonly place: number;
  },
): Promise<void> {
  const now = new Date();
  await database('away_devices')
    .insert({
      device_id: taken.deviceId,
      muster_id: taken.musterId,
      agent: taken.agent.slice(0, 200),
      taken_at: now,
      heard_at: now,
      heard_place: taken.place,
    })
    .onConflict('device_id')
    .merge(['muster_id', 'agent', 'taken_at', 'heard_at', 'heard_place']);
}

/** Notes what a device says of itself, where it is one that took something along. */
export async function noteHeard(
  database: Database,
  deviceId: string,
  { clock, waits }: DeviceContact,
  place: number,
): Promise<void> {
  await database('away_devices')
    .where({ device_id: deviceId })
    .whereNull('ended_at')
    .update({
      heard_at: new Date(),
      heard_place: place,
      clock_off: clockOff(clock),
      waits: JSON.stringify(waits),
    });
}

/** Whether a lead fitter has ended a device. */
export async function isEnded(database: Database, deviceId: string): Promise<boolean> {
  const row = await database('away_devices')
    .where({ device_id: deviceId })
    .whereNotNull('ended_at')
    .first('device_id');
  return row !== undefined;
}

/** All of them, the one that was heard last first. */
export function listAway(database: Database): Promise<AwayRow[]> {
  return database<AwayRow>('away_devices')
    .orderBy('heard_at', 'desc')
    .limit(MOST_SHOWN)
    .then((rows) => [...rows]);
}

const MOST_SHOWN = 200;

/** Who has a pen that was made on a device. */
export async function fittersOn(
  database: Database,
  deviceIds: readonly string[],
): Promise<{ readonly deviceId: string; readonly id: string; readonly name: string }[]> {
  return database('pens')
    .join('fitters', 'fitters.id', 'pens.fitter_id')
    .whereIn('device_id', [...deviceIds])
    .distinct<{ deviceId: string; id: string; name: string }[]>({
      deviceId: 'device_id',
      id: 'fitters.id',
      name: 'fitters.name',
    });
}

/**
 * Ends a device that is lost: whoever is signed in there is so no more, and what it sends waits for a lead fitter. It
 * erases what it has once it hears of it.
 *
 * @returns whether there is one that was not ended yet
 */
export async function endDevice(database: Database, deviceId: string, by: string): Promise<boolean> {
  const work = async (transaction: Database): Promise<boolean> => {
    const ended = await transaction('away_devices')
      .where({ device_id: deviceId })
      .whereNull('ended_at')
      .update({ ended_at: new Date(), ended_by: by });
    if (ended === 0) return false;
    const sessions = await transaction('pens')
      .where({ device_id: deviceId })
      .distinct('session_id')
      .pluck<string[]>('session_id');
    await transaction('sessions').whereIn('id', sessions).delete();
    await endPens(transaction, { sessionIds: sessions });
    return true;
  };
  return noted(database, work, (ended) =>
    ended ? { by, kind: 'device-ended', detail: { device: deviceId } } : null,
  );
}

/** Notes that a device that was ended has erased what it had. */
export async function noteErased(database: Database, deviceId: string): Promise<void> {
  const work = (transaction: Database) =>
    transaction('away_devices')
      .where({ device_id: deviceId })
      .whereNotNull('ended_at')
      .whereNull('erased_at')
      .update({ erased_at: new Date() });
  await noted(database, work, (erased) =>
    erased > 0 ? { by: null, kind: 'device-erased', detail: { device: deviceId } } : null,
  );
}
