import { createRequire } from 'node:module';
import { join } from 'node:path';

/** What is used of a connection to DuckDB, which is installed only for the comparison. */
export interface Connection {
  run(sql: string): Promise<unknown>;
  runAndReadAll(sql: string): Promise<{ getRows(): readonly (readonly unknown[])[] }>;
}

/**
 * A connection of one thread to a database in memory.
 *
 * @param folder where `@duckdb/node-api` was installed for this run
 */
export async function connectDuckdb(folder: string): Promise<Connection> {
  const { DuckDBInstance } = createRequire(join(folder, 'package.json'))('@duckdb/node-api') as {
    DuckDBInstance: { create(path: string, options: object): Promise<{ connect(): Promise<Connection> }> };
  };
  return (await DuckDBInstance.create(':memory:', { threads: '1' })).connect();
}
