import type { Knex } from 'knex';

/** Fitters, wearers, charts, dockets, readings and decisions. */
export async function up(database: Knex): Promise<void> {
  const create = (table: string, build: (columns: Knex.CreateTableBuilder) => void) =>
    database.schema.createTable(table, (columns) => {
      columns.engine('InnoDB');
      columns.charset('utf8mb4');
      columns.collate('utf8mb4_unicode_ci');
      build(columns);
    });
  // Ids and codes compare byte by byte; names sort as people expect.
  const ascii = (columns: Knex.CreateTableBuilder, name: string, length: number) =>
    columns.specificType(name, `varchar(${length}) character set ascii collate ascii_bin`).notNullable();
  const id = (columns: Knex.CreateTableBuilder, name: string) =>
    columns.specificType(name, 'char(36) character set ascii collate ascii_bin').notNullable();
  const moment = (columns: Knex.CreateTableBuilder, name: string) => columns.datetime(name, { precision: 3 });

  await create('fitters', (columns) => {
    id(columns, 'id').primary();
    columns.string('name', 120).notNullable();
    columns.string('sign_in', 80).notNullable().unique();
    ascii(columns, 'passphrase_hash', 200);
  });

  await create('sessions', (columns) => {
    ascii(columns, 'token_hash', 64).primary();
    id(columns, 'fitter_id').references('fitters.id');
    moment(columns, 'expires_at').notNullable().index();
  });

  await create('wearers', (columns) => {
    id(columns, 'id').primary();
    columns.string('name', 120).notNullable().index();
    columns.string('role', 80).notNullable();
    columns.integer('version').unsigned().notNullable();
    moment(columns, 'updated_at').notNullable();
  });

  await create('charts', (columns) => {
    id(columns, 'id').primary();
    columns.string('maker', 80).notNullable();
    columns.string('garment', 80).notNullable();
    columns.string('source', 200).notNullable();
    columns.json('sheet').notNullable();
    id(columns, 'imported_by').references('fitters.id');
    moment(columns, 'imported_at').notNullable();
  });

  await create('dockets', (columns) => {
    columns.specificType('number', 'int unsigned not null auto_increment unique');
    id(columns, 'id').primary();
    id(columns, 'wearer_id').references('wearers.id');
    columns.string('occasion', 120).notNullable();
    ascii(columns, 'unit', 4);
    ascii(columns, 'preference', 12);
    columns.integer('version').unsigned().notNullable();
    moment(columns, 'opened_at').notNullable().index();
  });

  await create('docket_garments', (columns) => {
    id(columns, 'docket_id').references('dockets.id');
    columns.integer('position').unsigned().notNullable();
    id(columns, 'chart_id').references('charts.id');
    columns.primary(['docket_id', 'position']);
    columns.unique(['docket_id', 'chart_id']);
  });

  await create('readings', (columns) => {
    id(columns, 'id').primary();
    id(columns, 'docket_id').references('dockets.id');
    ascii(columns, 'code', 40);
    columns.string('typed', 40).notNullable();
    ascii(columns, 'unit', 4);
    columns.integer('length_um').notNullable();
    ascii(columns, 'stance', 12);
    ascii(columns, 'tension', 12);
    ascii(columns, 'instrument', 20);
    ascii(columns, 'origin', 12);
    moment(columns, 'taken_at').notNullable();
    id(columns, 'fitter_id').references('fitters.id');
    columns.index(['docket_id', 'taken_at']);
  });

  await create('reading_withdrawals', (columns) => {
    id(columns, 'reading_id').primary().references('readings.id');
    id(columns, 'fitter_id').references('fitters.id');
    moment(columns, 'withdrawn_at').notNullable();
  });

  await create('decisions', (columns) => {
    id(columns, 'id').primary();
    id(columns, 'docket_id').references('dockets.id');
    id(columns, 'chart_id').references('charts.id');
    ascii(columns, 'outcome', 12);
    columns.string('size', 24).notNullable();
    columns.string('reason', 300);
    columns.json('reading_ids').notNullable();
    columns.json('verdict').notNullable();
    id(columns, 'fitter_id').references('fitters.id');
    moment(columns, 'decided_at').notNullable();
    columns.index(['docket_id', 'chart_id', 'decided_at']);
  });
}
