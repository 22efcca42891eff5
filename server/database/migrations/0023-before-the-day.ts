import type { Knex } from 'knex';
import { ASCII, table } from './table';

const ID = `char(36) ${ASCII}`;

/**
 * What comes before a muster: whether a link was looked at, groups of wearers that last, what lists tell, and what the
 * house calls their columns.
 */
export async function up(database: Knex): Promise<void> {
  await database.raw(
    `alter table self_links
       add column if not exists made_at datetime(3) null,
       add column if not exists opened_at datetime(3) null`,
  );
  await table(database, 'wearer_groups', [
    `id ${ID} not null primary key`,
    'name varchar(80) not null unique',
    'made_at datetime(3) not null',
  ]);
  await table(database, 'wearers_in_groups', [
    `group_id ${ID} not null`,
    `wearer_id ${ID} not null`,
    'primary key (group_id, wearer_id)',
    'index (wearer_id)',
    'foreign key (group_id) references wearer_groups (id) on delete cascade',
    'foreign key (wearer_id) references wearers (id) on delete cascade',
  ]);
  // What a list told of somebody's body: kept until their docket is opened, and never in an act, which nobody erases.
  await table(database, 'told_values', [
    `muster_id ${ID} not null`,
    `wearer_id ${ID} not null`,
    'told json not null',
    'told_at datetime(3) not null',
    'primary key (muster_id, wearer_id)',
    'foreign key (muster_id) references musters (id)',
    'foreign key (wearer_id) references wearers (id) on delete cascade',
  ]);
  // Who came by which import: undone, whoever has nothing else goes with it.
  await table(database, 'wearers_imported', [
    `wearer_id ${ID} not null primary key`,
    `act_id ${ID} not null`,
    'index (act_id)',
    'foreign key (wearer_id) references wearers (id) on delete cascade',
  ]);
  await table(database, 'list_headings', [
    'heading varchar(120) not null primary key',
    'role varchar(80) not null',
    'said_at datetime(3) not null',
  ]);
}
