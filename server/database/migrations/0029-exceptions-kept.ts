import type { Knex } from 'knex';
import { ASCII, table } from './table';

const ID = `char(36) ${ASCII}`;

/** What open dockets were judged to be, beside what that rests on: judged again only when it changes. */
export async function up(database: Knex): Promise<void> {
  await table(database, 'dockets_judged', [
    `docket_id ${ID} not null primary key references dockets (id) on delete cascade`,
    "acts int unsigned not null comment 'by so many acts it was judged'",
    'habits int unsigned not null',
    `build char(16) ${ASCII} not null`,
  ]);
  await table(database, 'exceptions', [
    `docket_id ${ID} not null references dockets (id) on delete cascade`,
    `chart_id ${ID} not null references charts (id)`,
    'garment varchar(200) not null',
    'maker varchar(200) not null',
    'flag tinyint unsigned not null',
    'verdict json not null',
    'primary key (docket_id, chart_id)',
    'index (garment, maker)',
    'index (flag)',
  ]);
}
