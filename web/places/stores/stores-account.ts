import { computed, DestroyRef, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Room, Scanned, Warning } from '@neat-measure/contract/stores';
import { COMPARTMENT_WORDS, dayOf, sayDay as writeDay, type Compartment } from '@neat-measure/core/stock';
import { auditTime } from 'rxjs';
import { Fetched } from '../../data/fetched';
import { Journal } from '../../data/journal/journal';
import { StoresService } from '../../data/stores-service';
import type { KeyCommand } from '../../parts/shortcuts/keys';

/** What every desk of the stores shares: the rooms, what is to be looked at, and who takes what is scanned. */
@Injectable()
export class StoresAccount {
  private readonly service = inject(StoresService);
  readonly fetchedRooms = new Fetched<readonly Room[]>(() => this.service.rooms());
  readonly rooms = computed(() => this.fetchedRooms.value() ?? []);
  readonly warnings = new Fetched<readonly Warning[]>(() => this.service.warnings());
  readonly roomChoices = computed(() => this.rooms().map(({ id, name }) => ({ value: id, label: name })));
  /** The desk that waits for codes; without one, what is scanned is opened on the shelves. */
  readonly taker = signal<((scanned: Scanned) => void) | null>(null);

  /** The keys of the desk that is open; they go before the table of all desks. */
  readonly keys = signal<readonly KeyCommand[]>([]);

  /** Has a table of keys for as long as the desk lives that is made now. */
  takeKeys(keys: readonly KeyCommand[]): void {
    this.keys.set(keys);
    inject(DestroyRef).onDestroy(() => {
      if (this.keys() === keys) this.keys.set([]);
    });
  }

  /** Counts what reached the server from elsewhere, such as a garment that was handed over just before: desks fetch anew. */
  readonly turned = signal(0);

  constructor() {
    const journal = inject(Journal);
    let waited = false;
    effect(() => {
      const waits = journal.unsent() > 0;
      // What was done on the Bench has been kept by now, and may have moved something.
      if (waited && !waits) untracked(() => this.turn());
      waited = waits;
    });
    // Where the page is busy an act can wait and be kept between two looks at what waits.
    journal.kept.pipe(auditTime(50), takeUntilDestroyed()).subscribe(() => this.turn());
  }

  /** Lets a desk fetch anew whenever something reached the server from elsewhere. Called where the desk is made. */
  whenTurned(again: () => void): void {
    effect(() => {
      if (this.turned() > 0) untracked(again);
    });
  }

  private turn(): void {
    this.turned.update((count) => count + 1);
    this.warnings.again();
  }

  /** Where a place is, in words. */
  nameOf(place: string): string {
    const [roomId, compartment] = place.split('/');
    if (compartment === undefined) return OUTSIDE[place] ?? place;
    const room = this.rooms().find(({ id }) => id === roomId)?.name ?? 'a room';
    return compartment === 'shelf'
      ? room
      : `${room}, ${COMPARTMENT_WORDS[compartment as Compartment] ?? compartment}`;
  }

  /** Something was done: what is to be looked at may be another by now. */
  changed(): void {
    this.warnings.again();
  }
}

const OUTSIDE: Readonly<Record<string, string>> = {
  maker: 'the maker',
  wearer: 'a wearer',
  waste: 'waste',
  difference: 'a count',
  renaming: 'another label',
};

const LETTERS = ['XXXS', 'XXS', 'XS', 'S', 'M', 'L', 'XL', 'XXL', 'XXXL'];

/** Sizes in the order people lay them out: letters as they grow, numbers by what they are. */
export function bySize(one: string, other: string): number {
  const [a, b] = [LETTERS.indexOf(one), LETTERS.indexOf(other)];
  if (a >= 0 && b >= 0) return a - b;
  const [mine, theirs] = [numbersIn(one), numbersIn(other)];
  const at = mine.findIndex((number, index) => number !== theirs[index]);
  if (at >= 0 && theirs[at] !== undefined) return mine[at]! - theirs[at]!;
  return one.localeCompare(other, 'en', { numeric: true });
}

/** The numbers of a label in their order, `14 1/2/32` as 14.5 and 32. */
function numbersIn(label: string): number[] {
  return [...label.matchAll(/(\d+(?:\.\d+)?)(?: (\d)\/(\d))?/g)].map(
    ([, whole, over, under]) => Number(whole) + (over === undefined ? 0 : Number(over) / Number(under)),
  );
}

/** Today by the clock of this device, as days are written. */
export function today(): string {
  return dayOf(new Date());
}

/** A day as people read it; the year only where it is another. */
export function sayDay(day: string): string {
  return writeDay(day, today());
}
