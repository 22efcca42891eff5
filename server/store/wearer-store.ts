import { type Wearer, type WearerSave } from '@neat-measure/contract';
import { ProblemError } from '../problem-error';
import type { Database } from './database';
import { saveVersioned } from './save-versioned';

interface WearerRow {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  readonly version: number;
  readonly updated_at: Date;
}

/** The most wearers a list gives. */
const LISTED = 1_000;

/** All wearers by name. */
export async function listWearers(database: Database): Promise<Wearer[]> {
  return (await database<WearerRow>('wearers').orderBy('name').limit(LISTED)).map(toWearer);
}

/** One wearer. */
export async function findWearer(database: Database, id: string): Promise<Wearer | undefined> {
  const row = await database<WearerRow>('wearers').where({ id }).first();
  return row && toWearer(row);
}

/**
 * Adds a wearer, or edits the version the save started from.
 *
 * @throws ProblemError `changed-meanwhile` when somebody else saved first
 */
export async function saveWearer(
  database: Database,
  id: string,
  { name, role, version }: WearerSave,
): Promise<Wearer> {
  await saveVersioned(database, {
    table: 'wearers',
    id,
    version,
    columns: { name, role, updated_at: new Date() },
    compared: ['name', 'role'],
  });
  const wearer = await findWearer(database, id);
  if (wearer === undefined)
    throw new ProblemError('unexpected', 'The wearer was saved and is gone. Save again.');
  return wearer;
}

function toWearer({ updated_at, ...row }: WearerRow): Wearer {
  return { ...row, updatedAt: updated_at.toISOString() };
}
