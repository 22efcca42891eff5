import { createHash } from 'node:crypto';
import type { Database } from '../database/database';
import { ProblemError } from '../http/problem-error';
import { addTrial, forgetTrials, trialsOf } from './store';

/** How many failures are slips, and how long the longest wait is, in ms. */
interface Patience {
  readonly free: number;
  readonly most: number;
}

/**
 * Whoever guesses waits ever longer, twice as long each time. An account is never locked: the wait
 * stays short enough for its owner, and only failures count, so that a whole shift may sign in from
 * one address.
 */
const ACCOUNT: Patience = { free: 5, most: 30_000 };
const ADDRESS: Patience = { free: 25, most: 60_000 };
const FORGOTTEN_AFTER_MS = 15 * 60_000;

/** What an attempt is counted under: only hashes are kept. */
export interface Attempt {
  readonly account: string;
  readonly address: string;
}

const keyOf = (kind: string, text: string) =>
  createHash('sha256').update(`${kind} ${text.toLowerCase()}`).digest('hex');

/** How long after so many failures the next attempt is let through, in ms. */
export function waitAfter(failures: number, { free, most }: Patience): number {
  return failures < free ? 0 : Math.min(most, 1_000 * 2 ** Math.min(failures - free, 20));
}

/**
 * Lets an attempt through, counts it where it fails, and forgets an account's failures where it does not.
 *
 * @throws ProblemError `too-many-requests` while it is too soon; that does not count
 */
export async function attempt<Value>(
  database: Database,
  { account, address }: Attempt,
  work: () => Promise<Value>,
): Promise<Value> {
  const keys = [keyOf('account', account), keyOf('address', address)] as const;
  const trials = await trialsOf(database, keys);
  const left = [ACCOUNT, ADDRESS].map((patience, at) => {
    const trial = trials.get(keys[at as 0 | 1]);
    if (trial === undefined || trial.lastAt.getTime() < Date.now() - FORGOTTEN_AFTER_MS) return 0;
    return trial.lastAt.getTime() + waitAfter(trial.failures, patience) - Date.now();
  });
  const wait = Math.ceil(Math.max(...left) / 1_000);
  if (wait > 0)
    throw new ProblemError(
      'too-many-requests',
      `Too many wrong attempts. Wait ${wait === 1 ? 'a second' : `${wait} seconds`}, then try again.`,
      { retryAfter: wait },
    );
  try {
    const value = await work();
    await forgetTrials(database, keys[0]);
    return value;
  } catch (error) {
    if (error instanceof ProblemError && error.kind === 'sign-in-refused')
      for (const key of keys) await addTrial(database, key, FORGOTTEN_AFTER_MS);
    throw error;
  }
}
