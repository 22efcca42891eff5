import { v7 as uuidv7 } from 'uuid';
import { openDatabase, type Database } from '../database/database';

/** A database of a spec's own. */
export interface OwnDatabase {
  readonly database: Database;
  readonly name: string;
  readonly url: string;
  /** Closes it and takes it away. */
  drop(): Promise<void>;
}

/** A database of its own in the MariaDB the test run started, with nothing in it. */
export async function newDatabase(): Promise<OwnDatabase> {
  const base = process.env['TEST_DATABASE_URL'];
  if (base === undefined) throw new Error('TEST_DATABASE_URL is not set: run these specs through npm test');
  const name = `neat_measure_${uuidv7().replaceAll('-', '')}`;
  const first = openDatabase(base);
  await first.raw(`create database ${name} character set utf8mb4`);
  await first.destroy();
  const url = base.replace(/\/[^/]*$/, `/${name}`);
  const database = openDatabase(url);
  return {
    database,
    name,
    url,
    drop: async () => {
      await database.raw(`drop database ${name}`);
      await database.destroy();
    },
  };
}
