import type { Knex } from 'knex';

/** What is reserved for a docket is called so where it is kept, too: its table, and the compartment of what has moved. */
export async function up(database: Knex): Promise<void> {
  if (await database.schema.hasTable('put_by')) await database.schema.renameTable('put_by', 'reservations');
  for (const place of ['from_place', 'to_place'])
    await database('stock_movements')
      .where(place, 'like', '%/put-by')
      .update({ [place]: database.raw(`replace(${place}, '/put-by', '/reserved')`) });
}
