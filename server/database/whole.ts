import type { Knex } from 'knex';
import { missingTriggers } from './triggers';

/** The table that stands while a backup is put back: as long as it is there, the database is half of a house. */
export const UNFINISHED = 'restore_unfinished';

/**
 * Looks whether a database may be brought up to date: migrations would make of half a restore what looks like a house.
 *
 * @throws Error in words where a restore was broken off
 */
export async function refuseUnfinished(owner: Knex): Promise<void> {
  if (await owner.schema.hasTable(UNFINISHED))
    throw new Error(
      'A restore into this database was not finished, and what stands in it is not whole. Restore the backup again, into an empty database.',
    );
}

/**
 * Looks whether the database, once it is up to date, does what it must by itself.
 *
 * @throws Error in words where a trigger is missing: what is done would not be noted
 */
export async function wantTriggers(owner: Knex): Promise<void> {
  const missing = await missingTriggers(owner);
  if (missing.length > 0)
    throw new Error(
      `The database lacks ${missing.join(' and ')}: what is done there would not be noted. Restore a backup into an empty database.`,
    );
}
