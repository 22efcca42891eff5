import { setTimeout as wait } from 'node:timers/promises';
import { openDatabase, type Database } from './database';
import { migrationsUntil } from './migrations';
import { isAway } from './trouble';

/** How long one instance waits for another that prepares the database, and for a database that is away. */
const WAIT_MS = 600_000;
/** A change of a large table may take its time. */
const PATIENCE_MS = 3_600_000;

/**
 * Does something on a database that only one may do at a time, over all instances. The lock belongs to
 * a connection, so that it ends with whoever holds it, however that ends.
 *
 * @throws Error when another holds it for longer than anything may take
 */
export async function alone<Value>(
  url: string,
  work: (database: Database) => Promise<Value>,
): Promise<Value> {
  const holder = openDatabase(url, { connections: 1, patience: PATIENCE_MS });
  const database = openDatabase(url, { connections: 2, patience: PATIENCE_MS });
  try {
    // A name of its own for every database of a server; a lock's name has at most 64 letters.
    const rows = (await holder.raw(
      `select get_lock(concat('prepare ', left(sha1(database()), 40)), ?) as got`,
      [WAIT_MS / 1_000],
    )) as [{ got: number | null }[]];
    if (rows[0][0]!.got !== 1)
      throw new Error(
        'Another server has been preparing this database for too long. Check that server, then start again.',
      );
    return await work(database);
  } finally {
    await database.destroy();
    await holder.destroy();
  }
}

/**
 * Brings the schema up to date; of several instances that start at once one does, and the others wait.
 * One that was killed on its way is taken up again: every step may be done twice.
 *
 * @param until the last migration wanted; all without it
 */
export async function migrate(url: string, until?: string): Promise<void> {
  await alone(url, (database) => migrateAlone(database, until));
}

/** The same for whoever is alone on the database already. */
export async function migrateAlone(database: Database, until?: string): Promise<void> {
  const migrationSource = migrationsUntil(until);
  const config = { migrationSource, tableName: 'schema_migrations' };
  // What is locked by the library's own table was locked by one that is gone: only one is ever here.
  if (await database.schema.hasTable('schema_migrations_lock'))
    await database.migrate.forceFreeMigrationsLock(config);
  await database.migrate.latest(config);
}

/** Waits until a database answers that is still starting. */
export async function untilThere(url: string, most = 60_000): Promise<void> {
  const database = openDatabase(url, { connections: 1 });
  const end = Date.now() + most;
  try {
    for (;;) {
      try {
        await database.raw('select 1');
        return;
      } catch (error) {
        if (!isAway(error) || Date.now() > end) throw error;
        await wait(500);
      }
    }
  } finally {
    await database.destroy();
  }
}
