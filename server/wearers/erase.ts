import { latestOfBody, standingTaken } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { forgetKey, note } from '../audit/store';
import type { Database } from '../database/database';
import { tryAgain } from '../database/trouble';
import { actsByDocket } from '../dockets/act-store';
import { forgetSized } from '../sizings/store';
import { forgetLate } from '../dockets/late/store';
import { docketsOf, removeDockets } from '../dockets/store';
import { notFound } from '../http/problem-error';
import { removeLinks } from '../links/store';
import { findSettings } from '../settings/store';
import { forgetHiresNamed, forgetHiresOf } from '../stores/hire/forget';
import { findWearer, keepBody, removeWearer } from './store';

/** How somebody is erased. */
export interface Erasure {
  /** Whether their latest values stay without a name, for maps and coverage. */
  readonly keepBody: boolean;
  /** Hires without a docket under their name that are theirs. */
  readonly hires?: readonly string[];
  /** Files in the outbox about them, which stay there: they are named in what is noted. */
  readonly outbox?: readonly string[];
}

/**
 * Erases a wearer: their name, their dockets with all that was done on them, their links, and what was
 * noted of them, whose key is thrown away. That they were erased, when and by whom stays.
 *
 * @param by whoever did it; `null` for the house's own retention
 * @throws ProblemError `not-found`
 */
export async function eraseWearer(
  database: Database,
  id: string,
  by: string | null,
  { keepBody: keep, hires = [], outbox = [] }: Erasure,
): Promise<void> {
  // Somebody may be doing something on one of the dockets just then.
  await tryAgain(() => erase(database, id, by, { keep, hires, outbox }));
}

async function erase(
  database: Database,
  id: string,
  by: string | null,
  { keep, hires, outbox }: { keep: boolean; hires: readonly string[]; outbox: readonly string[] },
): Promise<void> {
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
    await forgetSized(transaction, id);
    const wearer = await findWearer(transaction, id);
    if (wearer !== undefined && hires.length > 0) await forgetHiresNamed(transaction, wearer.name, hires);
    await removeDockets(transaction, dockets);
    if (!(await removeWearer(transaction, id))) throw notFound('person');
    await forgetKey(transaction, id);
    await note(transaction, {
      by,
      kind: 'wearer-erased',
      about: { kind: 'wearer', id },
      detail: { docketIds: dockets, valuesKept: keep, hires: hires.length, outbox },
    });
  });
}
