import type { Knex } from 'knex';
import { ASCII, table } from './table';

const ID = `char(36) ${ASCII}`;

/**
 * What came in for a docket and is kept for it, each on the shelf of what is put by: whose it is, whether they were
 * told, and how it ended. When a piece that came back late is dry, though the next has it booked before that; and as what
 * a hire was booked, so that a slip at handing over leaves the booking.
 */
export async function up(database: Knex): Promise<void> {
  await database.raw(
    `alter table bookings
       add column if not exists dry_day date null comment 'the first day it is dry again, where the next begins before',
       add column if not exists promised json null comment 'as it was booked, where it was before it went out'`,
  );
  await table(database, 'put_by', [
    `id ${ID} not null primary key`,
    `docket_id ${ID} not null`,
    `chart_id ${ID} not null`,
    `held_chart_id ${ID} null comment 'the chart, while it is put by; nothing once it is not'`,
    `article_id ${ID} not null`,
    `piece_id ${ID} null`,
    `room_id ${ID} not null`,
    `order_id ${ID} null`,
    'at datetime(3) not null',
    'called_at datetime(3) null',
    `called_by ${ID} null`,
    `handed_act ${ID} null comment 'the act that handed it over'`,
    `ended varchar(12) ${ASCII} null`,
    'unique key one_a_garment (docket_id, held_chart_id)',
    'index (article_id, ended)',
    'foreign key (article_id) references articles (id)',
  ]);
}
