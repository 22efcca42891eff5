import type { OrderAheadView } from '@neat-measure/contract/musters';
import { openDatabase, type Database } from '../../database/database';
import { orderAheadFor, type OrderAheadTask } from './order-ahead';

let database: Database | null = null;

/** Draws what a muster may take, in a thread of its own with a connection of its own: no request waits for it. */
export default async function work({ url, ...task }: OrderAheadTask): Promise<OrderAheadView> {
  database ??= openDatabase(url, { connections: 2 });
  return orderAheadFor(database, task);
}
