import type { Knex } from 'knex';

/** When a reading was first taken, for one that was carried over from an earlier docket. */
export async function up(database: Knex): Promise<void> {
  await database.raw('alter table readings add column if not exists carried_from datetime(3) null');
}
