import type { Knex } from 'knex';
import { ASCII, table } from './table';

const id = (name: string) => `${name} char(36) ${ASCII} not null`;
const ascii = (name: string, length: number) => `${name} varchar(${length}) ${ASCII} not null`;
const moment = (name: string) => `${name} datetime(3) not null`;
const names = (table: string, column: string, other: string) =>
  `constraint ${table}_${column}_foreign foreign key (${column}) references ${other} (id)`;

/** Fitters, wearers, charts, dockets, readings and decisions. */
export async function up(database: Knex): Promise<void> {
  await table(database, 'fitters', [
    `${id('id')} primary key`,
    'name varchar(120) not null',
    'sign_in varchar(80) not null',
    ascii('passphrase_hash', 200),
    'unique fitters_sign_in_unique (sign_in)',
  ]);
  await table(database, 'sessions', [
    `${ascii('token_hash', 64)} primary key`,
    id('fitter_id'),
    moment('expires_at'),
    'index sessions_expires_at_index (expires_at)',
    names('sessions', 'fitter_id', 'fitters'),
  ]);
  await table(database, 'wearers', [
    `${id('id')} primary key`,
    'name varchar(120) not null',
    'role varchar(80) not null',
    'version int unsigned not null',
    moment('updated_at'),
    'index wearers_name_index (name)',
  ]);
  await table(database, 'charts', [
    `${id('id')} primary key`,
    'maker varchar(80) not null',
    'garment varchar(80) not null',
    'source varchar(200) not null',
    'sheet json not null',
    id('imported_by'),
    moment('imported_at'),
    names('charts', 'imported_by', 'fitters'),
  ]);
  await table(database, 'dockets', [
    'number int unsigned not null auto_increment unique',
    `${id('id')} primary key`,
    id('wearer_id'),
    'occasion varchar(120) not null',
    ascii('unit', 4),
    ascii('preference', 12),
    'version int unsigned not null',
    moment('opened_at'),
    'index dockets_opened_at_index (opened_at)',
    names('dockets', 'wearer_id', 'wearers'),
  ]);
  await table(database, 'docket_garments', [
    id('docket_id'),
    'position int unsigned not null',
    id('chart_id'),
    'primary key (docket_id, position)',
    'unique docket_garments_docket_id_chart_id_unique (docket_id, chart_id)',
    names('docket_garments', 'docket_id', 'dockets'),
    names('docket_garments', 'chart_id', 'charts'),
  ]);
  await table(database, 'readings', [
    `${id('id')} primary key`,
    id('docket_id'),
    ascii('code', 40),
    'typed varchar(40) not null',
    ascii('unit', 4),
    'length_um int not null',
    ascii('stance', 12),
    ascii('tension', 12),
    ascii('instrument', 20),
    ascii('origin', 12),
    moment('taken_at'),
    id('fitter_id'),
    'index readings_docket_id_taken_at_index (docket_id, taken_at)',
    names('readings', 'docket_id', 'dockets'),
    names('readings', 'fitter_id', 'fitters'),
  ]);
  await table(database, 'reading_withdrawals', [
    `${id('reading_id')} primary key`,
    id('fitter_id'),
    moment('withdrawn_at'),
    names('reading_withdrawals', 'reading_id', 'readings'),
    names('reading_withdrawals', 'fitter_id', 'fitters'),
  ]);
  await table(database, 'decisions', [
    `${id('id')} primary key`,
    id('docket_id'),
    id('chart_id'),
    ascii('outcome', 12),
    'size varchar(24) not null',
    'reason varchar(300)',
    'reading_ids json not null',
    'verdict json not null',
    id('fitter_id'),
    moment('decided_at'),
    'index decisions_docket_id_chart_id_decided_at_index (docket_id, chart_id, decided_at)',
    names('decisions', 'docket_id', 'dockets'),
    names('decisions', 'chart_id', 'charts'),
    names('decisions', 'fitter_id', 'fitters'),
  ]);
}
