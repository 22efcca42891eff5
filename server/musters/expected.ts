import type { Act } from '@neat-measure/core';
import type { Database } from '../database/database';
import { isDuplicate, isUnknownReference, tryAgain } from '../database/trouble';
import type { Signing } from '../session/service';
import { openedHere } from './dockets-here';
import type { Standings } from './standing';

/**
 * Opens the docket of somebody on a muster that nobody has opened yet, as something was done on it where the server was
 * away: on the device it stood open already. Whether there is such a docket.
 */
export async function openExpected(
  database: Database,
  standings: Standings,
  { fitter }: Pick<Signing, 'fitter'>,
  { docketId, at }: Pick<Act, 'docketId' | 'at'>,
): Promise<boolean> {
  const ids = await database('acts')
    .where({ kind: 'people-added' })
    .where('body', 'like', `%${docketId}%`)
    .distinct('muster_id')
    .pluck<string[]>('muster_id');
  for (const id of ids) {
    const standing = await standings.read(database, id);
    const person = standing?.muster.people.find((one) => one.docketId === docketId);
    // Who was taken off it again is expected no more.
    if (standing === undefined || person === undefined) continue;
    const by = { id: fitter.id, name: fitter.name };
    try {
      await tryAgain(() =>
        database.transaction((transaction) => openedHere(transaction, standing.muster, person, { by, at })),
      );
      return true;
    } catch (error) {
      // Another was faster.
      if (isDuplicate(error)) return true;
      // Erased since.
      if (!isUnknownReference(error)) throw error;
    }
  }
  return false;
}
