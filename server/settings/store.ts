import { houseSettingsSchema, type Settings, type SettingsSave } from '@neat-measure/contract';
import { habitsSchema, type Habits } from '@neat-measure/core';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';
import { asText } from '../database/save-once';
import type { SavedVersion } from '../database/save-versioned';

/** There is one house. */
const HOUSE = 1;

interface SettingsRow {
  readonly body: unknown;
  readonly version: number;
}

/** The settings of the house; what was never settled is as it comes. */
export async function findSettings(database: Database): Promise<Settings> {
  const row = await database('settings').where({ id: HOUSE }).first<SettingsRow | undefined>();
  return {
    ...readJson(houseSettingsSchema, row?.body ?? {}, 'settings'),
    version: row?.version ?? 0,
  };
}

/**
 * Lets one transaction at a time go past here, until it ends: of two that would do the same at once, the second sees what
 * the first has done. The row of settings is there once, and whoever has it goes before.
 */
export async function aloneInHouse(transaction: Database): Promise<void> {
  await transaction('settings')
    .insert({ id: HOUSE, body: '{}', version: 0 })
    .onConflict('id')
    .merge({ id: HOUSE });
  await transaction('settings').where({ id: HOUSE }).forUpdate().first('id');
}

/** Changes the settings, if they still are what the change started from. */
export async function saveSettings(
  database: Database,
  { version, ...save }: SettingsSave,
): Promise<SavedVersion> {
  const before = await findSettings(database);
  // Whoever saved first has counted; the count that a repeated save would make is the one that stands.
  const body = { ...save, habits: counted(save.habits, before.habits) };
  // Whoever comes second waits for the row itself: two that only looked at it would lock each other out.
  await database('settings')
    .insert({ id: HOUSE, body: '{}', version: 0 })
    .onConflict('id')
    .merge({ id: HOUSE });
  const changed = await database('settings')
    .where({ id: HOUSE, version })
    .update({ body: JSON.stringify(body), version: version + 1 });
  if (changed > 0) return 'saved';
  const { version: standing, ...kept } = await findSettings(database);
  return standing === version + 1 && asText(kept) === asText(body) ? 'repeated' : 'changed';
}

/** Habits with the version that the server gives them: a new one for what is new. */
function counted(habits: Habits, { version, ...before }: Habits): Habits {
  const after = habitsSchema.parse({ ...habits, version });
  return asText(habitsSchema.parse({ ...before, version })) === asText(after)
    ? after
    : { ...after, version: version + 1 };
}
