import type { Knex } from 'knex';

/** What tapes send, each line once, and the tape a reading came from. */
export async function up(database: Knex): Promise<void> {
  await database.raw(`create table if not exists device_lines (
    place bigint unsigned not null auto_increment primary key,
    device varchar(40) character set ascii collate ascii_bin not null,
    seq int unsigned not null,
    line json not null,
    received_at datetime(3) not null,
    unique (device, seq),
    index (device, place)
  ) engine=InnoDB character set utf8mb4`);
  await database.raw(
    'alter table readings add column if not exists device varchar(40) character set ascii collate ascii_bin null',
  );
}
