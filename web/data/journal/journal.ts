import { computed, inject, Injectable, signal } from '@angular/core';
import { actAnswersSchema, MOST_ACTS, ROUTES, type ActAnswer, type KeptAnyAct } from '@neat-measure/contract';
import { readAnyAct, sayUnreadableAct, subjectOf, type AnyAct } from '@neat-measure/core';
import { liveQuery } from 'dexie';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { firstValueFrom, Subject, timeout, type Observable } from 'rxjs';
import { Api, ApiProblem, AWAY } from '../api';
import { Contact } from '../contact';
import { Newcomers } from '../pack/newcomers';
import { Vault } from '../sealed/vault';
import { JournalDb, type AsideRow, type JournalRow, type StoredRow } from './journal-db';
import { asideFromStored, asideToStored, fromStored, NOT_READ, sealOld, toStored } from './journal-rows';
import { inOneTab } from './one-tab';
import { UnderWay } from './under-way';

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

/** An answer that has not come by then comes no more: the same is sent again. */
const PATIENCE_MS = 45_000;
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
  private readonly contact = inject(Contact);
  private readonly vault = inject(Vault);
  private readonly newcomers = inject(Newcomers);
  private readonly db = new JournalDb();
  private readonly underWay = new UnderWay(this.vault);
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
  /** How much lies on this device, whether anybody is signed in who can read it or not. */
  readonly stored = signal(0);
  /** Why something waits longer than a moment; empty while everything gets through. */
  readonly trouble = computed(() => [...this.stuck().values()].at(-1) ?? '');
  /** What will not be kept, until somebody has seen it. */
  readonly aside = signal<readonly AsideRow[]>([]);
  /** Emits what the server has kept of this device's acts. */
  readonly kept: Observable<KeptAnyAct> = this.arrivals.asObservable();
  private readonly cameBack = new Subject<KeptAnyAct>();
  /** Emits what of it was done while the server was away. */
  readonly keptSinceAway: Observable<KeptAnyAct> = this.cameBack.asObservable();
  /** Emits what it will never keep. */
  readonly refused: Observable<RefusedAct> = this.refusals.asObservable();

  constructor() {
    globalThis.addEventListener('online', () => this.sendAll());
    liveQuery(() => this.db.acts.count()).subscribe({
      next: (count) => this.stored.set(count),
      error: () => undefined,
    });
    // Sent again as soon as the server is found again, and not when the next try would come.
    this.contact.back.pipe(takeUntilDestroyed()).subscribe(() => {
      this.stuck.set(new Map());
      this.sendAll();
    });
    // What lies here can be read from the moment somebody signs in.
    if (this.vault.isOpen()) void this.begin();
    this.vault.opens.pipe(takeUntilDestroyed()).subscribe(() => void this.begin());
  }

  private begun = false;

  private async begin(): Promise<void> {
    if (this.begun) {
      // Somebody else has signed in on this page: what could not be read while nobody was is shown now.
      await this.show(await this.stand());
      return;
    }
    this.begun = true;
    for (const row of this.underWay.left()) this.put(row);
    await sealOld(this.db, this.vault).catch(() => undefined);
    // Other tabs write into the same database and send from it.
    liveQuery(() => this.stand()).subscribe({
      next: (standing) => void this.show(standing).then(() => this.looked()),
      error: () => {
        this.stuck.update((stuck) => new Map(stuck).set('', NO_STORE));
        this.looked();
      },
    });
    liveQuery(() => this.db.aside.orderBy('order').toArray()).subscribe({
      next: (rows) => this.aside.set(rows.map((row) => asideFromStored(this.vault, row))),
      error: () => undefined,
    });
  }

  /**
   * Writes an act down and sends it when it can be. It is shown as done from now on.
   *
   * @param after what must be sent before it: the muster that opens the docket it is done on
   */
  write(pen: string, act: AnyAct, after?: string): void {
    const row: JournalRow = {
      ...{ id: act.id, subject: subjectOf(act), pen, act },
      ...(after === undefined ? {} : { after }),
      ...(this.contact.away() ? { away: true } : {}),
    };
    if (this.vault.isOpen()) this.underWay.note(row);
    this.put(row);
  }

  private put(row: JournalRow): void {
    const { id, subject, pen } = row;
    const read = readAnyAct(row.act);
    // What cannot be read is told of once the database has it.
    if (read.ok) this.rows.update((rows) => [...rows, { pen, act: read.value }]);
    this.writing.add(id);
    void this.vault
      .whenOpen()
      .then(() => this.db.acts.add(toStored(this.vault, row)))
      .then(() => this.underWay.over(id))
      .catch((problem: unknown) => {
        // It stands there already: another tab, or this page before it was loaded anew, was faster.
        if (problem instanceof Error && problem.name === 'ConstraintError') return this.underWay.over(id);
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
      if (this.contact.away()) throw new Error(AWAY);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  }

  /** Somebody has seen why an act was not kept. */
  seen(order: number): void {
    void this.db.aside.delete(order);
  }

  /** Nothing that was written down here is left: this device has been ended. */
  async erase(): Promise<void> {
    this.underWay.erase();
    await this.db.transaction('rw', this.db.acts, this.db.aside, async () => {
      await this.db.acts.clear();
      await this.db.aside.clear();
    });
    this.rows.set([]);
    this.aside.set([]);
  }

  /** What the database has, and of what waits here that which it must have by now, or another tab has sent it. */
  private async stand(): Promise<Standing> {
    const committed = new Set(this.rows().flatMap(({ act }) => (this.isOnlyHere(act.id) ? [] : [act.id])));
    return { rows: await this.db.acts.orderBy('order').toArray(), committed };
  }

  private async show({ rows, committed }: Standing): Promise<void> {
    // Nobody is signed in: what nobody can read is not what cannot be read.
    if (!this.vault.isOpen()) return;
    const known = new Map(this.rows().map((one) => [one.act.id, one]));
    const waiting: WaitingAct[] = [];
    for (const row of rows.filter(({ id }) => !this.answered.has(id))) {
      // What this page wrote itself it need not read.
      const own = known.get(row.id);
      if (own !== undefined) {
        waiting.push(own);
        continue;
      }
      const opened = fromStored(this.vault, row);
      const read = opened === undefined ? null : readAnyAct(opened.act);
      if (read?.ok === true) waiting.push({ pen: opened!.pen, act: read.value });
      else await this.setAside(opened ?? row, read === null ? NOT_READ : sayUnreadableAct(read.problem));
    }
    const stored = new Set(waiting.map(({ act }) => act.id));
    this.rows.update((now) => {
      const still = waiting.filter(({ act }) => !this.answered.has(act.id));
      const then = [...still, ...now.filter(({ act }) => !committed.has(act.id) && !stored.has(act.id))];
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
    if (more && !(await this.waits(subject))) void this.send(subject);
    // What waited for it.
    if (!more) await this.sendThose(subject);
  }

  private async waits(subject: string): Promise<boolean> {
    const rows = await this.db.acts
      .where({ subject })
      .sortBy('order')
      .catch(() => []);
    return this.mustWait(rows);
  }

  private async sendThose(after: string): Promise<void> {
    const rows = await this.db.acts
      .filter((row) => row.after === after)
      .toArray()
      .catch(() => []);
    for (const subject of new Set(rows.map((row) => row.subject))) void this.send(subject);
  }

  /** The next acts of a docket that one pen signs. */
  private async next(subject: string): Promise<JournalRow[]> {
    const stored = await this.db.acts
      .where({ subject })
      .sortBy('order')
      .catch(() => null);
    const here = this.unstored(subject).filter(({ id }) => stored === null || this.unwritten.has(id));
    if (await this.mustWait(stored ?? [])) return [];
    const opened = (stored ?? []).flatMap((row) => fromStored(this.vault, row) ?? []);
    const rows = [...opened, ...here].filter(({ id }) => !this.answered.has(id));
    const other = rows.findIndex(({ pen }) => pen !== rows[0]!.pen);
    return rows.slice(0, other < 0 ? MOST_ACTS : Math.min(other, MOST_ACTS));
  }

  /** Whether something that was done before on what these rest on still waits itself. */
  private async mustWait(rows: readonly (StoredRow | JournalRow)[]): Promise<boolean> {
    const first = rows.find(({ after }) => after !== undefined);
    if (first === undefined) return false;
    const before = await this.db.acts.where({ subject: first.after }).toArray();
    return before.some(({ id, order }) => order! < first.order! && !this.answered.has(id));
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
    const acts = batch.map(({ act }) => act);
    const wearers = this.newcomers.namedIn(JSON.stringify(acts));
    const away = batch.flatMap((row) => (row.away === true ? [row.id] : []));
    const body = {
      ...{ pen: batch[0]!.pen, acts, clock: new Date().toISOString() },
      ...(wearers.length === 0 ? {} : { wearers }),
      ...(away.length === 0 ? {} : { away }),
    };
    const asked = this.api.post(ROUTES.acts, body, actAnswersSchema).pipe(timeout({ first: PATIENCE_MS }));
    const answers = await firstValueFrom(asked).catch(async (problem: unknown) => {
      if (!(problem instanceof ApiProblem) || !FOR_GOOD.has(problem.kind)) throw problem;
      // The request as a whole was refused: each goes by itself, so that only the culprit stays behind.
      if (batch.length > 1) {
        for (const row of batch) await this.deliver([row]);
        return null;
      }
      return [refusal(batch[0]!, problem)];
    });
    if (answers === null) return;
    if (wearers.length > 0 && answers.every(({ outcome }) => outcome === 'kept'))
      await this.newcomers.arrived(wearers.map(({ id }) => id));
    for (const [at, row] of batch.entries()) {
      const answer = answers[at];
      if (answer?.outcome === 'kept') {
        // Told before it is crossed out, it is never seen by neither.
        this.arrivals.next(answer.kept);
        if (row.away === true) this.cameBack.next(answer.kept);
        await this.crossOut(row.id);
      } else if (answer !== undefined) {
        // What the server could not read at all it tells of nowhere else.
        const told = row.away === true && !(answer.outcome === 'refused' && FOR_GOOD.has(answer.code));
        await this.setAside(row, answer.detail, answer.outcome === 'late', told);
      }
    }
    // An answer that says nothing of an act leaves it where it is.
    if (answers.length < batch.length) throw new Error('The server did not confirm every change.');
  }

  /**
   * @param late whether the server keeps it for somebody to accept
   * @param away whether the server tells of it among what met something
   */
  private async setAside(
    row: { readonly id: string; readonly subject: string; readonly act?: unknown },
    why: string,
    late = false,
    away = false,
  ): Promise<void> {
    const { id, subject, act } = row;
    this.answered.add(id);
    this.underWay.over(id);
    await this.db
      .transaction('rw', this.db.acts, this.db.aside, async () => {
        await this.db.aside.where({ id }).delete();
        const at = new Date().toISOString();
        await this.db.aside.add(asideToStored(this.vault, { id, subject, act, why, late, away, at }));
        await this.db.acts.where({ id }).delete();
      })
      .catch(() => undefined);
    this.rows.update((rows) => rows.filter((one) => one.act.id !== id));
    const read = readAnyAct(act);
    if (read.ok) this.refusals.next({ act: read.value, why });
  }

  private async crossOut(id: string): Promise<void> {
    this.answered.add(id);
    this.underWay.over(id);
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

/** What stood in the database at a moment, and which of the acts of this page were in it by then. */
interface Standing {
  readonly rows: readonly (StoredRow | JournalRow)[];
  readonly committed: ReadonlySet<string>;
}

const NO_STORE =
  'This browser cannot save on this device (private window, or no space). Changes are sent while this page stays open.';

/** Kinds of problem that sending the same again would not change. */
const FOR_GOOD: ReadonlySet<string> = new Set(['invalid', 'unreadable-request', 'too-large']);

function refusal(row: JournalRow, problem: ApiProblem): ActAnswer {
  return { outcome: 'refused', id: row.id, code: problem.kind, detail: problem.message };
}
