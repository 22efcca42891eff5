import type { Database } from './database';
import { asText } from './save-once';
import { isDuplicate } from './trouble';

/** A row that people edit, and the version their edit started from; 0 adds it. */
export interface VersionedSave {
  readonly table: string;
  readonly id: string;
  readonly version: number;
  readonly columns: Readonly<Record<string, unknown>>;
  /** The columns that tell whether a save that comes late is the same save sent again. */
  readonly compared: readonly string[];
}

/** What became of an edit. */
export type SavedVersion =
  | 'saved'
  /** The same save came before. */
  | 'repeated'
  /** The row has moved on since the version it started from. */
  | 'changed'
  /** There is no such row. */
  | 'missing';

/**
 * Adds or edits a row with optimistic concurrency: an edit counts only if the row still has
 * the version it started from. The same save sent again changes nothing.
 */
export async function saveVersioned(database: Database, save: VersionedSave): Promise<SavedVersion> {
  const { table, id, version, columns } = save;
  if (version === 0) {
    try {
      await database(table).insert({ id, ...columns, version: 1 });
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      return whatStands(database, save);
    }
    return 'saved';
  }
  const changed = await database(table)
    .where({ id, version })
    .update({ ...columns, version: version + 1 });
  return changed > 0 ? 'saved' : whatStands(database, save);
}

async function whatStands(
  database: Database,
  { table, id, version, columns, compared }: VersionedSave,
): Promise<SavedVersion> {
  const row = await database(table).where({ id }).first<Record<string, unknown>>();
  if (row === undefined) return 'missing';
  const same =
    row['version'] === version + 1 &&
    compared.every((column) => asText(row[column]) === asText(columns[column]));
  return same ? 'repeated' : 'changed';
}
