import type { Database } from './database';
import { tryAgain } from './trouble';

/**
 * Does all of something or nothing, and again where it only met others on its way. Within a transaction
 * that stands already, that one is done again by whoever began it.
 */
export function allOrNothing<Value>(
  database: Database,
  work: (transaction: Database) => Promise<Value>,
): Promise<Value> {
  const once = () => database.transaction(work);
  return database.isTransaction === true ? once() : tryAgain(once);
}
