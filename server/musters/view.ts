import type { MusterView } from '@neat-measure/contract/musters';
import type { Muster } from '@neat-measure/core/muster';
import type { Database } from '../database/database';
import { listGroups } from './groups';
import type { Standings } from './standing';
import { mustersBeside, wearersOf } from './store';

/** A muster with the names of its wearers; nothing where there is none. */
export async function viewOf(
  database: Database,
  standings: Standings,
  id: string,
): Promise<MusterView | undefined> {
  const standing = await standings.read(database, id);
  if (standing === undefined) return undefined;
  standings.remember(id, standing);
  const { muster, place } = standing;
  return {
    // Lists that are sent may be changed by whoever gets them.
    muster: muster as unknown as MusterView['muster'],
    place,
    wearers: await wearersOf(
      database,
      muster.people.map(({ wearerId }) => wearerId),
    ),
    groups: await listGroups(database, [...new Set(muster.people.flatMap(({ groupId }) => groupId ?? []))]),
    alsoOn: await alsoOn(database, standings, muster),
  };
}

/** Who of a muster is on another open one of the same days. */
async function alsoOn(
  database: Database,
  standings: Standings,
  muster: Muster,
): Promise<MusterView['alsoOn']> {
  const own = new Set(muster.people.map(({ wearerId }) => wearerId));
  const found: MusterView['alsoOn'] = [];
  for (const id of await mustersBeside(database, muster)) {
    const other = await standings.read(database, id);
    if (other === undefined) continue;
    standings.remember(id, other);
    for (const { wearerId, day } of other.muster.people)
      if (own.has(wearerId) && day.standing.is !== 'gone')
        found.push({ wearerId, muster: other.muster.name });
  }
  return found;
}
