import { createSession } from 'better-sse';
import type { Request, Response } from 'express';
import { enterStream, KEEP_ALIVE_MS, RETRY_MS } from './stream';

/** So often is looked how far something is. */
const LOOK_MS = 300;

/**
 * Streams how far something is as server-sent events, whenever that changes, until it has ended, the browser leaves or the
 * server stops. It is read from where it is kept, so whichever instance works on it.
 */
export async function streamState<State>(
  request: Request,
  response: Response,
  {
    read,
    isLast,
    lasts,
    stopping,
  }: {
    /** How far it is; `null` where it is gone. */
    readonly read: () => Promise<State | null>;
    readonly isLast: (state: State) => boolean;
    /** Whether whoever listens still may. */
    readonly lasts: () => Promise<boolean>;
    readonly stopping: AbortSignal;
  },
): Promise<void> {
  if (request.method === 'HEAD') return void response.type('text/event-stream').end();
  const leaves = enterStream();
  request.once('close', leaves);
  response.setHeader('Cache-Control', 'no-store, no-transform');
  const session = await createSession(request, response, { keepAlive: KEEP_ALIVE_MS, retry: RETRY_MS });
  let said = '';
  let next: ReturnType<typeof setTimeout> | undefined;
  const end = (): void => {
    clearTimeout(next);
    leaves();
    stopping.removeEventListener('abort', end);
    response.end();
  };
  const look = async (): Promise<void> => {
    const state = (await lasts()) ? await read() : null;
    if (!session.isConnected || state === null) return end();
    const says = JSON.stringify(state);
    if (says !== said) session.push(state);
    said = says;
    if (isLast(state)) end();
  };
  const again = (): void => {
    // While the database is away it is asked at the next turn.
    look()
      .catch(() => undefined)
      .finally(() => {
        if (session.isConnected && !response.writableEnded) next = setTimeout(again, LOOK_MS);
      });
  };
  session.once('disconnected', end);
  stopping.addEventListener('abort', end);
  if (stopping.aborted || !session.isConnected) return end();
  again();
}
