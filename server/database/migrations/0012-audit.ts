import type { Knex } from 'knex';
import { ASCII, table } from './table';

/**
 * What happened, by whom, and to whom: rows that are only ever added, sealed in runs by a chain of
 * hashes. What is done on dockets is noted by the database itself, with a hash
 * of what was kept.
 */
export async function up(database: Knex): Promise<void> {
  await table(database, 'audit', [
    'place bigint unsigned not null auto_increment primary key',
    'at datetime(3) not null default current_timestamp(3)',
    `by_id char(36) ${ASCII} null`,
    `kind varchar(24) ${ASCII} not null`,
    `about_kind varchar(12) ${ASCII} null`,
    `about varchar(40) ${ASCII} null`,
    `wearer_id char(36) ${ASCII} null`,
    'detail longtext null',
    'index (by_id, place)',
    'index (kind, place)',
    'index (about, place)',
    'index (wearer_id, place)',
  ]);
  // One a reading: so it has no other order than that in which it came.
  await table(database, 'acts_noted', [
    'place bigint unsigned not null auto_increment primary key',
    'at datetime(3) not null default current_timestamp(3)',
    `act_id char(36) ${ASCII} not null`,
    `docket_id char(36) ${ASCII} not null`,
    `by_id char(36) ${ASCII} not null`,
    `sha256 char(64) ${ASCII} not null`,
  ]);
  await table(database, 'audit_seals', [
    `list varchar(12) ${ASCII} not null`,
    'place bigint unsigned not null',
    'hash char(64) character set ascii collate ascii_bin not null',
    'made_at datetime(3) not null default current_timestamp(3)',
    'primary key (list, place)',
  ]);
  // What is told of a wearer beside is written in a key of their own: without it nobody can read it.
  await table(database, 'wearer_keys', [
    `wearer_id char(36) ${ASCII} not null primary key`,
    `secret char(44) ${ASCII} not null`,
  ]);
  // Values of whoever was erased, where the house keeps them: nothing says whose they were, or when.
  await table(database, 'bodies_without_names', [
    `id char(36) ${ASCII} not null primary key`,
    'body json not null',
  ]);
  await noteActs(database);
}

/** Lets the database itself note every act as it is kept. */
async function noteActs(database: Knex): Promise<void> {
  await database.raw(`create or replace trigger acts_are_noted after insert on acts for each row
    insert into acts_noted (act_id, docket_id, by_id, sha256)
    values (new.id, new.docket_id, new.fitter_id, sha2(new.body, 256))`);
}
