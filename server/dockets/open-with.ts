import { apply, type Act, type Docket, type Library } from '@neat-measure/core';
import type { Database } from '../database/database';
import { addActs } from './act-store';
import { shelfFor } from './find-library';
import { addDocket, keepRows } from './store';

/**
 * Opens a docket with everything that it begins with, in the transaction of what it is opened by. What cannot be asked
 * for is left out: a kit may name what has been retired since.
 *
 * @param acts the first of them opens it
 */
export async function openWith(transaction: Database, acts: readonly Act[]): Promise<Opened> {
  const library = await shelfFor(transaction, acts);
  return carryOn(transaction, null, library, acts);
}

/** A docket, what it speaks of, and what was kept on it. */
export interface Opened {
  readonly docket: Docket;
  readonly library: Library;
  readonly kept: readonly Act[];
}

/** Does more on a docket that is held, from what is known of it; what is refused is left out. */
export async function carryOn(
  transaction: Database,
  before: Docket | null,
  library: Library,
  acts: readonly Act[],
): Promise<Opened> {
  const kept: Act[] = [];
  let docket = before;
  for (const act of acts) {
    const applied = apply(docket, act, library);
    if (!applied.ok) continue;
    if (docket === null) await addDocket(transaction, applied.value.docket);
    kept.push(applied.value.act);
    if (docket !== null) await keepRows(transaction, docket, applied.value.act, applied.value.docket);
    docket = applied.value.docket;
  }
  if (docket === null) throw new Error('a docket is opened by its opening');
  if (kept.length > 0) await addActs(transaction, kept);
  return { docket, library, kept };
}
