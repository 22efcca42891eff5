import { openDatabase, type Database } from '../../database/database';
import { judgeOpen } from './judge-open';

let database: Database | null = null;

/** What is asked of the thread that judges. */
export interface JudgeTask {
  readonly url: string;
  readonly build: string;
  /** Some that are known already. */
  readonly first: readonly string[];
}

/** Judges open dockets, in a thread of its own with a connection of its own: no request waits for it. */
export default async function work({ url, build, first }: JudgeTask): Promise<number> {
  database ??= openDatabase(url, { connections: 2 });
  return judgeOpen(database, build, first);
}
