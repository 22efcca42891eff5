import { createSession } from 'better-sse';
import type { Request, Response } from 'express';
import type { Lookout, Placed } from './lookout';

/** A comment this often keeps proxies from closing a quiet stream. */
const KEEP_ALIVE_MS = 15_000;
/** After how long a browser takes a lost stream up again. */
const RETRY_MS = 1_000;

/** How often an open stream asks whether its session still lasts. */
const LASTS_MS = 5_000;

/** What goes before a stream: what was missed since the last that was seen. */
type Missed<Item> = (place: number) => Promise<readonly Item[]>;

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
  const before = Number.isSafeInteger(last) && last > 0 ? await missed(last) : [];
  for (const item of before) send(item);
  const sent = new Set(before.map(({ place }) => place));
  for (const item of waiting) if (!sent.has(item.place)) send(item);
  waiting = null;
}
