import type { Knex } from 'knex';

/** Links for measuring oneself: one wearer, one use, and what came back. */
export async function up(database: Knex): Promise<void> {
  const id = 'char(36) character set ascii collate ascii_bin';
  await database.raw(`create table if not exists self_links (
    id ${id} not null primary key,
    token_hash char(64) character set ascii collate ascii_bin not null unique,
    docket_id ${id} not null references dockets (id),
    fitter_id ${id} not null references fitters (id),
    expires_at datetime(3) not null,
    submission_id ${id} null,
    submitted_at datetime(3) null,
    measured json null
  ) engine=InnoDB character set utf8mb4`);
}
