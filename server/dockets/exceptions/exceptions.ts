import type { ExceptionsPage, ExceptionsQuery } from '@neat-measure/contract';
import { setTimeout as wait } from 'node:timers/promises';
import type { Database } from '../../database/database';
import { findSettings } from '../../settings/store';
import { countStale, listExceptions } from './store';

/** So long a look waits for what has to be judged anew; then it says how much is left. */
const PATIENCE_MS = 2_500;

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
    let pending = await countStale(this.database, restsOn);
    if (pending > 0) {
      // All who look at once wait for the same judging. Whoever joins one that is under way asks what came since it began.
      const joined = this.judging !== null;
      this.judging ??= this.judge().finally(() => (this.judging = null));
      const all = this.judging.then(() => (joined ? null : 0));
      pending = await Promise.race([all, wait(PATIENCE_MS, null, { ref: false })]).then(
        (left) => left ?? countStale(this.database, restsOn),
      );
    }
    return listExceptions(this.database, restsOn, query, pending);
  }
}
