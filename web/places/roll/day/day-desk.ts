import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { plainName } from '@neat-measure/core';
import {
  dueOf,
  isAt,
  nextFor,
  paceOf,
  personOn,
  visitsAnHour,
  whoIsAt,
  type Gone,
  type Muster,
  type MusterPerson,
  type Part,
  type Station,
} from '@neat-measure/core/muster';
import { firstValueFrom, map, timer } from 'rxjs';
import { GoingOn } from '../../../data/pack/going-on';
import { MusterService } from '../../../data/musters/muster-service';
import { MusterStore } from '../../../data/musters/muster-store';
import { benchPath } from '../../../data/musters/bench-path';
import { sayStanding } from '../say-muster';

/** Who of a muster is listed: all, or those who are expected, here, or gone in some way. */
export type Listed = 'all' | 'expected' | 'here' | Gone;

/** How often what hangs on the time is reckoned anew. */
const TICK_MS = 10_000;
/** So many names a list shows; who is looked for among more is typed. */
export const MOST_SHOWN = 60;

/** What is looked at and done on the day of a muster: who is next, who is where, and who is looked for. */
@Injectable()
export class DayDesk {
  readonly store = inject(MusterStore);
  private readonly goingOn = inject(GoingOn);
  private readonly service = inject(MusterService);
  private readonly router = inject(Router);

  readonly now = toSignal(timer(0, TICK_MS).pipe(map(() => new Date().toISOString())), {
    initialValue: new Date().toISOString(),
  });
  readonly muster = this.store.muster;
  readonly own = this.store.own;
  readonly listed = signal<Listed | null>(null);
  readonly sought = signal('');
  readonly row = signal(0);

  readonly pace = computed(() => {
    const muster = this.muster();
    return muster === null ? null : paceOf(muster, this.now());
  });

  /** The stations with who is there and who waits, and how many they finish with an hour. */
  readonly stations = computed(() => {
    const muster = this.muster();
    if (muster === null) return [];
    return this.store.queues().stations.map((queue) => ({
      ...queue,
      own: queue.station.id === this.own()?.id,
      anHour: visitsAnHour(muster, queue.station.id, this.now()),
    }));
  });
  readonly stuck = computed(() => this.store.queues().stuck);

  /** Who is at the own station now; `null` where nobody is. */
  readonly current = computed(() => {
    const [muster, own] = [this.muster(), this.own()];
    return muster === null || own === null ? null : (whoIsAt(muster, own.id) ?? null);
  });
  /** Who is called next to the own station; `null` where nobody waits for it. */
  readonly next = computed(() => {
    const [muster, own] = [this.muster(), this.own()];
    return muster === null || own === null ? null : nextFor(this.store.queues(), muster, own.id);
  });

  /** Those who are listed, or whose name has what is sought, by name. */
  readonly people = computed(() => {
    const [muster, words, listed] = [this.muster(), plainName(this.sought()).split(/\s+/u), this.listed()];
    if (muster === null) return [];
    const sought = words.some((word) => word !== '');
    return (
      muster.people
        .filter((person) => (sought ? true : isListed(person, listed)))
        .map((person) => ({
          person,
          name: this.store.name(person.wearerId),
          number: this.store.number(person.wearerId),
          group: this.store.group(person),
        }))
        .filter(({ name, number, group }) =>
          words.every((word) => plainName(`${name} ${number} ${group}`).includes(word)),
        )
        // Whose number was typed or scanned whole comes first.
        .sort(
          (one, other) =>
            Number(isWhole(other.number, words)) - Number(isWhole(one.number, words)) ||
            one.name.localeCompare(other.name),
        )
    );
  });
  readonly shown = computed(() => this.people().slice(0, MOST_SHOWN));
  readonly unseen = computed(() => this.people().length - this.shown().length);

  /** Checks in whoever has come, or calls whoever waits to the own station. */
  takeOn(person: MusterPerson): void {
    const { standing } = person.day;
    if (standing.is === 'waiting' && this.own() !== null) return void this.call(person);
    if (this.store.does({ kind: 'checked-in', wearerId: person.wearerId, missing: null })) this.forget();
  }

  /** Calls somebody to the own station and opens their docket there, once it is known to be theirs. */
  async call({ wearerId }: MusterPerson, at?: Part): Promise<void> {
    const own = this.own();
    if (own === null || !this.store.does({ kind: 'called', wearerId, stationId: own.id })) return;
    this.forget();
    await this.open(wearerId, at);
  }

  /**
   * Opens the Bench for whoever is at the own station.
   *
   * @param at the part of the work it opens at; the first that is to be done without it
   */
  async open(wearerId: string, at?: Part): Promise<void> {
    const id = this.muster()!.id;
    try {
      // The server opens the docket as it hears of the call.
      await this.goingOn.after(id);
    } catch (problem) {
      this.store.trouble.set(
        `${(problem as Error).message} The call is saved on this device. Press Enter to continue when the server can be reached.`,
      );
      return;
    }
    const muster = this.muster();
    const own = this.own();
    const person = muster === null ? undefined : personOn(muster, wearerId);
    // Refused meanwhile: somebody else was faster, which is said.
    if (muster === null || own === null || person === undefined || !isAt(person, own.id)) return;
    await this.router.navigateByUrl(benchPath(muster, own, person, at));
  }

  finish({ wearerId }: MusterPerson): void {
    const own = this.own();
    if (own !== null) this.store.does({ kind: 'finished', wearerId, stationId: own.id, missing: null });
  }

  sendBack({ wearerId }: MusterPerson): void {
    const own = this.own();
    if (own !== null) this.store.does({ kind: 'sent-back', wearerId, stationId: own.id });
  }

  /** Takes on whoever has a slip that was scanned or typed; where that is nobody here, `store.trouble` says why. */
  async takeSlip(code: string): Promise<void> {
    const muster = this.muster();
    if (muster === null) return;
    try {
      const { wearerId } = await firstValueFrom(this.service.slipOwner(muster.id, code));
      const person = personOn(this.muster() ?? muster, wearerId);
      if (person !== undefined) return await this.takeScanned(person);
      this.store.trouble.set(
        'The list has changed since this page was opened. Reload the page, then scan the slip again.',
      );
    } catch (problem) {
      this.store.trouble.set((problem as Error).message);
    }
  }

  /** Takes on whose parcel was scanned: at a station that hands over, to where it is handed over. */
  async takeParcel(docketId: string): Promise<void> {
    const person = this.muster()?.people.find((one) => one.docketId === docketId);
    if (person !== undefined) return this.takeScanned(person, 'handing');
    this.store.trouble.set(
      'This label is of a docket that is not on this muster. Scan it on the Bench, or add its wearer.',
    );
  }

  /** Whoever was scanned is taken to the own station where that is free and has something for them, else checked in. */
  async takeScanned(person: MusterPerson, at?: Part): Promise<void> {
    this.store.trouble.set('');
    const { wearerId, day } = person;
    const { standing } = day;
    const [own, now] = [this.own(), this.muster()!];
    const free = own !== null && this.current() === null;
    const here = at !== undefined && own?.parts.includes(at) === true ? at : undefined;
    if (own !== null && isAt(person, own.id)) await this.open(wearerId, here);
    else if (free && standing.is !== 'at' && (here !== undefined || hasFor(now, own, person)))
      await this.call(person, here);
    else if (standing.is === 'expected' || standing.is === 'gone') this.takeOn(person);
    else
      this.store.trouble.set(
        `${this.store.name(wearerId)} is ${sayStanding(person, now.stations, this.now())}.`,
      );
  }

  forget(): void {
    this.sought.set('');
    this.row.set(0);
  }
}

/** Whether a station has something that can be done for somebody now. */
function hasFor(muster: Muster, { parts }: Station, person: MusterPerson): boolean {
  return dueOf(muster, person).some((part) => parts.includes(part));
}

function isListed({ day: { standing } }: MusterPerson, listed: Listed | null): boolean {
  if (listed === null || listed === 'all') return true;
  if (listed === 'here') return standing.is === 'waiting' || standing.is === 'at';
  if (listed === 'expected') return standing.is === 'expected';
  return standing.is === 'gone' && standing.how === listed;
}

function isWhole(number: string, words: readonly string[]): boolean {
  return number !== '' && plainName(number) === words.join(' ');
}
