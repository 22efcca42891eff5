import type { ExceptionsPage, ExceptionsQuery } from '@neat-measure/contract';
import { setTimeout as wait } from 'node:timers/promises';
import type { Database } from '../../database/database';
import { findSettings } from '../../settings/store';
import { countStale, listExceptions } from './store';

/** So long a look waits for what has to be judged anew; then it says how much is left. */
const PATIENCE_MS = 1_200;

/** The exceptions of the house, judged away from the requests and kept. */
export class Exceptions {
  private judging: Promise<unknown> | null = null;

  /**
   * @param build which version judges
   * @param judge judges what has to be judged anew, in a thread of its own
   */
  constructor(
    private readonly database: Database,
    private readonly build: string,
    private readonly judge: () => Promise<unknown>,
  ) {}

  /** A part of them. What changed since the last look is judged first, as far as that is soon done; the rest is told of. */
  async list(query: ExceptionsQuery): Promise<ExceptionsPage> {
    const { habits } = await findSettings(this.database);
    const restsOn = { habits: habits.version, build: this.build };
    if ((await countStale(this.database, restsOn)) > 0) {
      // All who look at once wait for the same judging.
      this.judging ??= this.judge().finally(() => (this.judging = null));
      await Promise.race([this.judging, wait(PATIENCE_MS, undefined, { ref: false })]);
    }
    return listExceptions(this.database, restsOn, query);
  }
}
