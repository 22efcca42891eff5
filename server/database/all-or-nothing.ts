import type { Database } from './database';
import { tryAgain } from './trouble';

/**
 * How a transaction sees what others do: what they have done by the time it looks, and not by the time it
 * began. Whoever waited for a row that another had held must see what became of it, or counts what is gone.
 */
export const AS_IT_STANDS = { isolationLevel: 'read committed' } as const;

/**
 * Does all of something or nothing, and again where it only met others on its way. Within a transaction
 * that stands already, that one is done again by whoever began it.
 */
export function allOrNothing<Value>(
  database: Database,
  work: (transaction: Database) => Promise<Value>,
): Promise<Value> {
  return database.isTransaction === true
    ? database.transaction(work)
    : tryAgain(() => database.transaction(work, AS_IT_STANDS));
}
