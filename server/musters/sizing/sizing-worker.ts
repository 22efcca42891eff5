import { openDatabase, type Database } from '../../database/database';
import { runSizing } from './size';

let database: Database | null = null;

/** What is asked of the thread that sizes. */
export interface SizingTask {
  readonly url: string;
  readonly id: string;
}

/** Sizes a muster or a group, in a thread of its own with a connection of its own: no request waits for it. */
export default async function work({ url, id }: SizingTask): Promise<void> {
  database ??= openDatabase(url, { connections: 2 });
  await runSizing(database, id);
}
