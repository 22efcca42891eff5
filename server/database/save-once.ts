import type { Database } from './database';

function hasCode(error: unknown, ...codes: readonly string[]): boolean {
  return error instanceof Error && 'code' in error && codes.includes(String(error.code));
}

/** Whether a database error says that a unique key is taken. */
export function isDuplicate(error: unknown): boolean {
  return hasCode(error, 'ER_DUP_ENTRY');
}

/** Whether a database error says that a row names another which is not there. */
export function isUnknownReference(error: unknown): boolean {
  return hasCode(error, 'ER_NO_REFERENCED_ROW', 'ER_NO_REFERENCED_ROW_2');
}

const MOST_TRIES = 6;

/** Does something again that only met others on its way: a deadlock, or a lock that was held too long. */
export async function tryAgain<Value>(work: () => Promise<Value>): Promise<Value> {
  for (let tried = 1; ; tried++) {
    try {
      return await work();
    } catch (error) {
      if (!hasCode(error, 'ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT') || tried === MOST_TRIES) throw error;
      await new Promise((resolve) => setTimeout(resolve, Math.random() * 20 * tried));
    }
  }
}

/** What became of a row that is kept for good. */
export type SavedOnce =
  | 'saved'
  /** The same row stands there already. */
  | 'repeated'
  /** Something else stands under the id. */
  | 'differs';

/**
 * Adds a row that is never changed afterwards. The same row sent again changes nothing.
 *
 * @param row column by column; `id` among them
 * @param compared the columns that make it the same row
 */
export async function saveOnce(
  database: Database,
  table: string,
  row: Record<string, unknown> & { id: string },
  compared: readonly string[],
): Promise<SavedOnce> {
  try {
    await database(table).insert(row);
    return 'saved';
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const kept = await database(table).where({ id: row.id }).first<Record<string, unknown>>();
    if (kept === undefined) throw error;
    return compared.every((column) => asText(kept[column]) === asText(row[column])) ? 'repeated' : 'differs';
  }
}

/** Database drivers give dates and JSON in their own types; both sides are brought to text. */
export function asText(value: unknown): string {
  if (value instanceof Date) return value.toISOString();
  return typeof value === 'string' ? value : (JSON.stringify(value) ?? 'null');
}
