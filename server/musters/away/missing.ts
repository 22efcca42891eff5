import { deviceContactSchema, type Missing } from '@neat-measure/contract';
import type { Database } from '../../database/database';
import { readJson } from '../../database/read-json';
import type { AwayRow } from '../../session/away-devices';
import type { Standings } from '../standing';

/** What opens a docket says nothing of whether anybody came to it. */
const OPENING: readonly string[] = ['docket-opened', 'garment-asked', 'protocol-asked'];

/**
 * What was done, or begun, on a device that is away, and has not come: what it said itself that waits there, and the dockets
 * of whoever stood at a station of its fitters, where nothing of theirs has come.
 *
 * @param fitters who has signed in on it
 */
export async function missingFrom(
  database: Database,
  standings: Standings,
  device: AwayRow,
  fitters: readonly string[],
): Promise<Missing[]> {
  const waits = readJson(deviceContactSchema.shape.waits, parsed(device.waits), `device ${device.device_id}`);
  const said = new Map(waits.map(({ subject, acts }) => [subject, acts]));
  const came = await countActs(database, [...said.keys()], fitters, device.heard_place);
  const missing = new Map<string, Pick<Missing, 'station' | 'changes'>>();
  for (const [docketId, acts] of said) {
    const open = acts - (came.get(docketId) ?? 0);
    if (open > 0) missing.set(docketId, { station: null, changes: open });
  }
  for (const { docketId, station } of await stays(database, standings, device, fitters))
    if (!missing.has(docketId)) missing.set(docketId, { station, changes: null });
  return named(database, standings, device.muster_id, missing);
}

function parsed(kept: unknown): unknown {
  return typeof kept === 'string' ? JSON.parse(kept) : kept;
}

/** Whoever stood at a station of the fitters, where nothing of theirs has come. */
async function stays(
  database: Database,
  standings: Standings,
  { muster_id, taken_at }: AwayRow,
  fitters: readonly string[],
): Promise<{ readonly docketId: string; readonly station: string }[]> {
  const standing = muster_id === null ? undefined : await standings.read(database, muster_id);
  if (standing === undefined) return [];
  const theirs = new Map(
    standing.muster.stations
      .filter(({ fitter }) => fitter !== null && fitters.includes(fitter.id))
      .map(({ id, name }) => [id, name]),
  );
  const stood = standing.muster.people.flatMap(({ docketId, day }) => {
    const here =
      day.standing.is === 'at' ? [{ stationId: day.standing.stationId, from: day.standing.since }] : [];
    const last = [...day.visits, ...here].filter(
      ({ stationId, from }) => theirs.has(stationId) && Date.parse(from) >= taken_at.getTime() - CLOCKS_MS,
    );
    return last.length === 0 ? [] : [{ docketId, station: theirs.get(last.at(-1)!.stationId)! }];
  });
  const ids = stood.map(({ docketId }) => docketId);
  const did = await countActs(database, ids, fitters, 0);
  return stood.filter(({ docketId }) => !did.has(docketId));
}

/** Clocks of a hall may differ by as much. */
const CLOCKS_MS = 120_000;

/** How much some people did on some dockets behind a place. */
async function countActs(
  database: Database,
  docketIds: readonly string[],
  fitters: readonly string[],
  place: number,
): Promise<ReadonlyMap<string, number>> {
  const rows = await database('acts')
    .whereIn('docket_id', [...docketIds])
    .whereIn('fitter_id', [...fitters])
    .whereNotIn('kind', [...OPENING])
    .where('place', '>', place)
    .groupBy('docket_id')
    .select<{ docket_id: string; n: number | string }[]>('docket_id', database.raw('count(*) as n'));
  return new Map(rows.map(({ docket_id, n }) => [docket_id, Number(n)]));
}

/** Whose dockets they are; what is not on a docket nobody needs to look for. */
async function named(
  database: Database,
  standings: Standings,
  musterId: string | null,
  missing: ReadonlyMap<string, Pick<Missing, 'station' | 'changes'>>,
): Promise<Missing[]> {
  const ids = [...missing.keys()];
  const dockets = await database('dockets')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .whereIn('dockets.id', ids)
    .select<{ id: string; number: number; name: string }[]>('dockets.id', 'number', 'name');
  const people = musterId === null ? [] : ((await standings.read(database, musterId))?.muster.people ?? []);
  const unopened = people.filter(
    ({ docketId }) => missing.has(docketId) && dockets.every(({ id }) => id !== docketId),
  );
  const wearers = await database('wearers')
    .whereIn(
      'id',
      unopened.map(({ wearerId }) => wearerId),
    )
    .select<{ id: string; name: string }[]>('id', 'name');
  return ids.flatMap((docketId): Missing[] => {
    const one = missing.get(docketId)!;
    const docket = dockets.find(({ id }) => id === docketId);
    if (docket !== undefined) return [{ docketId, number: docket.number, wearer: docket.name, ...one }];
    const person = unopened.find((other) => other.docketId === docketId);
    const wearer = wearers.find(({ id }) => id === person?.wearerId);
    return wearer === undefined ? [] : [{ docketId, number: null, wearer: wearer.name, ...one }];
  });
}
