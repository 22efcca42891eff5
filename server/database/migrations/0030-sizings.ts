import type { Knex } from 'knex';
import { ASCII, table } from './table';

const ID = `char(36) ${ASCII}`;

/** Groups and musters sized at one moment: how far each is, and what it came to, packed. */
export async function up(database: Knex): Promise<void> {
  await table(database, 'sizings', [
    `id ${ID} not null primary key`,
    `subject_of varchar(10) ${ASCII} not null comment 'muster or group'`,
    `subject_id ${ID} not null`,
    `kit_id ${ID} null`,
    `state varchar(10) ${ASCII} not null`,
    'done int unsigned not null',
    'steps int unsigned not null',
    "beat_at datetime(3) not null comment 'when whoever reckons was last heard'",
    'made_at datetime(3) not null',
    `made_by ${ID} not null references fitters (id)`,
    `sized_wearers longtext ${ASCII} null comment 'their ids, as a list'`,
    `packed longtext ${ASCII} null comment 'as letters, as a backup is letters'`,
    'index (subject_id, made_at)',
  ]);
}
