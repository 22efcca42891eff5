import type { Knex } from 'knex';
import { ASCII, table } from './table';

/** Kits: garments and protocols that are opened together. */
export async function up(database: Knex): Promise<void> {
  await table(database, 'kits', [
    `id char(36) ${ASCII} not null primary key`,
    'name varchar(60) not null',
    'body longtext not null',
    'version int unsigned not null',
  ]);
}
