import type { Database } from '../database/database';
import { allOrNothing } from '../database/all-or-nothing';

/** How somebody who keeps being wrong is made to wait; times in ms. */
export interface Patience {
  /** How many wrong ones are slips. */
  readonly free: number;
  /** The wait after those, doubled with every further one, */
  readonly first: number;
  /** as far as this. */
  readonly most: number;
  /** After how long without a try all are forgotten. */
  readonly forgotten: number;
}

/** One thing tries are counted under. */
export interface Limit {
  /** A hash of whom and where. */
  readonly who: string;
  readonly patience: Patience;
}

/** How long after so many tries the next one is let through, in ms. */
export function waitAfter(tries: number, { free, first, most }: Patience): number {
  return tries < free ? 0 : Math.min(most, first * 2 ** Math.min(tries - free, 20));
}

/**
 * Counts a try under every limit, unless it comes too soon under one of them: then it counts nowhere. Whoever asks at
 * the same moment, on any instance, waits for this to be settled. Time is the database's; where its clock was put
 * back, waiting begins anew at most once.
 *
 * @returns how long to wait, in ms; 0 where it was let through
 */
export function tryNow(database: Database, limits: readonly Limit[]): Promise<number> {
  return allOrNothing(database, async (transaction) => {
    // Always in one order, so that no two wait for each other.
    const ordered = [...limits].sort((one, other) => (one.who < other.who ? -1 : 1));
    const counts = new Map<string, number>();
    let wait = 0;
    for (const { who, patience } of ordered) {
      await transaction.raw(
        'insert into sign_in_trials (who, failures, last_at) values (?, 0, now(3)) on duplicate key update who = who',
        [who],
      );
      const [[row]] = (await transaction.raw(
        'select failures, timestampdiff(microsecond, last_at, now(3)) div 1000 as since from sign_in_trials where who = ?',
        [who],
      )) as [[{ failures: number; since: number }]];
      // The clock was put back: as long as it was at the worst, and not until it comes there again.
      if (row.since < 0)
        await transaction.raw('update sign_in_trials set last_at = now(3) where who = ?', [who]);
      const since = Math.max(0, row.since);
      const tries = since > patience.forgotten ? 0 : row.failures;
      counts.set(who, tries);
      wait = Math.max(wait, waitAfter(tries, patience) - since);
    }
    if (wait > 0) return wait;
    for (const [who, tries] of counts)
      await transaction.raw('update sign_in_trials set failures = ?, last_at = now(3) where who = ?', [
        Math.min(tries + 1, 1_000),
        who,
      ]);
    return 0;
  });
}

/**
 * Ends a try that was no guess: `right` makes good all that was counted under the first limit, and takes this one
 * back under the others; `untried` takes it back under all.
 */
export async function endTries(
  database: Database,
  limits: readonly Limit[],
  how: 'right' | 'untried',
): Promise<void> {
  for (const [place, { who }] of limits.entries())
    await database.raw(
      'update sign_in_trials set failures = ? * if(failures > 0, failures - 1, 0) where who = ?',
      [how === 'right' && place === 0 ? 0 : 1, who],
    );
}
