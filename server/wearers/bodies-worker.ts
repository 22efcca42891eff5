import type { Bodies } from '@neat-measure/contract';
import type { MeasurementCode } from '@neat-measure/core';
import { openDatabase, type Database } from '../database/database';
import { listBodies } from './bodies';

let database: Database | null = null;

/** What is asked of the thread that gathers values. */
export interface BodiesTask {
  readonly url: string;
  readonly codes: readonly MeasurementCode[];
}

/** Gathers the values of everybody, in a thread of its own with a connection of its own: no request waits for it. */
export default async function work({ url, codes }: BodiesTask): Promise<Bodies> {
  database ??= openDatabase(url, { connections: 2 });
  return listBodies(database, codes);
}
