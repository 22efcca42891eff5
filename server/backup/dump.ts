import { createHash, type Hash } from 'node:crypto';
import type { Database } from '../database/database';

/** The first line of a backup. */
export interface DumpHead {
  readonly format: 'neat-measure-backup/1';
  /** The last migration the tables had come through. */
  readonly schema: string;
  readonly writtenAt: string;
}

/** What stood in each table: how many rows, and a hash over all of them in order. */
export type DumpTables = Readonly<Record<string, { readonly rows: number; readonly sha256: string }>>;

export const DUMP_FORMAT = 'neat-measure-backup/1';
/** So many rows are read, and written, at once. */
export const AT_ONCE = 500;

/** Tables that are not kept: the library’s own, which migrations make, and what stands while a backup is put back. */
const NOT_KEPT = /^(?:schema_migrations|restore_unfinished)/;

/** A row as text, column by column: what the database itself would say, so that nothing is rounded or turned. */
export type TextRow = readonly (string | null)[];

/** Every table by its name, with its columns and what orders its rows. */
export async function tablesOf(
  database: Database,
): Promise<{ readonly name: string; readonly columns: string[]; readonly key: string[] }[]> {
  const [rows] = (await database.raw(
    `select table_name as t, column_name as c, column_key as k from information_schema.columns
     where table_schema = database() order by table_name, ordinal_position`,
  )) as [{ t: string; c: string; k: string }[]];
  const names = [...new Set(rows.map(({ t }) => t))].filter((name) => !NOT_KEPT.test(name));
  return names.map((name) => {
    const own = rows.filter(({ t }) => t === name);
    return {
      name,
      columns: own.map(({ c }) => c),
      key: own.filter(({ k }) => k === 'PRI').map(({ c }) => c),
    };
  });
}

/** Reads a table as text, in the order of its key. */
export async function* rowsOf(
  database: Database,
  {
    name,
    columns,
    key,
  }: { readonly name: string; readonly columns: readonly string[]; readonly key: readonly string[] },
): AsyncGenerator<TextRow> {
  const asText = (column: string) =>
    database.raw('cast(?? as char character set utf8mb4) as ??', [column, column]);
  const stream = database(name)
    .select(columns.map(asText))
    .orderBy([...key])
    .stream();
  for await (const row of stream as AsyncIterable<Record<string, string | null>>)
    yield columns.map((column) => row[column] ?? null);
}

/** Takes rows into a hash. */
export function hashRow(hash: Hash, row: TextRow): void {
  hash.update(JSON.stringify(row)).update('\n');
}

/**
 * Everything in a database as lines of JSON, as it stood at one moment however much is saved
 * meanwhile: a head, every row of every table, and what there must be of each.
 */
export async function* dumpLines(database: Database): AsyncGenerator<string> {
  const transaction = await database.transaction({ isolationLevel: 'repeatable read' });
  try {
    // A consistent read begins with the first that is read.
    const [last] = await transaction('schema_migrations')
      .orderBy('id', 'desc')
      .limit(1)
      .pluck<string[]>('name');
    const head: DumpHead = { format: DUMP_FORMAT, schema: last!, writtenAt: new Date().toISOString() };
    yield `${JSON.stringify(head)}\n`;
    const told: Record<string, { rows: number; sha256: string }> = {};
    for (const table of await tablesOf(transaction)) {
      const hash = createHash('sha256');
      let [rows, lines] = [0, ''];
      yield `${JSON.stringify({ table: table.name, columns: table.columns })}\n`;
      for await (const row of rowsOf(transaction, table)) {
        hashRow(hash, row);
        lines += `${JSON.stringify(row)}\n`;
        if ((rows += 1) % AT_ONCE === 0) {
          yield lines;
          lines = '';
        }
      }
      if (lines !== '') yield lines;
      told[table.name] = { rows, sha256: hash.digest('hex') };
    }
    yield `${JSON.stringify({ end: told })}\n`;
  } finally {
    await transaction.rollback();
  }
}

/** What stands in every table now. */
export async function countTables(database: Database): Promise<DumpTables> {
  const told: Record<string, { rows: number; sha256: string }> = {};
  for (const table of await tablesOf(database)) {
    const hash = createHash('sha256');
    let rows = 0;
    for await (const row of rowsOf(database, table)) {
      hashRow(hash, row);
      rows += 1;
    }
    told[table.name] = { rows, sha256: hash.digest('hex') };
  }
  return told;
}
