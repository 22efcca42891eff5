import type { Knex } from 'knex';
import { ASCII, table } from './table';

/** Codes for whoever has lost their authenticator, as hashes; and room for secrets that are encrypted. */
export async function up(database: Knex): Promise<void> {
  await table(database, 'recovery_codes', [
    `fitter_id char(36) ${ASCII} not null references fitters (id)`,
    `hash char(64) ${ASCII} not null`,
    'primary key (fitter_id, hash)',
  ]);
  await database.raw(`alter table fitters modify factor_secret varchar(200) ${ASCII} null`);
}
