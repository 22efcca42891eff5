import { createHash } from 'node:crypto';
import { isIPv6 } from 'node:net';
import pLimit, { type LimitFunction } from 'p-limit';
import type { Database } from '../database/database';
import { ProblemError } from '../http/problem-error';
import { endTries, tryNow, type Limit, type Patience } from './tries';

/** Whoever guesses at an account from one place waits ever longer, twice as long each time. */
const PLACE: Patience = { free: 5, first: 1_000, most: 30_000, forgotten: 15 * 60_000 };
/**
 * Whoever guesses at it from everywhere. One place alone comes to no more than some forty wrong ones in the time
 * after which they are forgotten, so that nobody reaches this by themselves.
 */
const ACCOUNT: Patience = { free: 100, first: 1_000, most: 30_000, forgotten: 15 * 60_000 };
/** A bench code has four digits: five tries an hour at a device, and twice as many by whoever signed in there. */
const BENCH: Patience = { free: 5, first: 3_600_000, most: 3_600_000, forgotten: 3_600_000 };
const BENCH_OWNER: Patience = { ...BENCH, free: 10 };

/** Somebody who says who they are. */
export interface Attempt {
  /** The sign-in name they gave. */
  readonly account: string;
  /** Where they ask from. */
  readonly address: string;
  /** A device this account is known on, or a session of its own; `null` where they ask for the first time. */
  readonly device: string | null;
}

/**
 * What an attempt to sign in is counted under. Somebody at a device that is known for the account is counted there
 * alone: no guess of anybody else makes them wait. Everybody else is counted by account and place together, and by
 * account for those who come from many places. An address alone is never made to wait.
 */
export function limitsOf({ account, address, device }: Attempt): Limit[] {
  if (device !== null) return [{ who: keyOf('device', device, account), patience: PLACE }];
  return [
    { who: keyOf('place', placeOf(address), account), patience: PLACE },
    { who: keyOf('account', account), patience: ACCOUNT },
  ];
}

/** What a bench code is counted under: the device with whose code it should be, and whoever signed in with them. */
export function benchLimits(bench: {
  readonly device: string;
  readonly ownerId: string;
  readonly handId: string;
}): Limit[] {
  return [
    { who: keyOf('bench', bench.device, bench.handId), patience: BENCH },
    { who: keyOf('bench-owner', bench.ownerId, bench.handId), patience: BENCH_OWNER },
  ];
}

/** Only hashes are kept. */
function keyOf(...parts: readonly string[]): string {
  return createHash('sha256').update(JSON.stringify(parts).toLowerCase()).digest('hex');
}

/** An address as one place: whoever has an IPv6 address has all of its network. */
function placeOf(address: string): string {
  if (!isIPv6(address) || address.includes('.')) return address;
  const [before = '', after] = address.split('::');
  const groups = before === '' ? [] : before.split(':');
  const rest = after === undefined || after === '' ? [] : after.split(':');
  const zeros = after === undefined ? 0 : 8 - groups.length - rest.length;
  return [...groups, ...Array.from({ length: zeros }, () => '0'), ...rest].slice(0, 4).join(':');
}

/** So many of one place and account are tried at once; the others wait for them, so that nobody's own crowd is refused. */
const AT_ONCE = 2;
const turns = new Map<string, LimitFunction>();

/**
 * Lets an attempt through, and counts it before it is tried: of many that come at once no more are tried than would
 * be one after the other. One that comes to nothing stays counted; one that shows who somebody is makes what was
 * counted under the first limit good, and any other end takes its own count back.
 *
 * @param refused what is said while it is too soon, after the words that tell how long
 * @throws ProblemError `too-many-requests` while it is too soon; that does not count
 */
export async function attempt<Value>(
  database: Database,
  limits: readonly Limit[],
  work: () => Promise<Value>,
  refused = 'then try again.',
): Promise<Value> {
  const { who } = limits[0]!;
  const turn = turns.get(who) ?? pLimit(AT_ONCE);
  turns.set(who, turn);
  try {
    return await turn(() => tried(database, limits, work, refused));
  } finally {
    if (turn.activeCount + turn.pendingCount === 0) turns.delete(who);
  }
}

async function tried<Value>(
  database: Database,
  limits: readonly Limit[],
  work: () => Promise<Value>,
  refused: string,
): Promise<Value> {
  const wait = Math.ceil((await tryNow(database, limits)) / 1_000);
  if (wait > 0)
    throw new ProblemError(
      'too-many-requests',
      `Too many wrong attempts. Wait ${sayWait(wait)}, ${refused}`,
      {
        retryAfter: wait,
      },
    );
  try {
    const value = await work();
    await endTries(database, limits, 'right');
    return value;
  } catch (error) {
    if (!(error instanceof ProblemError && error.kind === 'sign-in-refused'))
      await endTries(database, limits, 'untried').catch(() => undefined);
    throw error;
  }
}

function sayWait(seconds: number): string {
  if (seconds === 1) return 'a second';
  return seconds < 120 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`;
}
