import { createHash } from 'node:crypto';
import { allOrNothing } from '../../database/all-or-nothing';
import type { Database } from '../../database/database';
import { isDuplicate } from '../../database/trouble';
import { idTaken } from '../../http/problem-error';

/** Something that is saved in one go, by the id of whoever sent it. */
export interface Batch {
  readonly id: string;
  readonly what:
    | 'receipt'
    | 'import'
    | 'move'
    | 'count'
    | 'explained'
    | 'renamed'
    | 'delivery'
    | 'order'
    | 'closed'
    | 'reserved'
    | 'put-back';
  /** What was sent: the same id with something else is another thing. */
  readonly body: unknown;
  readonly by: string;
}

/**
 * Does something once, all of it or nothing: what was sent before under the same id is not done again.
 *
 * @throws ProblemError `id-taken` where something else stands under the id
 */
export async function once(
  database: Database,
  { id, what, body, by }: Batch,
  work: (transaction: Database) => Promise<unknown>,
): Promise<'done' | 'repeated'> {
  const sha256 = createHash('sha256')
    .update(JSON.stringify([what, body]))
    .digest('hex');
  try {
    await allOrNothing(database, async (transaction) => {
      await transaction('stock_batches').insert({ id, what, sha256, by_id: by, at: new Date() });
      await work(transaction);
    });
    return 'done';
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const kept = await database('stock_batches')
      .where({ id })
      .first<{ sha256: string } | undefined>('sha256');
    // Another row was a duplicate, and all of it was undone.
    if (kept === undefined) throw error;
    if (kept.sha256 !== sha256) throw idTaken();
    return 'repeated';
  }
}
