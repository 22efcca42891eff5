import type { Knex } from 'knex';

/** The tables that acts have taken the place of go, and what of a docket its acts know. */
export async function up(database: Knex): Promise<void> {
  for (const table of [
    'reading_withdrawals',
    'readings',
    'decisions',
    'step_skips',
    'check_confirmations',
    'docket_protocols',
    'docket_extras',
  ])
    await database.raw(`drop table if exists ${table}`);
  await database.raw(`alter table dockets
    drop column if exists unit,
    drop column if exists preference,
    drop column if exists version`);
}
