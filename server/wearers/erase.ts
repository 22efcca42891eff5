import { latestOfBody, standingTaken } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { forgetKey, note } from '../audit/store';
import type { Database } from '../database/database';
import { tryAgain } from '../database/trouble';
import { actsByDocket } from '../dockets/act-store';
import { forgetLate } from '../dockets/late/store';
import { docketsOf, removeDockets } from '../dockets/store';
import { notFound } from '../http/problem-error';
import { removeLinks } from '../links/store';
import { findSettings } from '../settings/store';
import { forgetHiresOf } from '../stores/hire/forget';
import { keepBody, removeWearer } from './store';

/**
 * Erases a wearer: their name, their dockets with all that was done on them, their links, and what was
 * noted of them, whose key is thrown away. That they were erased, when and by whom stays.
 *
 * @param by whoever did it; `null` for the house's own retention
 * @param keepBody whether their latest values stay without a name, for maps and coverage
 * @throws ProblemError `not-found`
 */
export async function eraseWearer(
  database: Database,
  id: string,
  by: string | null,
  { keepBody: keep }: { readonly keepBody: boolean },
): Promise<void> {
  // Somebody may be doing something on one of the dockets just then.
  await tryAgain(() => erase(database, id, by, keep));
}

async function erase(database: Database, id: string, by: string | null, keep: boolean): Promise<void> {
  await database.transaction(async (transaction) => {
    const dockets = (await docketsOf(transaction, id)).map((one) => one.id);
    if (keep) {
      const acts = await actsByDocket(transaction, dockets);
      const taken = dockets.flatMap((docket) => standingTaken(acts.get(docket)!));
      const { habits } = await findSettings(transaction);
      const values = latestOfBody(taken, habits);
      if (values.size > 0) await keepBody(transaction, uuidv7(), Object.fromEntries(values));
    }
    await removeLinks(transaction, dockets);
    await forgetLate(transaction, id, dockets);
    await forgetHiresOf(transaction, dockets);
    await removeDockets(transaction, dockets);
    if (!(await removeWearer(transaction, id))) throw notFound('person');
    await forgetKey(transaction, id);
    await note(transaction, {
      by,
      kind: 'wearer-erased',
      about: { kind: 'wearer', id },
      detail: { docketIds: dockets, valuesKept: keep },
    });
  });
}
