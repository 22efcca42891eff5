import type { Knex } from 'knex';

/** Versions of charts, decisions on garments of several parts, and overrides of a docket's garments. */
export async function up(database: Knex): Promise<void> {
  const ascii = 'character set ascii collate ascii_bin';
  await database.raw(`alter table charts
    add column if not exists series_id char(36) ${ascii} null,
    add column if not exists version int unsigned not null default 1,
    add column if not exists kind varchar(20) ${ascii} not null default 'other'`);
  await database.raw('update charts set series_id = id where series_id is null');
  await database.raw(`alter table charts
    modify series_id char(36) ${ascii} not null,
    add unique key if not exists charts_version (series_id, version)`);
  await database.raw(`alter table decisions
    modify outcome varchar(20) ${ascii} not null,
    modify size varchar(120) null,
    add column if not exists sizes json null`);
  await database.raw(`alter table docket_garments
    add column if not exists rule varchar(20) ${ascii} null,
    add column if not exists preference varchar(12) ${ascii} null`);
}
