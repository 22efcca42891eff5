import type { Exception } from '@neat-measure/contract';
import { openDatabase, type Database } from '../database/database';
import { listExceptions } from './exceptions';

let database: Database | null = null;

/** Judges all open dockets, in a thread of its own with a connection of its own: no request waits for it. */
export default async function work(url: string): Promise<Exception[]> {
  database ??= openDatabase(url, { connections: 2 });
  return listExceptions(database);
}
