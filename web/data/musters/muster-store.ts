import { computed, type DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { isOnDocket, type KeptMusterAct } from '@neat-measure/contract';
import { MOST_WEARERS_ASKED, type MusterView, type MusterWearer } from '@neat-measure/contract/musters';
import { isMusterAct, MUSTER_ACTS, type MusterAct, type MusterDoing } from '@neat-measure/core';
import {
  lastOwn,
  queuesOf,
  sayMusterAct,
  sayMusterRefusal,
  stationOn,
  type Muster,
  type MusterLibrary,
  type MusterNames,
  type MusterPerson,
  type Part,
} from '@neat-measure/core/muster';
import { from, Subscription, switchMap } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Contact } from '../contact';
import { inTurn } from '../journal/in-turn';
import { Journal } from '../journal/journal';
import { lostAWhile } from '../lost-a-while';
import { SessionService } from '../session-service';
import { MusterService } from './muster-service';

/** How long a muster stays open that no page wants any more. */
const LINGERS_MS = 3_000;

const NO_QUEUES = { stations: [], stuck: [] };

/**
 * The muster that is open: as it stood when it was fetched, the acts kept since, then those that wait on this device.
 * Nothing is fetched again after an act: all of them come by the stream, and it stays open from the Roll to the Bench and
 * back. Whatever is done goes through `does`.
 */
@Injectable({ providedIn: 'root' })
export class MusterStore {
  private readonly service = inject(MusterService);
  private readonly journal = inject(Journal);
  private readonly session = inject(SessionService);
  private readonly contact = inject(Contact);

  private readonly base = signal<MusterView | null>(null);
  private readonly kept = signal<readonly KeptMusterAct[]>([]);
  private readonly more = signal<readonly MusterWearer[]>([]);
  private listening = Subscription.EMPTY;

  /** What went wrong between here and the server, or why an act was not done. */
  readonly trouble = signal('');
  /** Whether what others do is not heard for the moment. */
  readonly lost = signal(false);
  /** Whether that is said: not for a moment, and not where the whole page says that the server is away. */
  readonly unheard = lostAWhile(this.lost, this.contact.away);
  /** Says what is missing on a docket that this page has open. */
  private missingOn: MusterLibrary['missingOn'] = () => null;
  private readonly library: MusterLibrary = { missingOn: (docketId) => this.missingOn(docketId) };

  private readonly course = computed(() => {
    const base = this.base();
    return base === null ? null : MUSTER_ACTS.course(base.muster);
  });
  private readonly inTurn = computed(() => {
    const id = this.base()?.muster.id;
    return inTurn<MusterAct, MusterAct>(
      this.kept().map(({ act }) => act),
      this.journal.waiting().flatMap(({ act }) => (isMusterAct(act) && act.musterId === id ? [act] : [])),
    );
  });
  /** The muster as it stands; `null` until it is there. */
  readonly muster = computed<Muster | null>(() => {
    const { standing, waiting } = this.inTurn();
    return MUSTER_ACTS.continued(this.course()?.end(standing) ?? null, waiting, this.library).state;
  });
  readonly queues = computed(() => {
    const muster = this.muster();
    return muster === null ? NO_QUEUES : queuesOf(muster);
  });
  private readonly wearers = computed(
    () => new Map([...(this.base()?.wearers ?? []), ...this.more()].map((one) => [one.id, one])),
  );
  /** The station whoever is signed in works at; `null` for none. */
  readonly own = computed(
    () => this.muster()?.stations.find(({ fitter }) => fitter?.id === this.session.fitter()?.id) ?? null,
  );

  constructor() {
    this.journal.kept.pipe(takeUntilDestroyed()).subscribe((kept) => {
      if (!isOnDocket(kept)) this.take(kept as KeptMusterAct);
    });
    this.journal.refused.pipe(takeUntilDestroyed()).subscribe(({ act, why }) => {
      if (!isMusterAct(act) || act.musterId !== this.base()?.muster.id) return;
      this.trouble.set(`Not saved: ${this.say(act)} ${why}`);
    });
    // What others did meanwhile, once what was done here has been sent.
    this.contact.back
      .pipe(
        switchMap(() => from(this.journal.whenSent().catch(() => undefined))),
        takeUntilDestroyed(),
      )
      .subscribe(() => {
        const asks = this.wanted !== null && this.users > 0 && this.session.fitter() !== null;
        if (asks) this.fetch(this.wanted!);
      });
  }

  private users = 0;
  private wanted: string | null = null;

  /**
   * Opens a muster, and hears what others do on it for as long as whatever wants it lives, and a moment longer: the
   * next page mostly wants it, too.
   */
  open(musterId: string, user: DestroyRef): void {
    this.users += 1;
    user.onDestroy(() => {
      this.users -= 1;
      setTimeout(() => {
        if (this.users === 0) this.close();
      }, LINGERS_MS);
    });
    if (this.wanted === musterId && !this.listening.closed) return;
    this.close();
    this.wanted = musterId;
    this.fetch(musterId);
  }

  private close(): void {
    this.listening.unsubscribe();
    this.wanted = null;
    this.base.set(null);
    this.kept.set([]);
    this.more.set([]);
    this.trouble.set('');
    this.lost.set(false);
    this.missingOn = () => null;
  }

  private fetch(musterId: string): void {
    this.listening.unsubscribe();
    // Of its own, as an answer that has come ends what was added to its subscription.
    const listening = new Subscription();
    this.listening = listening;
    const opened = this.service.open(musterId).subscribe({
      next: (view) => {
        this.trouble.set('');
        this.kept.set([]);
        this.more.set([]);
        this.base.set(view);
        listening.add(
          this.service
            .hear(musterId, () => this.kept().at(-1)?.place ?? view.place)
            .subscribe((heard) => {
              if (heard === 'lost') this.lost.set(true);
              else if (heard === 'listening') this.lost.set(false);
              else this.take(heard.kept);
            }),
        );
      },
      error: (problem: Error) => this.trouble.set(problem.message),
    });
    listening.add(opened);
  }

  /** Fetches it anew: after a failure. */
  again(musterId: string): void {
    this.trouble.set('');
    this.fetch(musterId);
  }

  /** Whose name is not known is on their way, or has been erased. */
  name(wearerId: string): string {
    return this.wearers().get(wearerId)?.name ?? 'A wearer';
  }

  role(wearerId: string): string {
    return this.wearers().get(wearerId)?.role ?? '';
  }

  /** The house's own number of a wearer; empty where they have none. */
  number(wearerId: string): string {
    return this.wearers().get(wearerId)?.number ?? '';
  }

  /** The group somebody was added with; empty for none, or where it is not known here yet. */
  group({ groupId }: Pick<MusterPerson, 'groupId'>): string {
    return groupId === null ? '' : (this.groups().get(groupId) ?? '');
  }

  private readonly groups = computed(
    () => new Map((this.base()?.groups ?? []).map(({ id, name }) => [id, name])),
  );

  /** The other muster of the same days that a wearer is on; empty for none. */
  alsoOn(wearerId: string): string {
    return this.elsewhere().get(wearerId) ?? '';
  }

  private readonly elsewhere = computed(
    () => new Map((this.base()?.alsoOn ?? []).map((one) => [one.wearerId, one.muster])),
  );

  /** Puts somebody on who was added here, so that they have their name at once. */
  knows(wearer: MusterWearer): void {
    this.more.update((more) => [...more, wearer]);
  }

  /** What is missing on the docket that this page has open, so that what is done here shows at once. */
  looksAt(docketId: string, missing: () => readonly Part[]): void {
    this.missingOn = (id) => (id === docketId ? missing() : null);
  }

  /**
   * Does something on the muster: written down on this device, shown as done, and sent.
   *
   * @returns whether it was done; if not, `trouble` says why
   */
  does(doing: MusterDoing, undoes?: string): boolean {
    const [muster, fitter] = [this.muster(), this.session.fitter()];
    if (muster === null || fitter === null) return false;
    const act = {
      ...{ id: uuidv7(), musterId: muster.id, at: new Date().toISOString() },
      by: { id: fitter.id, name: fitter.name },
      ...(undoes === undefined ? {} : { undoes }),
      ...doing,
    } as MusterAct;
    const { takes } = MUSTER_ACTS.kindOf(act);
    if (!this.session.may(takes)) {
      this.trouble.set(sayMusterRefusal({ code: 'muster-not-trusted', takes }, this.names));
      return false;
    }
    const applied = MUSTER_ACTS.apply(muster, act, this.library);
    if (!applied.ok) {
      this.trouble.set(sayMusterRefusal(applied.problem, this.names));
      return false;
    }
    this.trouble.set('');
    this.journal.write(fitter.pen, applied.value.act);
    return true;
  }

  /** What whoever is signed in did last here, in words, and what takes it back; `null` where they did nothing. */
  readonly last = computed(() => {
    const fitter = this.session.fitter();
    if (fitter === null) return null;
    const { standing, waiting } = this.inTurn();
    const last = lastOwn([...standing, ...waiting], fitter.id, this.library, this.course());
    if (last === null) return null;
    return { ...last, words: this.say(last.act).replace(`${fitter.name} `, '') };
  });

  /** Takes back what was done last; whether there was something to take back. */
  undo(): boolean {
    const last = this.last();
    if (last === null || last.undoing === null) return false;
    return this.does(last.undoing, last.act.id);
  }

  private readonly names: MusterNames = {
    wearer: (id) => this.name(id),
    station: (id) => {
      const muster = this.muster();
      return (muster === null ? undefined : stationOn(muster, id)?.name) ?? 'a station';
    },
  };

  private say(act: MusterAct): string {
    return sayMusterAct(act, this.names);
  }

  private take(one: KeptMusterAct): void {
    const base = this.base();
    if (base === null || one.act.musterId !== base.muster.id || one.place <= base.place) return;
    const known = this.kept();
    if (known.some(({ act }) => act.id === one.act.id)) return;
    // What comes late belongs where the server has it.
    this.kept.set([...known, one].sort((some, other) => some.place - other.place));
    if (one.act.kind === 'people-added') this.meet(one.act.people.map(({ wearerId }) => wearerId));
  }

  /** Asks who those are whom somebody else has put on the list. */
  private meet(ids: readonly string[]): void {
    const muster = this.base()!.muster.id;
    const unknown = ids.filter((id) => !this.wearers().has(id));
    if (unknown.length === 0) return;
    // A whole list that was imported elsewhere is fetched as a whole.
    if (unknown.length > MOST_WEARERS_ASKED) return this.fetch(muster);
    this.listening.add(
      this.service.wearers(muster, unknown).subscribe({
        next: (found) => this.more.update((more) => [...more, ...found]),
        error: () => undefined,
      }),
    );
  }
}
