import type { Knex } from 'knex';
import { ASCII, table } from './table';

/** What everybody is to the house, sessions one by one, wrong sign-ins, paired tapes, and settings. */
export async function up(database: Knex): Promise<void> {
  await database.raw(`alter table fitters
    add column if not exists role varchar(16) ${ASCII} not null default 'lead',
    add column if not exists active tinyint unsigned not null default 1,
    add column if not exists version int unsigned not null default 1,
    add column if not exists code_hash varchar(200) ${ASCII} null,
    add column if not exists code_until datetime(3) null,
    add column if not exists bench_hash varchar(200) ${ASCII} null,
    add column if not exists factor_secret varchar(64) ${ASCII} null,
    add column if not exists factor_on tinyint unsigned not null default 0,
    add column if not exists factor_step bigint unsigned null,
    add column if not exists preferences json null,
    modify passphrase_hash varchar(200) ${ASCII} null`);
  // Whoever was first there runs the house; ids grow with time.
  await database.raw(
    "update fitters set role = 'administrator' where id = (select * from (select min(id) from fitters) as first) and not exists (select * from (select id from fitters where role = 'administrator') as others)",
  );
  // Sessions begin anew: those of before have nothing by which to list or end them.
  await database.raw('drop table if exists sessions');
  await table(database, 'sessions', [
    `id char(36) ${ASCII} not null primary key`,
    `token_hash char(64) ${ASCII} not null unique`,
    `fitter_id char(36) ${ASCII} not null references fitters (id)`,
    `hand_id char(36) ${ASCII} null references fitters (id)`,
    'begun_at datetime(3) not null',
    'seen_at datetime(3) not null',
    'expires_at datetime(3) not null',
    'agent varchar(200) not null',
    `address varchar(64) ${ASCII} not null`,
    'index (fitter_id)',
    'index (expires_at)',
  ]);
  await table(database, 'sign_in_trials', [
    `who char(64) ${ASCII} not null primary key`,
    'failures int unsigned not null',
    'last_at datetime(3) not null',
  ]);
  await table(database, 'tapes', [
    `device varchar(40) ${ASCII} not null primary key`,
    `secret_hash char(64) ${ASCII} not null`,
    `paired_by char(36) ${ASCII} not null references fitters (id)`,
    'paired_at datetime(3) not null',
    'seen_at datetime(3) null',
  ]);
  await table(database, 'settings', [
    'id tinyint unsigned not null primary key',
    'body json not null',
    'version int unsigned not null',
  ]);
}
