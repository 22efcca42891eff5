import knex, { type Knex } from 'knex';
import { BoundedClient, PATIENCE_MS } from './client';

/** The query builder, or a transaction of it: stores take either. */
export type Database = Knex;

/** How a database is opened. */
export interface Opening {
  /** The most connections at once. */
  readonly connections?: number;
  /** How long a statement may take, in ms: much longer for what changes tables or copies all of them. */
  readonly patience?: number;
}

/**
 * Opens the database of a URL. Times are UTC; every session is strict, so that nothing is cut off or
 * rounded in silence. Whatever takes too long ends, there and here: `isAway` tells it.
 */
export function openDatabase(
  url: string,
  { connections = 24, patience = PATIENCE_MS }: Opening = {},
): Database {
  const session = [
    "sql_mode = 'STRICT_ALL_TABLES,NO_ZERO_DATE,ERROR_FOR_DIVISION_BY_ZERO'",
    "time_zone = '+00:00'",
    // In seconds. The database gives up first, so that a connection is only dropped where it is silent.
    `max_statement_time = ${(patience * 0.9) / 1_000}`,
    `innodb_lock_wait_timeout = ${Math.ceil(patience / 3_000)}`,
  ].join(', ');
  return knex({
    client: BoundedClient as unknown as typeof Knex.Client,
    patience,
    // The words of a statement, and not what was in it.
    compileSqlOnError: false,
    // Whatever goes wrong is thrown, and told where it is caught.
    log: { warn: silent, error: silent, deprecate: silent, debug: silent },
    acquireConnectionTimeout: 6_000,
    connection: {
      uri: url,
      timezone: 'Z',
      charset: 'utf8mb4',
      connectTimeout: 4_000,
      enableKeepAlive: true,
      keepAliveInitialDelay: 5_000,
    } as Knex.StaticConnectionConfig,
    pool: {
      min: 0,
      max: connections,
      afterCreate: (
        connection: { query(sql: string, done: (error: unknown) => void): void },
        done: (error: unknown, connection: unknown) => void,
      ) => connection.query(`SET SESSION ${session}`, (error) => done(error, connection)),
    },
  } as Knex.Config);
}

const silent = (): void => undefined;

/** Whether the database answers. */
export async function answers(database: Database): Promise<boolean> {
  return database.raw('select 1').then(
    () => true,
    () => false,
  );
}
