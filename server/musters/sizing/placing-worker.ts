import type { PlacingView } from '@neat-measure/contract/musters';
import { openDatabase, type Database } from '../../database/database';
import { placeSizing, type PlacingTask } from './placing';

let database: Database | null = null;

/** Places a muster or a group by what there is, in a thread of its own with a connection of its own: no request waits for it. */
export default async function work({ url, ...task }: PlacingTask): Promise<PlacingView> {
  database ??= openDatabase(url, { connections: 2 });
  return placeSizing(database, task);
}
