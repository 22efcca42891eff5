import type { Database } from './database';
import { ProblemError } from '../problem-error';

/** Whether a database error says that a unique key is taken. */
export function isDuplicate(error: unknown): boolean {
  return error instanceof Error && 'code' in error && error.code === 'ER_DUP_ENTRY';
}

/**
 * Adds a row that is never changed afterwards. The same row sent again changes nothing; a
 * different one under the same id is refused.
 *
 * @param row column by column; `id` among them
 * @param compared the columns that make it the same row
 * @throws ProblemError `id-taken`
 */
export async function saveOnce(
  database: Database,
  table: string,
  row: Record<string, unknown> & { id: string },
  compared: readonly string[],
): Promise<void> {
  try {
    await database(table).insert(row);
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const kept = await database(table).where({ id: row.id }).first<Record<string, unknown>>();
    if (kept === undefined) throw error;
    const differs = compared.filter((column) => asText(kept[column]) !== asText(row[column]));
    if (differs.length > 0)
      throw new ProblemError(
        'id-taken',
        'Something else was saved under this id. Reload the page and save again.',
      );
  }
}

/** Database drivers give dates and JSON in their own types; both sides are brought to text. */
export function asText(value: unknown): string {
  if (value instanceof Date) return value.toISOString();
  return typeof value === 'string' ? value : (JSON.stringify(value) ?? 'null');
}
