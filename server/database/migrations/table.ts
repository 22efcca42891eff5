import type { Knex } from 'knex';

/** How ids and codes are kept: they compare byte by byte, where names sort as people expect. */
export const ASCII = 'character set ascii collate ascii_bin';

/**
 * Makes a table in one statement, unless it stands already: a change of a table ends any
 * transaction, so that a migration killed half-way is carried out again from its beginning.
 */
export async function table(database: Knex, name: string, columns: readonly string[]): Promise<void> {
  await database.raw(
    `create table if not exists ${name} (${columns.join(', ')}) engine=InnoDB character set utf8mb4 collate utf8mb4_unicode_ci`,
  );
}
