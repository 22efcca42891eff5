import type { ExceptionsPage, ExceptionsQuery } from '@neat-measure/contract';
import { setTimeout as wait } from 'node:timers/promises';
import type { Database } from '../../database/database';
import { findSettings } from '../../settings/store';
import { JUDGED_AT_ONCE } from './judge-open';
import { countStale, listExceptions, staleDockets } from './store';

/** So long a look waits for what has to be judged anew; then it says how much is left. */
const PATIENCE_MS = 2_500;

/** The exceptions of the house, judged away from the requests and kept. */
export class Exceptions {
  private judging: Promise<unknown> | null = null;

  /**
   * @param build which version judges
   * @param judge judges what has to be judged anew, in a thread of its own: some dockets, and then whatever is left
   */
  constructor(
    private readonly database: Database,
    private readonly build: string,
    private readonly judge: (first: readonly string[]) => Promise<unknown>,
  ) {}

  /** A part of them. What changed since the last look is judged first, as far as that is soon done; the rest is told of. */
  async list(query: ExceptionsQuery): Promise<ExceptionsPage> {
    const { habits } = await findSettings(this.database);
    const restsOn = { habits: habits.version, build: this.build };
    const stale = await staleDockets(this.database, restsOn, JUDGED_AT_ONCE);
    let pending = stale.length;
    if (pending > 0) {
      // All who look at once wait for the same judging. Whoever joins one that is under way asks what came since it began.
      const joined = this.judging !== null;
      this.judging ??= this.judge(stale).finally(() => (this.judging = null));
      const all = this.judging.then(() => (joined ? null : 0));
      pending = await Promise.race([all, wait(PATIENCE_MS, null, { ref: false })]).then(
        (left) => left ?? countStale(this.database, restsOn),
      );
    }
    return listExceptions(this.database, restsOn, query, pending);
  }
}
