import type { Bodies } from '@neat-measure/contract';
import type { MeasurementCode } from '@neat-measure/core';
import { openDatabase } from '../database/database';
import { BodiesKept } from './bodies';

let bodies: BodiesKept | null = null;

/** What is asked of the thread that gathers values. */
export interface BodiesTask {
  readonly url: string;
  readonly codes: readonly MeasurementCode[];
  readonly groupId: string | null;
}

/** Gathers the values of everybody, in a thread of its own with a connection of its own: no request waits for it. */
export default async function work({ url, codes, groupId }: BodiesTask): Promise<Bodies> {
  bodies ??= new BodiesKept(openDatabase(url, { connections: 2 }));
  return bodies.list(codes, groupId);
}
