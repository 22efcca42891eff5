import type { Knex } from 'knex';
import { ASCII, table } from './table';

const ID = `char(36) ${ASCII}`;

/**
 * Musters: what is done on them stands in the same list of acts as what is done on dockets, and is noted beside it in
 * the same way. Their rows are kept for lists; everything else is read from the acts.
 */
export async function up(database: Knex): Promise<void> {
  await table(database, 'musters', [
    `id ${ID} not null primary key`,
    'name varchar(80) not null',
    'place varchar(80) not null',
    'day date not null',
    'last_day date not null',
    'opened_at datetime(3) not null',
    'closed_at datetime(3) null',
    'people int unsigned not null',
    'here int unsigned not null',
    'gone int unsigned not null',
    'index (day)',
  ]);
  await database.raw(
    `alter table acts
       modify column docket_id ${ID} null,
       add column if not exists muster_id ${ID} null,
       add index if not exists by_muster (muster_id, place)`,
  );
  await database.raw(
    `alter table acts
       add constraint acts_of_musters foreign key if not exists (muster_id) references musters (id)`,
  );
  await database.raw(
    `alter table acts_noted
       modify column docket_id ${ID} null,
       add column if not exists muster_id ${ID} null`,
  );
  await database.raw(
    `alter table wearers
       add column if not exists house_number varchar(40) null,
       add index if not exists by_house_number (house_number)`,
  );
  await database.raw(`create or replace trigger acts_are_noted after insert on acts for each row
    insert into acts_noted (act_id, docket_id, muster_id, by_id, sha256)
    values (new.id, new.docket_id, new.muster_id, new.fitter_id, sha2(new.body, 256))`);
}
