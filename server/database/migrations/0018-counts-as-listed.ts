import type { Knex } from 'knex';

/**
 * What was listed when a count was sent is kept with it: what moves before the count is put right is no
 * difference of the count. A count from before has none, and is told against what is listed now.
 */
export async function up(database: Knex): Promise<void> {
  await database.raw(
    `alter table stock_counts
       add column if not exists told longtext null,
       add column if not exists begun_at datetime(3) null`,
  );
}
