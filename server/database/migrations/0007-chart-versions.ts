import type { Knex } from 'knex';

/** Versions of charts, decisions on garments of several parts, and overrides of a docket's garments. */
export async function up(database: Knex): Promise<void> {
  const ascii = 'character set ascii collate ascii_bin';
  await database.raw(`alter table charts
    add column series_id char(36) ${ascii} null,
    add column version int unsigned not null default 1,
    add column kind varchar(20) ${ascii} not null default 'other'`);
  await database.raw('update charts set series_id = id');
  await database.raw(`alter table charts
    modify series_id char(36) ${ascii} not null,
    add unique key charts_version (series_id, version)`);
  await database.raw(`alter table decisions
    modify outcome varchar(20) ${ascii} not null,
    modify size varchar(120) null,
    add column sizes json null`);
  await database.raw(`alter table docket_garments
    add column rule varchar(20) ${ascii} null,
    add column preference varchar(12) ${ascii} null`);
}
