import type { Knex } from 'knex';

/** What lay between tape and body at a reading, and single measurements asked for on a docket. */
export async function up(database: Knex): Promise<void> {
  const ascii = 'character set ascii collate ascii_bin not null';
  await database.raw(
    `alter table readings add column if not exists clothing varchar(16) ${ascii} default 'close-fitting'`,
  );
  await database.raw(`create table if not exists docket_extras (
    docket_id char(36) ${ascii} references dockets (id),
    position int unsigned not null,
    code varchar(40) ${ascii},
    primary key (docket_id, position)
  ) engine=InnoDB character set utf8mb4`);
}
