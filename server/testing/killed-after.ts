import type { Database } from '../database/database';
import { migrateAlone } from '../database/prepare';

/** Migrates with a number of statements let through, then none: as if the process had been killed there. */
export function killedAfter(statements: number): (database: Database) => Promise<void> {
  return (database) => {
    const client = database.client as { _query(...of: unknown[]): Promise<unknown> };
    const through = client._query.bind(client);
    let left = statements;
    client._query = (...of) => (left-- > 0 ? through(...of) : Promise.reject(new Error('killed')));
    return migrateAlone(database);
  };
}
