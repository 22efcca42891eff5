import { effect, inject, Injectable, signal, untracked } from '@angular/core';
import {
  newcomerSchema,
  pathOf,
  ROUTES,
  wearerSchema,
  type Newcomer,
  type Wearer,
} from '@neat-measure/contract';
import { firstValueFrom } from 'rxjs';
import { Api, ApiProblem } from '../api';
import { Vault } from '../sealed/vault';

const KEPT_AS = 'newcomer ';
const ARRIVED = 'arrived ';
/** So many of those the server knows are kept: the last. */
const MOST_MET = 200;

/** Wearers who were added here while the server was away, until it knows them. */
@Injectable({ providedIn: 'root' })
export class Newcomers {
  private readonly vault = inject(Vault);
  private readonly api = inject(Api);
  private readonly met = signal<readonly Newcomer[]>([]);

  readonly all = this.met.asReadonly();
  private readonly come = signal<readonly Newcomer[]>([]);
  /** Who was met here and the server knows, and what was taken along may not. */
  readonly arrivedSince = this.come.asReadonly();

  /** Resolves once it has been looked who is here. */
  readonly known: Promise<void>;

  constructor() {
    // Nobody is signed in any more, and what was here is erased.
    effect(() => {
      if (!this.vault.isOpen()) untracked(() => [this.met, this.come].forEach((one) => one.set([])));
    });
    this.known = this.vault.whenOpen().then(() => this.load());
    this.vault.opens.subscribe(() => void this.load());
  }

  private async load(): Promise<void> {
    for (const [prefix, all] of [
      [KEPT_AS, this.met],
      [ARRIVED, this.come],
    ] as const) {
      const kept = await this.vault.keptUnder(prefix).catch(() => new Map<string, unknown>());
      const read = [...kept.values()].flatMap((one) => newcomerSchema.safeParse(one).data ?? []);
      all.update((met) => [...new Map([...read, ...met].map((one) => [one.id, one])).values()]);
    }
  }

  /** Adds somebody here, by the id the server will know them by. */
  async add(id: string, name: string, role: string): Promise<Wearer> {
    const read = newcomerSchema.safeParse({ id, name, role, born: null, number: null });
    // What the server would not take would hold up what is done for them.
    if (!read.success) throw new Error(read.error.issues[0]!.message);
    const newcomer = read.data;
    await this.vault.keep(KEPT_AS + newcomer.id, newcomer);
    this.met.update((met) => [...met, newcomer]);
    return asWearer(newcomer);
  }

  /**
   * Somebody the server has told of, and for whom a docket is opened here: should it be away a moment later, what was taken
   * along may not know them.
   */
  meets({ id, name, role, born, number }: Wearer): void {
    if ([...this.met(), ...this.come()].some((one) => one.id === id)) return;
    const one = { id, name, role, born, number };
    const come = [...this.come(), one];
    this.come.set(come.slice(-MOST_MET));
    void this.vault.keep(ARRIVED + id, one).catch(() => undefined);
    for (const before of come.slice(0, -MOST_MET))
      void this.vault.drop(ARRIVED + before.id).catch(() => undefined);
  }

  /** Who of them is spoken of in what is on its way to the server: they go along with it. */
  namedIn(text: string): Newcomer[] {
    return this.met().filter(({ id }) => text.includes(id));
  }

  /** The server knows them now. */
  async arrived(ids: readonly string[]): Promise<void> {
    const arrived = this.met().filter(({ id }) => ids.includes(id));
    this.come.update((come) => [...come, ...arrived]);
    this.met.update((met) => met.filter(({ id }) => !ids.includes(id)));
    for (const one of arrived) await this.vault.keep(ARRIVED + one.id, one).catch(() => undefined);
    for (const id of ids) await this.vault.drop(KEPT_AS + id).catch(() => undefined);
  }

  /** They have been erased in the house, and are here no more either. */
  async forgets(ids: readonly string[]): Promise<void> {
    this.come.update((come) => come.filter(({ id }) => !ids.includes(id)));
    for (const id of ids) await this.vault.drop(ARRIVED + id).catch(() => undefined);
  }

  /** What was taken along is another from now on: who came since the one before stands on the server. */
  async forgetArrived(): Promise<void> {
    this.come.set([]);
    await this.vault.drop(ARRIVED).catch(() => undefined);
  }

  /** Tells the server of those for whom nothing was done that would have brought them. */
  async bring(): Promise<void> {
    for (const { id, ...save } of this.met()) {
      const told = this.api.put(pathOf(ROUTES.wearers, id), { ...save, version: 0 }, wearerSchema);
      // Whoever is known there by now has come with what was done for them.
      const done = await firstValueFrom(told).then(
        () => true,
        (problem: Error) => problem instanceof ApiProblem && problem.kind === 'changed-meanwhile',
      );
      if (done) await this.arrived([id]);
    }
  }
}

/** A newcomer as the server tells of wearers: in no version yet. */
export function asWearer(newcomer: Newcomer): Wearer {
  return { ...newcomer, version: 0, updatedAt: new Date().toISOString() };
}
