import { isOnDocket, type Kit, type KeptAct } from '@neat-measure/contract';
import type { PackedPerson } from '@neat-measure/contract/musters';
import { kindOf, recordOf, standingTaken, type Library } from '@neat-measure/core';
import { kitFor, type Muster } from '@neat-measure/core/muster';
import { actsBehind } from '../../dockets/act-store';
import type { Database } from '../../database/database';
import { selfRecordedOn, selfWishedOn } from '../../links/store';
import { toldOf, toldRecordedOf } from '../../links/told';
import { findWearers } from '../../wearers/store';

/** Everything the record of somebody is found on. */
export type PackLibrary = Pick<Library, 'charts' | 'habits'>;

interface DocketRow {
  readonly id: string;
  readonly number: number;
  readonly wearer_id: string;
}

/**
 * The wearers of a muster with their dockets, as far as somebody has opened them. Who has been erased is left out.
 *
 * @param people some hundred of them at the most: what is asked of the database is asked for all at once
 * @param kits by which dockets are opened that nobody has opened yet
 * @param libraryOf what a docket is judged by that asks for some charts
 */
export async function packPeople(
  database: Database,
  muster: Muster,
  people: Muster['people'],
  kits: readonly Kit[],
  libraryOf: (charts: readonly string[]) => Promise<PackLibrary>,
): Promise<PackedPerson[]> {
  const wearers = await findWearers(
    database,
    people.map(({ wearerId }) => wearerId),
  );
  const ids = [...wearers.keys()];
  const dockets = await database<DocketRow>('dockets')
    .whereIn('wearer_id', ids)
    .orderBy('number')
    .select('id', 'number', 'wearer_id');
  const docketIds = dockets.map(({ id }) => id);
  const [acts, sent, wished, told, toldHere] = await Promise.all([
    keptByDocket(database, docketIds),
    selfRecordedOn(database, docketIds),
    selfWishedOn(database, docketIds),
    toldRecordedOf(database, ids),
    toldOf(database, muster.id, ids),
  ]);
  const packed: PackedPerson[] = [];
  for (const { wearerId, docketId, kitId } of people) {
    const wearer = wearers.get(wearerId);
    if (wearer === undefined) continue;
    const own = acts.get(docketId) ?? [];
    const earlier = dockets.filter((one) => one.wearer_id === wearerId && one.id !== docketId);
    const charts =
      own.length > 0
        ? own.flatMap(({ act }) => kindOf(act).needs(act).charts)
        : (kitFor(kits, kitId, wearer.role)?.garments.map(({ chartId }) => chartId) ?? []);
    const taken = earlier.flatMap(({ id }) => standingTaken((acts.get(id) ?? []).map(({ act }) => act)));
    packed.push({
      ...{ wearer, docketId, acts: own, told: [...(toldHere.get(wearerId)?.sizes ?? [])] },
      number: dockets.find(({ id }) => id === docketId)?.number ?? null,
      wished: wished.get(docketId) ?? [],
      others: earlier.map(({ id, number }) => ({ id, number, acts: acts.get(id) ?? [] })),
      // What somebody measured of themselves counts before what a list says of them.
      record: recordOf(
        taken,
        [...(told.get(wearerId) ?? []), ...(sent.get(docketId) ?? [])],
        await libraryOf(charts),
        Date.now(),
        wearer.born,
      ),
    });
  }
  return packed;
}

async function keptByDocket(
  database: Database,
  docketIds: readonly string[],
): Promise<ReadonlyMap<string, KeptAct[]>> {
  const byDocket = new Map<string, KeptAct[]>();
  if (docketIds.length === 0) return byDocket;
  for (const kept of (await actsBehind(database, docketIds, 0)).filter(isOnDocket)) {
    const own = byDocket.get(kept.act.docketId) ?? [];
    own.push(kept);
    byDocket.set(kept.act.docketId, own);
  }
  return byDocket;
}
