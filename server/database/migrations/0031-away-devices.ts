import type { Knex } from 'knex';
import { ASCII, table } from './table';

const ID = `char(36) ${ASCII}`;

/** Devices that work without the server: which there are, how far their clocks are off, and what met what there. */
export async function up(database: Knex): Promise<void> {
  await table(database, 'away_devices', [
    `device_id ${ID} not null primary key`,
    `muster_id ${ID} null references musters (id) on delete set null`,
    "agent varchar(200) not null default ''",
    'taken_at datetime(3) not null',
    'heard_at datetime(3) not null',
    "heard_place bigint unsigned not null default 0 comment 'the latest act of all when it was heard'",
    "clock_off int not null default 0 comment 'seconds ahead of the server'",
    "waits json not null default '[]' comment 'what it said that waits there'",
    'ended_at datetime(3) null',
    `ended_by ${ID} null references fitters (id)`,
    'erased_at datetime(3) null',
  ]);
  await database.raw(`alter table pens
    add column if not exists device_id ${ID} null,
    add index if not exists (device_id)`);
  await database.raw(
    "alter table acts add column if not exists clock_off int null comment 'seconds its device was ahead of the server'",
  );
  await database.raw(
    "alter table late_acts add column if not exists why varchar(500) not null default '' comment 'why it could not stand'",
  );
  await table(database, 'met', [
    `id ${ID} not null primary key`,
    `act_id ${ID} not null`,
    `docket_id ${ID} not null references dockets (id) on delete cascade`,
    `fitter_id ${ID} not null references fitters (id)`,
    'words varchar(1000) not null',
    'came_at datetime(3) not null',
    'seen_at datetime(3) null',
    'unique (act_id, docket_id, fitter_id)',
    'index (fitter_id, seen_at)',
    'index (docket_id, seen_at)',
  ]);
}
