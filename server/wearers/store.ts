import {
  PAGE,
  wordsOf,
  type ListQuery,
  type Page,
  type Wearer,
  type WearerSave,
} from '@neat-measure/contract';
import type { Database } from '../database/database';
import { withWords } from '../database/like';
import { saveVersioned, type SavedVersion } from '../database/save-versioned';

interface WearerRow {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  readonly version: number;
  readonly updated_at: Date;
}

/** A part of the wearers that match a search, by name. */
export async function listWearers(database: Database, { search, from }: ListQuery): Promise<Page<Wearer>> {
  const matching = () => withWords(database<WearerRow>('wearers'), wordsOf(search), ['name', 'role']);
  const counted = await matching().count<{ n: number }[]>({ n: '*' });
  const rows = await matching().orderBy(['name', 'id']).offset(from).limit(PAGE);
  return { items: (rows as WearerRow[]).map(toWearer), total: Number(counted[0]!.n) };
}

/** One wearer. */
export async function findWearer(database: Database, id: string): Promise<Wearer | undefined> {
  const row = await database<WearerRow>('wearers').where({ id }).first();
  return row && toWearer(row);
}

/** Adds a wearer, or edits the version the save started from. */
export function saveWearer(
  database: Database,
  id: string,
  { name, role, version }: WearerSave,
): Promise<SavedVersion> {
  return saveVersioned(database, {
    table: 'wearers',
    id,
    version,
    columns: { name, role, updated_at: new Date() },
    compared: ['name', 'role'],
  });
}

function toWearer({ updated_at, ...row }: WearerRow): Wearer {
  return { ...row, updatedAt: updated_at.toISOString() };
}
