import { inject, Injectable, signal } from '@angular/core';
import {
  pathOf,
  readingSchema,
  ROUTES,
  withdrawalPath,
  type Reading,
  type ReadingSave,
} from '@neat-measure/contract';
import {
  EMPTY,
  expand,
  finalize,
  from,
  of,
  Subject,
  switchMap,
  take,
  takeWhile,
  throwError,
  timer,
  type Observable,
} from 'rxjs';
import { catchError, map } from 'rxjs/operators';
import { z } from 'zod';
import { Api, ApiProblem } from './api';

const KEPT_AS = 'neat-measure.outbox';
const RETRY_MS = 4_000;

const waitingReadingSchema = z.object({
  readingId: z.string(),
  docketId: z.string(),
  /** The reading to keep, or `null` when it is to be taken back. */
  reading: z.unknown().nullable(),
});
type WaitingReading = z.infer<typeof waitingReadingSchema>;

/** What became of a reading that was sent. */
export type Delivery =
  | { readonly readingId: string; readonly docketId: string; readonly kept: Reading }
  | { readonly readingId: string; readonly docketId: string; readonly refused: string };

/**
 * Readings on their way to the server. Each is written down on this device the moment it is
 * taken, and crossed out only when the server has it; while there is no network they wait.
 * Sending one twice is harmless: it carries an id of its own.
 */
@Injectable({ providedIn: 'root' })
export class ReadingOutbox {
  private readonly api = inject(Api);
  private readonly arrivals = new Subject<Delivery>();
  /** Emits after each attempt to send, whatever came of it. */
  private readonly attempts = new Subject<void>();
  private sending = false;
  private waiting = false;

  /** Emits each delivery, in the order sent. */
  readonly deliveries: Observable<Delivery> = this.arrivals.asObservable();
  /** How many have not reached the server yet. */
  readonly unsent = signal(read().length);
  /** The last failure to reach the server, until one gets through. */
  readonly trouble = signal<string | null>(null);

  constructor() {
    globalThis.addEventListener('online', () => this.send());
    this.send();
  }

  /** Keeps a reading and sends it when it can be. */
  take(readingId: string, reading: ReadingSave): void {
    this.post({ readingId, docketId: reading.docketId, reading });
  }

  /** Takes a reading back, after its own delivery. */
  withdraw(readingId: string, docketId: string): void {
    this.post({ readingId, docketId, reading: null });
  }

  /** What waits for a docket: shown as taken though the server does not have it yet. */
  waitingFor(docketId: string): { readingId: string; reading: ReadingSave | null }[] {
    return read()
      .filter((waiting) => waiting.docketId === docketId)
      .map(({ readingId, reading }) => ({ readingId, reading: reading as ReadingSave | null }));
  }

  /**
   * Emits once when every reading has reached the server: what is built on them (a decision)
   * waits for that. Fails with the reason while the server cannot be reached.
   */
  whenSent(): Observable<void> {
    const trouble = this.trouble();
    if (this.unsent() === 0) return of(undefined);
    if (trouble !== null)
      return throwError(
        () => new Error(`${trouble} The readings must be sent before anything is decided on them.`),
      );
    return this.attempts.pipe(
      take(1),
      switchMap(() => this.whenSent()),
    );
  }

  private post(waiting: WaitingReading): void {
    write([...read(), waiting]);
    this.unsent.set(read().length);
    this.send();
  }

  /** Sends one after the other; stops where the server cannot be reached, and tries again later. */
  private send(): void {
    if (this.sending) return;
    this.sending = true;
    from([read()[0]])
      .pipe(
        expand((waiting) =>
          waiting === undefined
            ? EMPTY
            : this.deliver(waiting).pipe(map((delivered) => (delivered ? read()[0] : undefined))),
        ),
        takeWhile((waiting) => waiting !== undefined),
        finalize(() => (this.sending = false)),
      )
      .subscribe();
  }

  private deliver(waiting: WaitingReading): Observable<boolean> {
    const path =
      waiting.reading === null
        ? withdrawalPath(waiting.readingId)
        : pathOf(ROUTES.readings, waiting.readingId);
    return this.api.put(path, waiting.reading ?? {}, readingSchema).pipe(
      map((kept) => {
        this.arrived(waiting, { readingId: waiting.readingId, docketId: waiting.docketId, kept });
        return true;
      }),
      catchError((problem: unknown) => {
        const refused = problem instanceof ApiProblem && REFUSALS.has(problem.kind);
        if (refused)
          this.arrived(waiting, {
            readingId: waiting.readingId,
            docketId: waiting.docketId,
            refused: problem.message,
          });
        else this.tryLater((problem as Error).message);
        return of(refused);
      }),
    );
  }

  private arrived(waiting: WaitingReading, delivery: Delivery): void {
    write(
      read().filter(
        (one) => one.readingId !== waiting.readingId || (one.reading === null) !== (waiting.reading === null),
      ),
    );
    this.unsent.set(read().length);
    this.trouble.set(null);
    this.arrivals.next(delivery);
    this.attempts.next();
  }

  private tryLater(message: string): void {
    this.trouble.set(message);
    this.attempts.next();
    if (this.waiting) return;
    this.waiting = true;
    timer(RETRY_MS)
      .pipe(switchMap(() => of((this.waiting = false))))
      .subscribe(() => this.send());
  }
}

/** Answers that sending again would not change. */
const REFUSALS: ReadonlySet<string> = new Set(['invalid', 'not-found', 'id-taken', 'unreadable-request']);

function read(): WaitingReading[] {
  try {
    const kept = z.array(waitingReadingSchema).safeParse(JSON.parse(localStorage.getItem(KEPT_AS) ?? '[]'));
    return kept.success ? kept.data : [];
  } catch {
    return [];
  }
}

function write(kept: readonly WaitingReading[]): void {
  localStorage.setItem(KEPT_AS, JSON.stringify(kept));
}
