import type { Knex } from 'knex';
import { ASCII, table } from './table';

/** Pens that end, each with the session it was made in, and what came under one that had ended. */
export async function up(database: Knex): Promise<void> {
  await database.raw(`alter table pens
    add column if not exists session_id char(36) ${ASCII} null,
    add column if not exists renewed_at datetime(3) null,
    add column if not exists ended_at datetime(3) null,
    add column if not exists agent varchar(200) not null default '',
    add column if not exists address varchar(64) ${ASCII} not null default '',
    add index if not exists (fitter_id, ended_at),
    add index if not exists (session_id)`);
  // Of those of before it is not known in which session they were made: each stands by itself.
  await database.raw('update pens set session_id = uuid() where session_id is null');
  await database.raw('update pens set renewed_at = made_at where renewed_at is null');
  await database.raw(
    'update pens set ended_at = now(3) where ended_at is null and fitter_id in (select id from fitters where active = 0)',
  );
  await database.raw(`alter table pens
    modify session_id char(36) ${ASCII} not null,
    modify renewed_at datetime(3) not null`);
  await table(database, 'late_acts', [
    `id char(36) ${ASCII} not null primary key`,
    'place bigint unsigned not null auto_increment unique',
    `act_id char(36) ${ASCII} not null`,
    `subject_id char(36) ${ASCII} not null`,
    `fitter_id char(36) ${ASCII} not null references fitters (id)`,
    'body longtext not null',
    'came_at datetime(3) not null',
    'unique (act_id, fitter_id)',
    'index (subject_id)',
  ]);
}
