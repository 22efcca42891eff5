import type { Database } from './database';
import { isDuplicate } from './trouble';

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
