import { createSession } from 'better-sse';
import type { Request, Response } from 'express';
import pLimit from 'p-limit';
import { asker } from './asker';
import type { Lookout, Placed } from './lookout';
import { ProblemError } from './problem-error';

/** A comment this often keeps proxies from closing a quiet stream. */
export const KEEP_ALIVE_MS = 15_000;
/** After how long a browser takes a lost stream up again. */
export const RETRY_MS = 1_000;

/** How often an open stream asks whether its session still lasts. */
const LASTS_MS = 5_000;

/** How many streams one session may have open, and how many there may be in all. */
const MOST_OF_ONE = 24;
const MOST_OPEN = 2_000;
/** Of what was missed so many are read at once, */
const AT_ONCE = 500;
/** and so many are told at the same time: many who come back at once do not hold up everybody else. */
const turn = pLimit(4);

/** How many streams are open, by who asked for them. */
const open = new Map<string, number>();

/**
 * Counts a stream in; gives how to count it out again.
 *
 * @throws ProblemError `unavailable` while there are too many
 */
export function enterStream(): () => void {
  const who = asker();
  const own = open.get(who) ?? 0;
  const all = [...open.values()].reduce((sum, count) => sum + count, 0);
  if (own >= MOST_OF_ONE || all >= MOST_OPEN)
    throw new ProblemError(
      'unavailable',
      'Too many pages follow changes at once. Close some of them; this one tries again by itself.',
      { retryAfter: 10 },
    );
  open.set(who, own + 1);
  let inside = true;
  return () => {
    if (!inside) return;
    inside = false;
    const left = (open.get(who) ?? 1) - 1;
    if (left > 0) open.set(who, left);
    else open.delete(who);
  };
}

/** What goes before a stream: what was missed behind a place, in its order, so many of it at the most. */
type Missed<Item> = (place: number, most: number) => Promise<readonly Item[]>;

/**
 * Streams what is kept on a subject as server-sent events, until the browser leaves or the server
 * stops. A stream that is taken up again begins with what was missed.
 */
export async function streamTo<Item extends Placed>(
  request: Request,
  response: Response,
  {
    lookout,
    subject,
    missed,
    after = 0,
    lasts,
    beside,
    stopping,
  }: {
    readonly lookout: Lookout<Item>;
    readonly subject: string;
    readonly missed: Missed<Item>;
    /** Behind which place whoever listens for the first time wants what was missed, too; 0 for nothing of before. */
    readonly after?: number;
    /** Whether whoever listens still may: asked while the stream is open. */
    readonly lasts: () => Promise<boolean>;
    /** What else whoever listens goes by, as a number that counts up: a change is told as an event of its own. */
    readonly beside?: { readonly event: string; readonly now: () => Promise<number> };
    readonly stopping: AbortSignal;
  },
): Promise<void> {
  // Whoever asks for the head alone is not to be kept waiting for the rest, which never ends.
  if (request.method === 'HEAD') return void response.type('text/event-stream').end();
  const leaves = enterStream();
  request.once('close', leaves);
  // Packed, an event would wait for the next ones.
  response.setHeader('Cache-Control', 'no-store, no-transform');
  const session = await createSession(request, response, { keepAlive: KEEP_ALIVE_MS, retry: RETRY_MS });
  const send = (item: Item): void => {
    session.push(item, 'message', String(item.place));
  };
  // Heard while what was missed is fetched, it is sent behind it.
  let waiting: Item[] | null = [];
  const leave = await lookout.listen(subject, (item) => (waiting === null ? send(item) : waiting.push(item)));
  const end = (): void => {
    leaves();
    leave();
    clearInterval(watch);
    stopping.removeEventListener('abort', end);
    response.end();
  };
  // A session that has ended ends what it has open. While the database is away nobody can say so.
  let known = await beside?.now();
  const look = async (): Promise<void> => {
    if (!(await lasts())) return end();
    const now = await beside?.now();
    if (now !== known) session.push(now, beside!.event);
    known = now;
  };
  const watch = setInterval(() => void look().catch(() => undefined), LASTS_MS);
  watch.unref();
  session.once('disconnected', end);
  if (!session.isConnected) return end();
  stopping.addEventListener('abort', end);
  if (stopping.aborted) return end();
  const last = Number(session.lastId) || after;
  const sent = new Set<number>();
  for (let from = Number.isSafeInteger(last) ? last : 0; from > 0 && session.isConnected; ) {
    const before = await turn(() => missed(from, AT_ONCE));
    for (const item of before) {
      send(item);
      sent.add(item.place);
    }
    from = before.length < AT_ONCE ? 0 : before.at(-1)!.place;
  }
  for (const item of waiting) if (!sent.has(item.place)) send(item);
  waiting = null;
}
