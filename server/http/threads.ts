import { Piscina } from 'piscina';
import { ProblemError } from './problem-error';

/** How many may wait for a thread; whoever comes then is told to come again. */
const MOST_WAITING = 40;

/**
 * Work that takes long, in a thread beside the one that answers requests: one at a time, given up
 * when nobody has asked for a while.
 */
export class Thread<Task, Result> {
  private readonly pool: Piscina<Task, Result>;
  private stopped = false;

  /** @param script the bundled script that does it, from where this one stands */
  constructor(script: string) {
    this.pool = new Piscina({
      filename: new URL(script, import.meta.url).href,
      minThreads: 0,
      maxThreads: 1,
      maxQueue: MOST_WAITING,
      idleTimeout: 60_000,
    });
  }

  /** @throws ProblemError `unavailable` while too many wait */
  async run(task: Task): Promise<Result> {
    if (this.pool.queueSize >= MOST_WAITING)
      throw new ProblemError(
        'unavailable',
        'Too many requests for this at once. Wait a moment, then try again.',
      );
    try {
      return await this.pool.run(task);
    } catch (error) {
      // Whoever waited while the server stopped asks the next one.
      if (this.stopped)
        throw new ProblemError('unavailable', 'The server is stopping. Try again in a moment.');
      throw error;
    }
  }

  /** Ends it; what is not done is given up. */
  stop(): Promise<void> {
    this.stopped = true;
    return this.pool.destroy();
  }
}
