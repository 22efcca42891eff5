import type { Knex } from 'knex';
import { ASCII } from './table';

/** A line of a tape is known by its count and what it says: a tape begins to count anew with a new battery. */
export async function up(database: Knex): Promise<void> {
  await database.raw(`alter table device_lines add column if not exists said varchar(60) ${ASCII} null`);
  await database.raw(
    "update device_lines set said = concat(json_value(line, '$.value'), ' ', json_value(line, '$.unit')) where said is null",
  );
  await database.raw(`alter table device_lines
    modify said varchar(60) ${ASCII} not null,
    add unique key if not exists device_lines_said (device, seq, said),
    drop key if exists device`);
}
