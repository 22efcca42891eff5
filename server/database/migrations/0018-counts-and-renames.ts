import type { Knex } from 'knex';
import { ASCII, table } from './table';

/**
 * What was listed when a count was sent is kept with it: what moves before the count is put right is no
 * difference of the count. A count from before has none, and is told against what is listed now.
 *
 * And what a size is called since a version of its chart: dockets of the versions before still say the old label,
 * and so do orders that have gone to its maker.
 */
export async function up(database: Knex): Promise<void> {
  await database.raw(
    `alter table stock_counts
       add column if not exists told longtext null,
       add column if not exists begun_at datetime(3) null`,
  );
  const label = 'varchar(200) character set utf8mb4 collate utf8mb4_bin not null';
  await table(database, 'label_renames', [
    'place bigint unsigned not null auto_increment primary key',
    `series_id char(36) ${ASCII} not null`,
    `label ${label}`,
    `to_label ${label}`,
    "since int unsigned not null comment 'the version of the chart that has the label no more'",
    'index (series_id)',
  ]);
  await database.raw(
    `alter table order_lines
       add column if not exists ordered_as ${label.replace('not null', 'null')} comment 'where it is called otherwise by now'`,
  );
}
