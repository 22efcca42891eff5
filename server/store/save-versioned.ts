import { ProblemError, notFound } from '../problem-error';
import type { Database } from './database';
import { asText, isDuplicate } from './save-once';

/** A row that people edit, and the version their edit started from; 0 adds it. */
export interface VersionedSave {
  readonly table: string;
  readonly id: string;
  readonly version: number;
  readonly columns: Readonly<Record<string, unknown>>;
  /** The columns that tell whether a save that comes late is the same save sent again. */
  readonly compared: readonly string[];
}

/**
 * Adds or edits a row with optimistic concurrency: an edit counts only if the row still has
 * the version it started from. The same save sent again changes nothing.
 *
 * @returns whether this call changed the row
 * @throws ProblemError `changed-meanwhile` when the row has moved on, `not-found` when an
 *   edit names no row
 */
export async function saveVersioned(database: Database, save: VersionedSave): Promise<'saved' | 'repeated'> {
  const { table, id, version, columns } = save;
  if (version === 0) {
    try {
      await database(table).insert({ id, ...columns, version: 1 });
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      await acceptRepeat(database, save);
      return 'repeated';
    }
    return 'saved';
  }
  const changed = await database(table)
    .where({ id, version })
    .update({ ...columns, version: version + 1 });
  if (changed > 0) return 'saved';
  await acceptRepeat(database, save);
  return 'repeated';
}

async function acceptRepeat(
  database: Database,
  { table, id, version, columns, compared }: VersionedSave,
): Promise<void> {
  const row = await database(table).where({ id }).first<Record<string, unknown>>();
  if (row === undefined) throw notFound('record');
  const same =
    row['version'] === version + 1 &&
    compared.every((column) => asText(row[column]) === asText(columns[column]));
  if (!same) throw changedMeanwhile();
}

/** The problem of an edit that started from a version which is no longer the latest. */
export function changedMeanwhile(): ProblemError {
  return new ProblemError(
    'changed-meanwhile',
    'Somebody else changed this in the meantime. Look at the change, then save yours again.',
  );
}
