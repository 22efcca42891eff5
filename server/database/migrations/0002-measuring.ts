import type { Knex } from 'knex';
import { table } from './table';

/** Protocols of one's own, protocols on a docket, steps passed over, suspicions confirmed. */
export async function up(database: Knex): Promise<void> {
  const id = 'char(36) character set ascii collate ascii_bin not null';
  const code = (length: number) => `varchar(${length}) character set ascii collate ascii_bin not null`;

  await table(database, 'protocols', [
    `id ${id} primary key`,
    'name varchar(80) not null',
    'body json not null',
    'version int unsigned not null',
  ]);
  await table(database, 'docket_protocols', [
    `docket_id ${id} references dockets (id)`,
    'position int unsigned not null',
    `protocol_id ${code(40)}`,
    'primary key (docket_id, position)',
  ]);
  await table(database, 'step_skips', [
    `id ${id} primary key`,
    `docket_id ${id} references dockets (id)`,
    `code ${code(40)}`,
    'reason varchar(120) not null',
    `fitter_id ${id} references fitters (id)`,
    'skipped_at datetime(3) not null',
  ]);
  await table(database, 'check_confirmations', [
    `id ${id} primary key`,
    `docket_id ${id} references dockets (id)`,
    `check_code ${code(40)}`,
    'measured json not null',
    'reason varchar(120) not null',
    `fitter_id ${id} references fitters (id)`,
    'confirmed_at datetime(3) not null',
  ]);
}
