import type { Knex } from 'knex';

/** The lengths that a wearer wished for on the page of their link, kept with what they measured. */
export async function up(database: Knex): Promise<void> {
  await database.raw('alter table self_links add column if not exists wished json null');
}
