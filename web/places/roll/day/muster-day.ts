import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { counted } from '@neat-measure/core';
import { parcelIn, slipIn, type MusterPerson, type Station } from '@neat-measure/core/muster';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { MusterStore } from '../../../data/musters/muster-store';
import { SessionService } from '../../../data/session-service';
import { hearCodes } from '../../../parts/shortcuts/hear-scanner';
import { handleKey, keyOf, notOnButton, type KeyCommand } from '../../../parts/shortcuts/keys';
import { isMeantElsewhere, isTakenElsewhere, listKeys } from '../../../parts/shortcuts/shortcut-service';
import { minutesBetween, sayDays, sayMissing, sayStanding } from '../say-muster';
import { AddWearers } from './add-wearers';
import { DayDesk, type Listed } from './day-desk';
import { DayTape } from './day-tape';
import { ExportPeople } from './export-people';
import { ImportPeople } from './import-people';
import { StationEditor } from './station-editor';
import { TakeAlong } from './take-along';

/** After so many minutes of waiting somebody has waited long. */
const LONG_WAIT_MINUTES = 12;
/** So many of a queue stand in its row; how many more there are is said. */
const CHIPS = 3;

/** The day of a muster: the stations with who is there and who waits, who is next, and how the day goes. */
@Component({
  selector: 'nm-muster-day',
  imports: [
    AddWearers,
    DayTape,
    ExportPeople,
    ImportPeople,
    NzButtonModule,
    NzInputModule,
    NzPopconfirmModule,
    RouterLink,
    StationEditor,
    TakeAlong,
  ],
  providers: [DayDesk],
  templateUrl: './muster-day.html',
  styleUrl: './muster-day.less',
  host: { '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MusterDay {
  readonly musterId = input.required<string>();
  protected readonly desk = inject(DayDesk);
  protected readonly store = inject(MusterStore);
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);
  private readonly search = viewChild<ElementRef<HTMLInputElement>>('search');

  protected readonly CHIPS = CHIPS;
  protected readonly sayDays = sayDays;
  protected readonly sayMissing = sayMissing;
  protected readonly counted = counted;
  protected readonly works = computed(() => this.session.may('work-muster'));
  protected readonly leads = computed(() => this.session.may('lead-muster'));
  /** What stands in the place of the stations: their editor, or who can be added. */
  protected readonly beside = signal<'stations' | 'adding' | 'importing' | 'exporting' | null>(null);
  protected readonly closed = computed(() => (this.desk.muster()?.closedAt ?? null) !== null);
  /** Whether names are listed: some were asked for, or somebody is looked for. */
  protected readonly listing = computed(
    () => this.desk.listed() !== null || this.desk.sought().trim() !== '',
  );

  /** The lists beside, with how many are in each. */
  protected readonly lists = computed(() => {
    const counts = this.desk.pace()?.counts;
    if (counts === undefined) return [];
    const stuck = this.desk.stuck().length;
    const all: readonly { id: Listed; name: string; count: number; about: string }[] = [
      { id: 'expected', name: 'Expected', count: counts.expected, about: '' },
      {
        id: 'here',
        name: 'Here',
        count: counts.here,
        about: stuck === 0 ? '' : `${stuck} need a part no open station has`,
      },
      { id: 'owed', name: 'Left with something owed', count: counts.owed, about: '' },
      { id: 'without', name: 'Left without', count: counts.without, about: '' },
      { id: 'done', name: 'Done', count: counts.done, about: '' },
    ];
    return all.filter(({ id, count }) => count > 0 || (id !== 'owed' && id !== 'without'));
  });

  constructor() {
    const destroyed = inject(DestroyRef);
    effect(() => {
      const id = this.musterId();
      untracked(() => this.store.open(id, destroyed));
    });
    listKeys(() => [...this.keys, ...this.searchKeys]);
  }

  protected waits({ day: { standing } }: MusterPerson): number {
    return standing.is === 'waiting' ? minutesBetween(standing.since, this.desk.now()) : 0;
  }

  protected long(person: MusterPerson): boolean {
    return this.waits(person) >= LONG_WAIT_MINUTES;
  }

  protected since({ day: { standing } }: MusterPerson): string {
    return standing.is === 'at' ? counted(minutesBetween(standing.since, this.desk.now()), 'minute') : '';
  }

  protected standing(person: MusterPerson): string {
    return sayStanding(person, this.desk.muster()?.stations ?? [], this.desk.now());
  }

  /** Somebody on two musters of one day is wanted at both. */
  protected also({ wearerId }: MusterPerson): string {
    const other = this.store.alsoOn(wearerId);
    return other === '' ? '' : ` · also on ${other}`;
  }

  /** What is done with somebody who was found, in the words of its button. */
  protected actOn({ day: { standing } }: MusterPerson): string {
    if (standing.is === 'waiting') return this.desk.own() === null ? '' : `Call to ${this.desk.own()!.name}`;
    if (standing.is === 'at') return '';
    return standing.is === 'expected' ? 'Check in' : 'Check in again';
  }

  protected work({ id }: Station, works: boolean): void {
    this.store.does({ kind: 'station-taken', stationId: id, works });
    this.toWork();
  }

  /** Enter calls from now on: the button that was pressed has it no longer. */
  private toWork(): void {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  }

  protected finish(person: MusterPerson): void {
    this.desk.finish(person);
    this.toWork();
  }

  protected sendBack(person: MusterPerson): void {
    this.desk.sendBack(person);
    this.toWork();
  }

  /** The second click of a double click would be on whoever stands there then. */
  protected takeOn(person: MusterPerson, { detail }: MouseEvent): void {
    if (detail < 2) this.desk.takeOn(person);
  }

  protected went({ wearerId }: MusterPerson): void {
    this.store.does({ kind: 'went', wearerId, why: '' });
  }

  protected remove({ wearerId }: MusterPerson): void {
    this.store.does({ kind: 'people-removed', wearerIds: [wearerId] });
  }

  protected list(listed: Listed): void {
    this.desk.forget();
    this.beside.set(null);
    this.desk.listed.set(this.desk.listed() === listed ? null : listed);
  }

  protected toStations(): void {
    this.desk.forget();
    this.desk.listed.set(null);
    this.beside.set(null);
  }

  protected seek(words: string): void {
    this.beside.set(null);
    this.desk.sought.set(words);
    this.desk.row.set(0);
  }

  /** The field shows at once what is sought: what is typed or scanned next comes before it is drawn anew. */
  private shows(): void {
    const field = this.search()?.nativeElement;
    if (field !== undefined) field.value = this.desk.sought();
  }

  private typeInto(digit: string): void {
    this.seek(this.desk.sought() + digit);
    this.shows();
    this.search()?.nativeElement.focus();
  }

  protected close(): void {
    this.store.does({ kind: 'muster-closed' });
  }

  protected reopen(): void {
    this.store.does({ kind: 'muster-reopened' });
  }

  /** Whoever is at the own station is gone on with, else the next is called. */
  private enter(): void {
    const [current, next] = [this.desk.current(), this.desk.next()];
    if (current !== null) void this.desk.open(current.wearerId);
    else if (next !== null) void this.desk.call(next);
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.defaultPrevented) return this.ear.forget();
    if (isTakenElsewhere(event) || event.repeat) return;
    if (!this.ear.takes(event)) this.press(event);
  }

  /** Held for a scanner a key has been kept from the browser, and nobody else has it. */
  private press(event: KeyboardEvent): void {
    if (isMeantElsewhere(event)) return;
    // Keys that were held have just opened the field: what ends them belongs there.
    if (document.activeElement === this.search()?.nativeElement) return this.onSearchKey(event);
    if (handleKey(this.keys, keyOf(event), event)) event.preventDefault();
  }

  /** What a scanner types is a slip or a house number wherever the keys are, and no key of it is a command. */
  private readonly ear = hearCodes({
    heard: (code) => this.scanned(code),
    pass: (event) => this.press(event),
    how: () => (this.works() && !this.closed() ? 'any' : 'none'),
  });

  private scanned(code: string): void {
    this.beside.set(null);
    const parcel = parcelIn(code);
    if (parcel !== null) {
      this.desk.forget();
      this.shows();
      return void this.desk.takeParcel(parcel);
    }
    this.seek(code);
    this.shows();
    const found = this.desk.shown()[0];
    // A number is somebody's alone; of a code that is none it is shown that nobody has it.
    if (found !== undefined && this.store.number(found.person.wearerId) === code) {
      this.desk.forget();
      this.shows();
      void this.desk.takeScanned(found.person);
    } else if (slipIn(code) !== null) {
      this.desk.forget();
      this.shows();
      void this.desk.takeSlip(code);
    }
  }

  protected onSearchKey(event: KeyboardEvent): void {
    if (handleKey(this.searchKeys, keyOf(event), event)) event.preventDefault();
  }

  private readonly keys: readonly KeyCommand[] = [
    {
      keys: ['Enter'],
      does: 'call the next wearer to your station',
      when: (key, event) => this.works() && this.beside() === null && notOnButton(key, event),
      run: () => this.enter(),
    },
    {
      keys: ['f'],
      does: 'find a wearer: check in or call by name',
      run: () => this.search()?.nativeElement.focus(),
    },
    {
      keys: [...'0123456789'],
      shown: ['0–9'],
      does: 'find a wearer by house number, typed or scanned',
      // The digit itself is typed into the field it leads to.
      run: (digit) => this.typeInto(digit),
    },
    {
      keys: ['n'],
      does: 'add wearers',
      when: () => this.works(),
      run: () => this.beside.set('adding'),
    },
    { keys: ['s'], does: 'stations', run: () => this.toStations() },
    {
      keys: ['b'],
      does: 'board for a wall screen',
      run: () => void this.router.navigate(['/roll', this.musterId(), 'board']),
    },
    {
      keys: ['u'],
      does: 'undo your last change',
      when: () => (this.store.last()?.undoing ?? null) !== null,
      run: () => this.store.undo(),
    },
  ];

  private readonly searchKeys: readonly KeyCommand[] = [
    {
      keys: ['ArrowDown', 'ArrowUp'],
      does: 'the wearer below or above',
      within: 'Find',
      when: () => this.desk.shown().length > 0,
      run: (key) => {
        const last = this.desk.shown().length - 1;
        this.desk.row.update((row) => Math.min(Math.max(row + (key === 'ArrowDown' ? 1 : -1), 0), last));
      },
    },
    {
      keys: ['Enter'],
      does: 'check in, or call whoever waits',
      within: 'Find',
      when: () => this.desk.sought().trim() !== '',
      run: () => {
        const sought = this.desk.sought();
        const found = this.desk.shown()[this.desk.row()];
        // Nobody is called so: it may be a slip.
        if (found === undefined && slipIn(sought) !== null) {
          this.desk.forget();
          this.shows();
          void this.desk.takeSlip(sought);
          return;
        }
        if (found === undefined || this.actOn(found.person) === '') return;
        this.desk.takeOn(found.person);
        this.shows();
      },
    },
    {
      keys: ['Escape'],
      does: 'back to the stations',
      within: 'Find',
      run: () => {
        this.toStations();
        this.search()?.nativeElement.blur();
      },
    },
  ];
}
