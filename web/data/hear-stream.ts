import { Observable, of } from 'rxjs';
import type { z } from 'zod';
import { PAST_WORKER } from './contact';
import { whileSeen } from './while-seen';

/** What a stream tells: something that was kept, that it is heard, or that it is not for the moment. */
export type Told<Kept> = { readonly kept: Kept } | 'listening' | 'lost';

/** What of a stream is wanted. */
interface Wanted<Kept, Beside extends string> {
  /** Asked anew each time it is opened: what is known by then need not be told again. */
  readonly path: () => string;
  readonly schema: z.ZodType<Kept, unknown>;
  /** Events of another name, told by that name. */
  readonly beside?: readonly Beside[];
}

const AGAIN_MS = 2_000;

/**
 * Emits what a stream of the server tells, while the page is seen. The browser takes a lost stream up again by itself,
 * from where it broke off.
 */
export function hearStream<Kept, Beside extends string = never>(
  wanted: Wanted<Kept, Beside>,
): Observable<Told<Kept> | Beside> {
  return whileSeen(() => open(wanted), of('lost' as const));
}

/** A stream that a service worker passes on would end with it. */
export function pastWorker(path: string): string {
  const workers = navigator.serviceWorker as ServiceWorkerContainer | undefined;
  if ((workers?.controller ?? null) === null) return path;
  return `${path}${path.includes('?') ? '&' : '?'}${PAST_WORKER}=true`;
}

function open<Kept, Beside extends string>({
  path,
  schema,
  beside = [],
}: Wanted<Kept, Beside>): Observable<Told<Kept> | Beside> {
  return new Observable((subscriber) => {
    let source: EventSource;
    let again: ReturnType<typeof setTimeout> | undefined;
    const listen = () => {
      source = new EventSource(pastWorker(path()));
      source.onopen = () => subscriber.next('listening');
      source.onerror = () => {
        subscriber.next('lost');
        // Turned away altogether (the server was starting), the browser does not try by itself.
        if (source.readyState === EventSource.CLOSED) again = setTimeout(listen, AGAIN_MS);
      };
      for (const event of beside) source.addEventListener(event, () => subscriber.next(event));
      source.onmessage = ({ data }: MessageEvent<string>) => {
        const kept = schema.safeParse(JSON.parse(data));
        if (kept.success) subscriber.next({ kept: kept.data });
      };
    };
    listen();
    return () => {
      clearTimeout(again);
      source.close();
    };
  });
}
