import type { Knex } from 'knex';
import { ASCII, table } from './table';

const ID = `char(36) ${ASCII}`;
const PLACE = `varchar(60) ${ASCII}`;

/**
 * The stores. What lies where is the sum of `stock_movements`, and how an order stands follows from
 * `order_events`: both are only ever added to. A numbered piece is held by one hire at a time: that is
 * a key of the table, so that no two can be booked into each other by any way.
 */
export async function up(database: Knex): Promise<void> {
  await table(database, 'store_rooms', [
    `id ${ID} not null primary key`,
    'name varchar(60) not null unique',
    'version int unsigned not null',
  ]);
  // Whatever is saved in one go, by the id of whoever sent it: sent again it changes nothing.
  await table(database, 'stock_batches', [
    `id ${ID} not null primary key`,
    `what varchar(24) ${ASCII} not null`,
    `sha256 char(64) ${ASCII} not null`,
    `by_id ${ID} not null`,
    'at datetime(3) not null',
  ]);
  await table(database, 'garment_keeping', [
    `id ${ID} not null primary key comment 'the series of a chart'`,
    'body json not null',
    'version int unsigned not null',
  ]);
  await table(database, 'articles', [
    `id ${ID} not null primary key`,
    'number int unsigned not null auto_increment unique',
    `series_id ${ID} not null`,
    'label varchar(200) character set utf8mb4 collate utf8mb4_bin not null',
    'minimum int unsigned not null default 0',
    // Of plain letters, and kept as texts are: it is looked for by whatever somebody types.
    'maker_code varchar(40) character set utf8mb4 collate utf8mb4_bin null unique',
    `old_of ${ID} null comment 'the version of the chart that has the label no more, where it is kept so'`,
    'version int unsigned not null',
    'unique (series_id, label)',
  ]);
  await table(database, 'pieces', [
    `id ${ID} not null primary key`,
    `article_id ${ID} not null`,
    `series_id ${ID} not null`,
    'serial varchar(60) character set utf8mb4 collate utf8mb4_bin not null',
    'made date null',
    'good_until date null',
    'received date not null',
    'unique (series_id, serial)',
    'index (serial)',
    'foreign key (article_id) references articles (id)',
  ]);
  await table(database, 'piece_inspections', [
    `id ${ID} not null primary key`,
    `piece_id ${ID} not null`,
    'day date not null',
    'passed boolean not null',
    'note varchar(300) null',
    `by_id ${ID} not null`,
    'at datetime(3) not null',
    'index (piece_id, day, at)',
    'foreign key (piece_id) references pieces (id)',
  ]);
  await table(database, 'stock_movements', [
    'place bigint unsigned not null auto_increment primary key',
    `batch_id ${ID} not null`,
    `kind varchar(16) ${ASCII} not null`,
    `article_id ${ID} not null`,
    `piece_id ${ID} null`,
    `from_place ${PLACE} not null`,
    `to_place ${PLACE} not null`,
    'count int unsigned not null',
    'reason varchar(300) null',
    `docket_id ${ID} null`,
    `order_id ${ID} null`,
    `by_id ${ID} not null`,
    'at datetime(3) not null',
    'index (article_id, from_place, count)',
    'index (article_id, to_place, count)',
    'index (piece_id, place)',
    'index (batch_id)',
    'foreign key (article_id) references articles (id)',
    'foreign key (piece_id) references pieces (id)',
  ]);
  await table(database, 'bookings', [
    `id ${ID} not null primary key`,
    `piece_id ${ID} not null`,
    `held_piece_id ${ID} null comment 'the piece, while it is held; nothing once it is not'`,
    `docket_id ${ID} null`,
    `chart_id ${ID} null`,
    'who varchar(120) not null',
    'from_day date not null',
    'until_day date not null',
    'free_day date not null',
    'deposit int unsigned null',
    'out_day date null',
    'back_day date null',
    `outcome varchar(12) ${ASCII} null`,
    'note varchar(300) null',
    'version int unsigned not null',
    'period for held (from_day, free_day)',
    'unique key one_at_a_time (held_piece_id, held without overlaps)',
    'index (docket_id, chart_id)',
    'index (outcome, until_day)',
    'foreign key (piece_id) references pieces (id)',
  ]);
  await table(database, 'orders', [
    `id ${ID} not null primary key`,
    'number int unsigned not null auto_increment unique',
    'maker varchar(120) not null',
    `room_id ${ID} not null`,
    `by_id ${ID} not null`,
    'at datetime(3) not null',
    'foreign key (room_id) references store_rooms (id)',
  ]);
  await table(database, 'order_lines', [
    `order_id ${ID} not null`,
    'line int unsigned not null',
    `article_id ${ID} not null`,
    'count int unsigned not null',
    'wanted_for longtext not null',
    'primary key (order_id, line)',
    'index (article_id)',
    'foreign key (order_id) references orders (id)',
    'foreign key (article_id) references articles (id)',
  ]);
  await table(database, 'order_events', [
    'place bigint unsigned not null auto_increment primary key',
    `order_id ${ID} not null`,
    `kind varchar(12) ${ASCII} not null`,
    'line int unsigned null',
    'count int unsigned null',
    `heard int unsigned null comment 'the place of the message with its maker'`,
    'body longtext null',
    `by_id ${ID} null`,
    'at datetime(3) not null',
    'unique (order_id, heard)',
    'foreign key (order_id) references orders (id)',
  ]);
  // What waits to be handed over is asked of all dockets at once.
  await database.raw('alter table docket_garments add index if not exists by_stage (stage, final_size)');
  await table(database, 'stock_counts', [
    `id ${ID} not null primary key`,
    `room_id ${ID} not null`,
    `compartment varchar(12) ${ASCII} not null`,
    'body longtext not null',
    `by_id ${ID} not null`,
    'at datetime(3) not null',
    'explained_at datetime(3) null',
    'foreign key (room_id) references store_rooms (id)',
  ]);
}
