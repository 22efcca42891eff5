import type { Knex } from 'knex';

/** The shelf an article stands on, as the house calls it. */
export async function up(database: Knex): Promise<void> {
  await database.raw('alter table articles add column if not exists bin varchar(40) null');
}
