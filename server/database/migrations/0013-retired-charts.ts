import type { Knex } from 'knex';

/** A chart that is no longer on the shelf: what was sized by it stays explained by it. */
export async function up(database: Knex): Promise<void> {
  await database.raw('alter table charts add column if not exists retired_at datetime(3) null');
}
