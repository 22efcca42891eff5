import pLimit, { type LimitFunction } from 'p-limit';
import { Piscina } from 'piscina';
import { asker } from './asker';
import { ProblemError } from './problem-error';

/** How many may wait for a thread; whoever comes then is told to come again. */
const MOST_WAITING = 40;
/** How many of one asker may wait: the others stand behind one of theirs, and not behind all. */
const MOST_OF_ONE = 8;

/** How a thread works. */
interface Working {
  /** After how long what is not done is given up, in ms. */
  readonly most?: number;
}

/**
 * Work that takes long, in a thread beside the one that answers requests: one at a time, given up when it takes too long,
 * and ended when nobody has asked for a while. Of whoever asks for much one waits at a time, so that everybody else comes
 * between.
 */
export class Thread<Task, Result> {
  private readonly pool: Piscina<Task, Result>;
  private readonly most: number;
  private readonly turns = new Map<string, LimitFunction>();
  private stopped = false;

  /** @param script the bundled script that does it, from where this one stands */
  constructor(script: string, { most = 60_000 }: Working = {}) {
    this.most = most;
    this.pool = new Piscina({
      filename: new URL(script, import.meta.url).href,
      minThreads: 0,
      maxThreads: 1,
      maxQueue: MOST_WAITING,
      idleTimeout: 60_000,
    });
  }

  /** @throws ProblemError `unavailable` while too many wait, or where it takes too long */
  async run(task: Task): Promise<Result> {
    const who = asker();
    const turn = this.turns.get(who) ?? pLimit(1);
    if (this.pool.queueSize >= MOST_WAITING || turn.activeCount + turn.pendingCount >= MOST_OF_ONE)
      throw new ProblemError(
        'unavailable',
        'Too many requests for this at once. Wait a moment, then try again.',
      );
    this.turns.set(who, turn);
    try {
      return await turn(() => this.done(task));
    } finally {
      if (turn.activeCount + turn.pendingCount === 0) this.turns.delete(who);
    }
  }

  private async done(task: Task): Promise<Result> {
    const ended = new AbortController();
    let late = false;
    // It counts from when the thread could begin: what waits for others has done nothing wrong.
    const watch = (): void => {
      late = true;
      ended.abort();
    };
    const limit = setTimeout(watch, this.most * (1 + this.pool.queueSize));
    try {
      return await this.pool.run(task, { signal: ended.signal });
    } catch (error) {
      // Whoever waited while the server stopped asks the next one.
      if (this.stopped)
        throw new ProblemError('unavailable', 'The server is stopping. Try again in a moment.');
      if (late)
        throw new ProblemError(
          'unavailable',
          'This took too long and was stopped. Select less at once, then try again.',
          { retryAfter: 10 },
        );
      throw error;
    } finally {
      clearTimeout(limit);
    }
  }

  /** Ends it; what is not done is given up. */
  stop(): Promise<void> {
    this.stopped = true;
    return this.pool.destroy();
  }
}
