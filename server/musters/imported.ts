import type { PeopleImport } from '@neat-measure/contract/musters';
import type { Database } from '../database/database';
import { addingActs } from '../dockets/act-store';

/** So many rows go into one statement. */
const AT_ONCE = 1_000;

/** Notes who came by an import, so that undoing it takes them out again. */
export async function noteImported(
  transaction: Database,
  actId: string,
  rows: PeopleImport['rows'],
): Promise<void> {
  const added = rows.filter(({ isNew }) => isNew);
  for (let from = 0; from < added.length; from += AT_ONCE)
    await transaction('wearers_imported').insert(
      added.slice(from, from + AT_ONCE).map(({ wearerId }) => ({ wearer_id: wearerId, act_id: actId })),
    );
}

/**
 * Takes out the wearers who came by an import that is undone, as far as they have nothing else: no docket, no other
 * muster, and nobody has edited them since.
 *
 * @param off those who are taken off the list by it
 */
export async function removeImported(
  transaction: Database,
  actId: string,
  off: readonly string[],
): Promise<void> {
  const came = await transaction('wearers_imported')
    .join('wearers', 'wearers.id', 'wearers_imported.wearer_id')
    .leftJoin('dockets', 'dockets.wearer_id', 'wearers.id')
    .where({ act_id: actId, 'wearers.version': 1 })
    .whereNull('dockets.id')
    .pluck<string[]>('wearers.id');
  if (came.length === 0) return;
  const elsewhere = new Set(
    (await addingActs(transaction, actId)).flatMap(({ people }) => people.map(({ wearerId }) => wearerId)),
  );
  const taken = new Set(off);
  const going = came.filter((id) => taken.has(id) && !elsewhere.has(id));
  for (let from = 0; from < going.length; from += AT_ONCE)
    await transaction('wearers')
      .whereIn('id', going.slice(from, from + AT_ONCE))
      .delete();
}
