import knex, { type Knex } from 'knex';
import { migrationsUntil } from './migrations';

/** The query builder, or a transaction of it: stores take either. */
export type Database = Knex;

/**
 * Opens the database of a URL. Times are UTC; every session is strict, so that nothing is
 * cut off or rounded in silence.
 *
 * @param connections the most at once
 */
export function openDatabase(url: string, connections = 12): Database {
  return knex({
    client: 'mysql2',
    connection: { uri: url, timezone: 'Z', charset: 'utf8mb4' } as Knex.StaticConnectionConfig,
    pool: {
      min: 0,
      max: connections,
      afterCreate: (
        connection: { query(sql: string, done: (error: unknown) => void): void },
        done: (error: unknown, connection: unknown) => void,
      ) =>
        connection.query(
          "SET SESSION sql_mode = 'STRICT_ALL_TABLES,NO_ZERO_DATE,ERROR_FOR_DIVISION_BY_ZERO', time_zone = '+00:00'",
          (error) => done(error, connection),
        ),
    },
  });
}

/**
 * Brings the schema up to date; several instances may start at once, one of them migrates.
 *
 * @param until the last migration wanted; all without it
 */
export async function migrate(database: Database, until?: string): Promise<void> {
  await database.migrate.latest({ migrationSource: migrationsUntil(until), tableName: 'schema_migrations' });
}

/** Whether the database answers. */
export async function answers(database: Database): Promise<boolean> {
  return database.raw('select 1').then(
    () => true,
    () => false,
  );
}
