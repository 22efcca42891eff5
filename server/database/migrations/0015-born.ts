import type { Knex } from 'knex';

/** Year and month of birth, where the house is told it: those who still grow are measured again sooner. */
export async function up(database: Knex): Promise<void> {
  await database.raw('alter table wearers add column if not exists born char(7) null');
}
