import { computed, inject, Injectable, signal } from '@angular/core';
import { actAnswersSchema, MOST_ACTS, ROUTES, type ActAnswer, type KeptAnyAct } from '@neat-measure/contract';
import { readAnyAct, sayUnreadableAct, subjectOf, type AnyAct } from '@neat-measure/core';
import { liveQuery } from 'dexie';
import { firstValueFrom, Subject, type Observable } from 'rxjs';
import { Api, ApiProblem } from '../api';
import { JournalDb, type AsideRow, type JournalRow } from './journal-db';
import { underWay } from './under-way';

/** An act that waits on this device. */
export interface WaitingAct {
  readonly pen: string;
  readonly act: AnyAct;
}

/** An act the server will never keep. */
export interface RefusedAct {
  readonly act: AnyAct;
  readonly why: string;
}

const FIRST_RETRY_MS = 2_000;
const LAST_RETRY_MS = 30_000;

/**
 * What was done on this device and is not known to be kept. Each act is written down the moment it
 * is done, shown as done, sent in order, docket by docket and muster by muster, and crossed out when the server has kept
 * it; while there is no network, or nobody is signed in, it waits. Sending one twice is harmless.
 * It knows nothing of what kinds of act there are.
 *
 * A docket or muster that cannot be sent holds up no other. An act that is refused for good, or cannot be
 * read, is set aside with the reason, and the rest goes on.
 */
@Injectable({ providedIn: 'root' })
export class Journal {
  private readonly api = inject(Api);
  private readonly db = new JournalDb();
  private readonly rows = signal<readonly WaitingAct[]>([]);
  private readonly stuck = signal<ReadonlyMap<string, string>>(new Map());
  private readonly arrivals = new Subject<KeptAnyAct>();
  private readonly refusals = new Subject<RefusedAct>();
  /** Ids on their way into the database: what it holds does not show them yet. */
  private readonly writing = new Set<string>();
  /** Ids this device has no room for: this page is all that keeps them until they are sent. */
  private readonly unwritten = new Set<string>();
  private readonly sending = new Set<string>();
  /** What has had its answer: never sent again from here, even if this device cannot cross it out. */
  private readonly answered = new Set<string>();
  /** How often in a row a docket could not be sent. */
  private readonly failures = new Map<string, number>();
  /** Dockets that wait before they are tried again. */
  private readonly resting = new Set<string>();

  private looked: () => void = () => undefined;
  /** Resolves when it has been looked what waits on this device: until then nothing is said of it. */
  readonly known = new Promise<void>((resolve) => (this.looked = resolve));

  /** What waits, in the order it was done. */
  readonly waiting = this.rows.asReadonly();
  readonly unsent = computed(() => this.rows().length);
  /** Why something waits longer than a moment; empty while everything gets through. */
  readonly trouble = computed(() => [...this.stuck().values()].at(-1) ?? '');
  /** What will not be kept, until somebody has seen it. */
  readonly aside = signal<readonly AsideRow[]>([]);
  /** Emits what the server has kept of this device's acts. */
  readonly kept: Observable<KeptAnyAct> = this.arrivals.asObservable();
  /** Emits what it will never keep. */
  readonly refused: Observable<RefusedAct> = this.refusals.asObservable();

  constructor() {
    for (const row of underWay.left()) this.put(row);
    globalThis.addEventListener('online', () => this.sendAll());
    // Other tabs write into the same database and send from it.
    liveQuery(() => this.db.acts.orderBy('order').toArray()).subscribe({
      next: (rows) => void this.show(rows).then(() => this.looked()),
      error: () => {
        this.stuck.update((stuck) => new Map(stuck).set('', NO_STORE));
        this.looked();
      },
    });
    liveQuery(() => this.db.aside.orderBy('order').toArray()).subscribe({
      next: (rows) => this.aside.set(rows),
      error: () => undefined,
    });
  }

  /** Writes an act down and sends it when it can be. It is shown as done from now on. */
  write(pen: string, act: AnyAct): void {
    const row = { id: act.id, subject: subjectOf(act), pen, act };
    underWay.note(row);
    this.put(row);
  }

  private put(row: JournalRow): void {
    const { id, subject, pen } = row;
    const read = readAnyAct(row.act);
    // What cannot be read is told of once the database has it.
    if (read.ok) this.rows.update((rows) => [...rows, { pen, act: read.value }]);
    this.writing.add(id);
    void this.db.acts
      .add(row)
      .then(() => underWay.over(id))
      .catch((problem: unknown) => {
        // It stands there already: another tab, or this page before it was loaded anew, was faster.
        if (problem instanceof Error && problem.name === 'ConstraintError') return underWay.over(id);
        this.unwritten.add(id);
        this.stuck.update((stuck) => new Map(stuck).set('', NO_STORE));
      })
      .finally(() => {
        this.writing.delete(id);
        void this.send(subject);
      });
  }

  /** Resolves when nothing of a docket, or of any, is on its way any more; rejects with why it cannot be sent now. */
  async whenSent(subject?: string): Promise<void> {
    await this.known;
    const own = () => this.rows().filter(({ act }) => subject === undefined || subjectOf(act) === subject);
    while (own().length > 0) {
      const stuck = own().map(({ act }) => this.stuck().get(subjectOf(act)));
      const why = stuck.find((one) => one !== undefined);
      if (why !== undefined) throw new Error(why);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  }

  /** Somebody has seen why an act was not kept. */
  seen(order: number): void {
    void this.db.aside.delete(order);
  }

  private async show(rows: readonly JournalRow[]): Promise<void> {
    const known = new Map(this.rows().map((one) => [one.act.id, one]));
    const waiting: WaitingAct[] = [];
    for (const row of rows.filter(({ id }) => !this.answered.has(id))) {
      // What this page wrote itself it need not read.
      const own = known.get(row.id);
      const read = own === undefined ? readAnyAct(row.act) : null;
      if (own !== undefined) waiting.push(own);
      else if (read?.ok === true) waiting.push({ pen: row.pen, act: read.value });
      else if (read?.ok === false) await this.setAside(row, sayUnreadableAct(read.problem));
    }
    const stored = new Set(waiting.map(({ act }) => act.id));
    this.rows.update((now) => {
      const then = [...waiting, ...now.filter(({ act }) => this.isOnlyHere(act.id) && !stored.has(act.id))];
      return then.length === now.length && then.every((one, at) => one === now[at]) ? now : then;
    });
    for (const subject of new Set(waiting.map(({ act }) => subjectOf(act)))) void this.send(subject);
  }

  private sendAll(): void {
    for (const subject of new Set(this.rows().map(({ act }) => subjectOf(act)))) {
      this.resting.delete(subject);
      void this.send(subject);
    }
  }

  /** Sends what waits of one docket, in its order; one tab at a time. */
  private async send(subject: string): Promise<void> {
    if (this.sending.has(subject) || this.resting.has(subject)) return;
    this.sending.add(subject);
    try {
      await inOneTab(subject, async () => {
        for (let batch = await this.next(subject); batch.length > 0; batch = await this.next(subject))
          await this.deliver(batch);
      });
      this.failures.delete(subject);
      this.stuck.update((stuck) => new Map([...stuck].filter(([id]) => id !== subject)));
    } catch (problem) {
      this.tryLater(subject, problem instanceof Error ? problem.message : String(problem));
    } finally {
      this.sending.delete(subject);
    }
    // Done while the last answer was on its way.
    const more = this.rows().some(({ act }) => subjectOf(act) === subject && !this.writing.has(act.id));
    if (more) void this.send(subject);
  }

  /** The next acts of a docket that one pen signs. */
  private async next(subject: string): Promise<JournalRow[]> {
    const stored = await this.db.acts
      .where({ subject })
      .sortBy('order')
      .catch(() => null);
    const here = this.unstored(subject).filter(({ id }) => stored === null || this.unwritten.has(id));
    const rows = [...(stored ?? []), ...here].filter(({ id }) => !this.answered.has(id));
    const other = rows.findIndex(({ pen }) => pen !== rows[0]!.pen);
    return rows.slice(0, other < 0 ? MOST_ACTS : Math.min(other, MOST_ACTS));
  }

  /** Whether the database does not show an act: not yet, or not at all. */
  private isOnlyHere(id: string): boolean {
    return this.writing.has(id) || this.unwritten.has(id);
  }

  private unstored(subject: string): JournalRow[] {
    return this.rows()
      .filter(({ act }) => subjectOf(act) === subject)
      .map(({ pen, act }) => ({ id: act.id, subject, pen, act }));
  }

  private async deliver(batch: readonly JournalRow[]): Promise<void> {
    const body = { pen: batch[0]!.pen, acts: batch.map(({ act }) => act) };
    const answers = await firstValueFrom(this.api.post(ROUTES.acts, body, actAnswersSchema)).catch(
      async (problem: unknown) => {
        if (!(problem instanceof ApiProblem) || !FOR_GOOD.has(problem.kind)) throw problem;
        // The request as a whole was refused: each goes by itself, so that only the culprit stays behind.
        if (batch.length > 1) {
          for (const row of batch) await this.deliver([row]);
          return null;
        }
        return [refusal(batch[0]!, problem)];
      },
    );
    if (answers === null) return;
    for (const [at, row] of batch.entries()) {
      const answer = answers[at];
      if (answer?.outcome === 'kept') {
        // Told before it is crossed out, it is never seen by neither.
        this.arrivals.next(answer.kept);
        await this.crossOut(row.id);
      } else if (answer !== undefined) await this.setAside(row, answer.detail, answer.outcome === 'late');
    }
    // An answer that says nothing of an act leaves it where it is.
    if (answers.length < batch.length) throw new Error('The server did not confirm every change.');
  }

  /** @param late whether the server keeps it for somebody to accept */
  private async setAside(row: JournalRow, why: string, late = false): Promise<void> {
    const { id, subject, act } = row;
    this.answered.add(id);
    underWay.over(id);
    await this.db
      .transaction('rw', this.db.acts, this.db.aside, async () => {
        await this.db.aside.where({ id }).delete();
        await this.db.aside.add({ id, subject, act, why, late, at: new Date().toISOString() });
        await this.db.acts.where({ id }).delete();
      })
      .catch(() => undefined);
    this.rows.update((rows) => rows.filter((one) => one.act.id !== id));
    const read = readAnyAct(act);
    if (read.ok) this.refusals.next({ act: read.value, why });
  }

  private async crossOut(id: string): Promise<void> {
    this.answered.add(id);
    underWay.over(id);
    await this.db.acts
      .where({ id })
      .delete()
      .catch(() => undefined);
    this.rows.update((rows) => rows.filter(({ act }) => act.id !== id));
  }

  private tryLater(subject: string, why: string): void {
    this.stuck.update((stuck) => new Map(stuck).set(subject, why));
    const failed = this.failures.get(subject) ?? 0;
    this.failures.set(subject, failed + 1);
    this.resting.add(subject);
    setTimeout(
      () => {
        this.resting.delete(subject);
        void this.send(subject);
      },
      Math.min(FIRST_RETRY_MS * 2 ** failed, LAST_RETRY_MS),
    );
  }
}

const NO_STORE =
  'This browser cannot save on this device (private window, or no space). Changes are sent while this page stays open.';

/** Kinds of problem that sending the same again would not change. */
const FOR_GOOD: ReadonlySet<string> = new Set(['invalid', 'unreadable-request', 'too-large']);

function refusal(row: JournalRow, problem: ApiProblem): ActAnswer {
  return { outcome: 'refused', id: row.id, code: problem.kind, detail: problem.message };
}

/** Does something while no other tab of this browser does the same for the docket. */
async function inOneTab(subject: string, work: () => Promise<void>): Promise<void> {
  // Without locks (an old browser) two tabs may send the same, which is harmless.
  if (!('locks' in navigator)) return work();
  await navigator.locks.request(`neat-measure.journal.${subject}`, work);
}
