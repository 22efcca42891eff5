import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { benchSchema, MOST_KNOWN, musterPackPath, type Bench, type KeptAnyAct } from '@neat-measure/contract';
import { packSchema, type Pack } from '@neat-measure/contract/musters';
import { isMusterAct } from '@neat-measure/core';
import { firstValueFrom, switchMap, type Observable } from 'rxjs';
import * as z from 'zod';
import { Api, ApiProblem } from '../api';
import { breaths } from '../breaths';
import { Contact } from '../contact';
import { Journal } from '../journal/journal';
import { Vault } from '../sealed/vault';
import { SessionService } from '../session-service';
import { Newcomers } from './newcomers';

/** What of a muster this device has taken along. */
const takenSchema = z.object({
  musterId: z.string(),
  name: z.string(),
  lastDay: z.string(),
  house: z.string(),
  madeAt: z.string(),
  place: z.int(),
  wearers: z.int(),
  bytes: z.int(),
});
export type TakenAlong = z.infer<typeof takenSchema>;

const personSchema = packSchema.shape.people.element;
const wireSchema = packSchema.extend({ people: z.array(z.unknown()) });

const ABOUT = 'taken';
const PACK = 'pack ';
const SINCE = 'since ';
const LOOKED = 'looked ';
const LOOKED_IDS = 'looks';
/** So many dockets that are not of the muster can be opened again: the last that were looked at. */
const MOST_LOOKED = 60;
/** So often what was taken along is brought up to date while the server is there. */
const RENEW_MS = 180_000;
/** The server knows nothing of it. */
const GONE = Symbol('gone');
/** A browser is asked for so many times what a pack takes: it grows over the day. */
const ROOM = 4;

/**
 * The muster that this device has taken along, sealed: what answers in the server's place while it is away. It is brought up
 * to date while the server is there, and what is done here is added at once.
 */
@Injectable({ providedIn: 'root' })
export class PackService {
  private readonly api = inject(Api);
  private readonly vault = inject(Vault);
  private readonly journal = inject(Journal);
  private readonly contact = inject(Contact);
  private readonly session = inject(SessionService);
  private readonly newcomers = inject(Newcomers);

  private readonly about = signal<TakenAlong | null>(null);
  /** What is here; `null` for nothing. */
  readonly taken = this.about.asReadonly();
  readonly busy = signal(false);
  readonly trouble = signal('');
  /** What the browser does not promise, in words. */
  readonly caution = signal('');
  /** Whether what is done here can be opened again without the server. */
  readonly ready = computed(() => this.about() !== null);

  /** Resolves once it has been looked what is here. */
  readonly known: Promise<void>;

  constructor() {
    this.known = this.vault.whenOpen().then(() => this.load());
    this.vault.opens.subscribe(() => void this.load());
    // Nobody is signed in any more: this page forgets it as well.
    effect(() => {
      if (this.vault.isOpen()) return;
      this.heard.clear();
      untracked(() => this.has(null));
    });
    this.journal.kept.subscribe((kept) => {
      this.heard.set(kept.act.id, kept);
      void this.add(kept);
    });
    this.contact.back.subscribe(() => void this.catchUp());
    setInterval(() => void this.renew(), RENEW_MS);
  }

  /**
   * What the server has kept of this page's acts. From the moment it is told it waits no more, and what is sealed takes a
   * moment longer: what is asked for in between must not lack it.
   */
  private readonly heard = new Map<string, KeptAnyAct>();

  /** Takes a muster along in the place of what was here. */
  async take(musterId: string): Promise<void> {
    if (this.busy()) return;
    this.busy.set(true);
    this.trouble.set('');
    try {
      const pack = await firstValueFrom(this.fetch(musterId));
      // What was met while another was here has nothing to do with this one.
      if (this.about()?.musterId !== musterId) await this.forgetBeside();
      const bytes = await this.keep(pack);
      await this.askForRoom(bytes);
    } catch (problem) {
      this.trouble.set(sayNotTaken(problem as Error));
    } finally {
      this.busy.set(false);
    }
  }

  /** Erases what was taken along. */
  async drop(): Promise<void> {
    await this.vault.drop(PACK);
    await this.vault.drop(SINCE);
    await this.forgetBeside();
    await this.vault.drop(ABOUT);
    this.has(null);
  }

  /** Read person by person: all at once the page would stand still for it, in the middle of somebody's work. */
  private fetch(musterId: string): Observable<Pack> {
    return this.api.get(musterPackPath(musterId), wireSchema).pipe(
      switchMap(async ({ people, ...rest }) => {
        const read: Pack['people'] = [];
        const breath = breaths();
        for (const one of people) {
          read.push(personSchema.parse(one));
          await breath();
        }
        return { ...rest, people: read };
      }),
    );
  }

  private async keep(pack: Pack): Promise<number> {
    const before = this.about();
    // Another house counts by places of its own.
    if (before !== null && before.house !== pack.house) {
      await this.vault.drop(SINCE);
      this.heard.clear();
      await this.forgetBeside();
    }
    const { people, view, ...rest } = pack;
    const records = new Map<string, unknown>([
      [`${PACK}house`, rest],
      [`${PACK}view`, view],
      ...people.map((one): [string, unknown] => [`${PACK}person ${one.docketId}`, one]),
    ]);
    const bytes = await this.vault.keepAll(PACK, records);
    // What was done since is in it by now; not what was done for who is not on the muster.
    const within = new Set(
      people.flatMap(({ docketId, others }) => [docketId, ...others.map(({ id }) => id)]),
    );
    const isWithin = ({ act, place }: KeptAnyAct) =>
      place <= pack.place && (isMusterAct(act) || within.has(act.docketId));
    for (const [id, since] of await this.vault.keptUnder(SINCE)) {
      if (isWithin(since as KeptAnyAct)) await this.vault.drop(id);
    }
    for (const [id, since] of this.heard) if (isWithin(since)) this.heard.delete(id);
    const { muster } = view;
    const about: TakenAlong = {
      ...{ musterId: muster.id, name: muster.name, lastDay: muster.lastDay, house: pack.house },
      ...{ madeAt: pack.madeAt, place: pack.place, wearers: people.length, bytes },
    };
    await this.vault.keep(ABOUT, about);
    this.has(about);
    return bytes;
  }

  private async forgetBeside(): Promise<void> {
    await this.vault.drop(LOOKED);
    await this.vault.drop(LOOKED_IDS);
    await this.newcomers.forgetArrived();
  }

  /** A docket that was looked at can be opened again without the server, whoever it is of. */
  async remember(bench: Bench): Promise<void> {
    if (this.about() === null) return;
    const before = (await this.vault.kept(LOOKED_IDS)) as string[] | undefined;
    const ids = [bench.id, ...(before ?? []).filter((id) => id !== bench.id)];
    await this.vault.keep(LOOKED + bench.id, bench);
    await this.vault.keep(LOOKED_IDS, ids.slice(0, MOST_LOOKED));
    for (const id of ids.slice(MOST_LOOKED)) await this.vault.drop(LOOKED + id);
    this.loaded = null;
  }

  /** The wearers whose names are here beside those of the muster, which is brought up to date as a whole. */
  async knows(): Promise<string[]> {
    const looked = await this.looked();
    const ids = [
      ...looked.map(({ wearer }) => wearer.id),
      ...this.newcomers.arrivedSince().map(({ id }) => id),
    ];
    return [...new Set(ids)].slice(-MOST_KNOWN);
  }

  /** Forgets wearers who have been erased in the house, with their dockets and all that was done on them. */
  async forgets(wearerIds: readonly string[]): Promise<void> {
    if (wearerIds.length === 0) return;
    await this.newcomers.forgets(wearerIds);
    const theirs = (await this.looked()).flatMap(({ id, wearer }) =>
      wearerIds.includes(wearer.id) ? [id] : [],
    );
    for (const id of theirs) await this.vault.drop(LOOKED + id);
    const isTheirs = ({ act }: KeptAnyAct) => !isMusterAct(act) && theirs.includes(act.docketId);
    for (const [id, since] of await this.vault.keptUnder(SINCE))
      if (isTheirs(since as KeptAnyAct)) await this.vault.drop(id);
    for (const [id, since] of this.heard) if (isTheirs(since)) this.heard.delete(id);
    this.loaded = null;
  }

  private async looked(): Promise<Bench[]> {
    const kept = await this.vault.keptUnder(LOOKED);
    return [...kept.values()].flatMap((one) => benchSchema.safeParse(one).data ?? []);
  }

  private async load(): Promise<void> {
    const read = takenSchema.safeParse(await this.vault.kept(ABOUT));
    this.has(read.success ? read.data : null);
    // Whoever was met before this page was closed, and for whom nothing was done since.
    if (!this.contact.away()) void this.newcomers.known.then(() => this.newcomers.bring());
    if (read.success && Date.now() - Date.parse(read.data.madeAt) > RENEW_MS) void this.renew();
  }

  private has(about: TakenAlong | null): void {
    this.about.set(about);
    this.loaded = null;
    this.api.answersBy(about === null ? null : (path) => this.answer(path));
  }

  private loaded: Promise<{ answer(path: string): unknown }> | null = null;

  private async answer(path: string): Promise<unknown> {
    this.loaded ??= this.open();
    // What was done here before the page was loaded is part of what is here.
    await Promise.all([this.journal.known, this.newcomers.known]);
    return (await this.loaded).answer(path);
  }

  private async open(): Promise<{ answer(path: string): unknown }> {
    const [records, since, looked, { PackAnswers }] = await Promise.all([
      this.vault.keptUnder(PACK),
      this.vault.keptUnder(SINCE),
      this.looked(),
      import('./pack-answers'),
    ]);
    const people = [...records].filter(([id]) => id.startsWith(`${PACK}person `)).map(([, one]) => one);
    const pack = packSchema.parse({
      ...(records.get(`${PACK}house`) as object),
      view: records.get(`${PACK}view`),
      people: people.filter((one) => one !== undefined),
    });
    return new PackAnswers(pack, [...since.values()] as KeptAnyAct[], {
      waiting: () => this.journal.waiting().map(({ act }) => act),
      heard: () => [...this.heard.values()],
      newcomers: () => [...this.newcomers.arrivedSince(), ...this.newcomers.all()],
      looked,
    });
  }

  /** What the server has kept of this device's acts is known here too, before the whole is brought up to date. */
  private async add(kept: KeptAnyAct): Promise<void> {
    const about = this.about();
    if (about === null || kept.place <= about.place) return;
    await this.vault.keep(SINCE + kept.act.id, kept).catch(() => undefined);
    this.loaded = null;
  }

  private async catchUp(): Promise<void> {
    await this.journal.whenSent().catch(() => undefined);
    if (this.session.fitter() === null || this.session.lapsed()) return;
    await this.newcomers.bring();
    await this.renew();
  }

  private async renew(): Promise<void> {
    const about = this.about();
    const idle = document.visibilityState === 'hidden' || this.contact.away() || this.session.lapsed();
    if (about === null || idle || this.session.fitter() === null || this.busy()) return;
    const pack = await firstValueFrom(this.fetch(about.musterId)).catch((problem: Error) =>
      problem instanceof ApiProblem && problem.kind === 'not-found' ? GONE : null,
    );
    if (pack === GONE) return this.isGone(about);
    // While it was fetched the server may have gone: then this is what was here.
    if (pack === null || (pack.house === about.house && pack.place < about.place)) return;
    await this.keep(pack).catch(() => undefined);
  }

  /** The house that is signed in to has no such muster: what is here of it is another's, or of before it was restored. */
  private async isGone({ name }: TakenAlong): Promise<void> {
    await this.drop();
    this.trouble.set(`“${name}” is not in this house. It was removed from this device.`);
  }

  private async askForRoom(bytes: number): Promise<void> {
    const { storage } = navigator;
    const { quota = Infinity, usage = 0 } = (await (storage as StorageManager | undefined)?.estimate()) ?? {};
    const lasts = (await (storage as StorageManager | undefined)?.persist?.()) ?? false;
    this.caution.set(
      quota - usage < bytes * ROOM
        ? 'This browser has little room left. Free some space on this device before the muster.'
        : lasts
          ? ''
          : 'This browser may delete what it has when space runs out. Keep some free, and check here before the muster.',
    );
  }
}

function sayNotTaken(problem: Error): string {
  const { inner } = problem as { readonly inner?: Error };
  return [problem.name, inner?.name].includes('QuotaExceededError')
    ? 'There is no room for this muster on this device. Free some space, then try again.'
    : `The muster was not taken along. ${problem.message}`;
}
