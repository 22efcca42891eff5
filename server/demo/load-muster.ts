import { replay, type MusterAct, type MusterDoing } from '@neat-measure/core';
import { missingParts, TAPE_PARTS, type Part } from '@neat-measure/core/muster';
import { dayOf } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import { findAccount } from '../accounts/store';
import type { Database } from '../database/database';
import { actsByDocket } from '../dockets/act-store';
import { shelfFor } from '../dockets/find-library';
import type { Standing } from '../musters/standing';
import { keepOn } from '../musters/take';

const STATIONS: readonly (readonly [string, readonly Part[]])[] = [
  ['Girths 1', ['girths', 'lengths']],
  ['Girths 2', ['girths', 'lengths']],
  ['Feet, hands, heads', ['head', 'hands', 'feet']],
  ['Trying on', ['deciding', 'trying']],
  ['Handing over', ['handing']],
];
const MINUTE_MS = 60_000;
/** So long ago the first came. */
const BEGAN_MINUTES = 70;

interface Invited {
  readonly wearerId: string;
  readonly docketId: string;
  /** `null` of whom no docket is open: they are still to come. */
  readonly missing: readonly Part[] | null;
}

/**
 * A muster for today that can be gone on with. Those who have come have the dockets of the season, with what is missing
 * on them; those who are expected have none yet, so that nothing else of the demo changes.
 *
 * @param signIns of the fitters, the first for who opens it
 */
export async function loadMuster(database: Database, signIns: readonly string[]): Promise<void> {
  const [odalys, tiernan, brisa] = await Promise.all(
    signIns.slice(0, 3).map(async (signIn) => (await findAccount(database, signIn))!),
  );
  const musterId = uuidv7();
  const begin = Date.now() - BEGAN_MINUTES * MINUTE_MS;
  let standing: Standing | undefined;
  const does = async (minute: number, doing: MusterDoing, by = odalys!): Promise<void> => {
    const at = new Date(begin + minute * MINUTE_MS).toISOString();
    const act: MusterAct = { id: uuidv7(), musterId, at, by: { id: by.id, name: by.name }, ...doing };
    ({ standing } = await keepOn(database, standing, act));
  };

  const today = dayOf(new Date());
  await does(-60, {
    kind: 'muster-opened',
    name: 'Winter issue',
    place: 'Boathouse hall',
    day: today,
    lastDay: today,
    unit: 'cm',
  });
  const stations = STATIONS.map(([name, parts]) => ({ stationId: uuidv7(), name, parts: [...parts] }));
  for (const station of stations) await does(-59, { kind: 'station-opened', ...station });
  const invited = await invite(database);
  await does(-50, {
    kind: 'people-added',
    people: invited.map(({ wearerId, docketId }) => ({ wearerId, docketId, groupId: null, kitId: null })),
  });
  const [girths, , , trying, handing] = stations.map(({ stationId }) => stationId);
  await does(0, { kind: 'station-taken', stationId: girths!, works: true });
  await does(0, { kind: 'station-taken', stationId: trying!, works: true }, tiernan);
  await does(0, { kind: 'station-taken', stationId: handing!, works: true }, brisa);

  const come = invited.filter(({ missing }) => missing !== null);
  const done = come.filter(({ missing }) => missing!.length === 0).slice(0, 14);
  const toMeasure = come
    .filter(({ missing }) => missing!.some((part) => TAPE_PARTS.includes(part)))
    .slice(0, 7);
  const toTry = come.filter(({ missing }) => missing![0] === 'trying').slice(0, 5);
  for (const [at, { wearerId }] of done.entries()) {
    const minute = at * 4.5;
    await does(minute, { kind: 'checked-in', wearerId, missing: null });
    await does(minute + 1, { kind: 'called', wearerId, stationId: handing! }, brisa);
    await does(minute + 4, { kind: 'finished', wearerId, stationId: handing!, missing: null }, brisa);
  }
  for (const [at, { wearerId }] of [...toMeasure, ...toTry].entries())
    await does(BEGAN_MINUTES - 16 + at, { kind: 'checked-in', wearerId, missing: null });
  const [tries] = toTry;
  if (tries !== undefined)
    await does(BEGAN_MINUTES - 3, { kind: 'called', wearerId: tries.wearerId, stationId: trying! }, tiernan);
}

/** Every wearer with their latest docket and what is missing on it, or with none yet. */
async function invite(database: Database): Promise<readonly Invited[]> {
  const wearers = await database('wearers').orderBy('name').select<{ id: string }[]>('id');
  const dockets = await database('dockets')
    .orderBy('number')
    .select<{ id: string; wearer_id: string }[]>('id', 'wearer_id');
  const latest = new Map(dockets.map(({ id, wearer_id }) => [wearer_id, id]));
  const acts = await actsByDocket(database, [...latest.values()]);
  const invited: Invited[] = [];
  for (const { id: wearerId } of wearers) {
    const docketId = latest.get(wearerId);
    if (docketId === undefined) {
      invited.push({ wearerId, docketId: uuidv7(), missing: null });
      continue;
    }
    const own = acts.get(docketId)!;
    invited.push({ wearerId, docketId, missing: missingParts(replay(own)!, await shelfFor(database, own)) });
  }
  return invited;
}
