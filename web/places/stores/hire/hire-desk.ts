import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import type { HireBooking, HireCalendar, Scanned } from '@neat-measure/contract/stores';
import { sayChance } from '@neat-measure/core';
import { addDays } from '@neat-measure/core/stock';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Fetched } from '../../../data/fetched';
import { SessionService } from '../../../data/session-service';
import { StoresService } from '../../../data/stores-service';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { Fetching } from '../../../parts/fetching/fetching';
import { ControlName } from '../../../parts/forms/control-name';
import { bySize, StoresAccount, today } from '../stores-account';
import { barOf, placed, sayBooking, SHOWN_DAYS } from './hire-bars';
import { HireCalendarGrid, type CalendarLine } from './hire-calendar';
import { HireForWhom, type HireFor } from './hire-for-whom';
import { DayWords } from '../../../parts/forms/day-words';

/** Of which so many are past. */
const PAST_DAYS = 3;

/** The calendar of what is hired: a line a piece, with the days it is out and the days it dries. */
@Component({
  selector: 'nm-hire-desk',
  imports: [
    DayWords,
    ControlName,
    HireCalendarGrid,
    HireForWhom,
    EmptyState,
    Fetching,
    FormsModule,
    NzButtonModule,
    NzInputModule,
    NzSelectModule,
    RouterLink,
  ],
  templateUrl: './hire-desk.html',
  styles: `
    .panel {
      padding: 14px 18px;
      margin-top: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HireDesk {
  /** The booking that is looked at, by its id. */
  readonly hire = input<string>();
  private readonly service = inject(StoresService);
  private readonly router = inject(Router);
  protected readonly account = inject(StoresAccount);
  protected readonly may = inject(SessionService).may('keep-stock');
  protected readonly first = signal(addDays(today(), -PAST_DAYS));
  protected readonly lastDay = computed(() => addDays(this.first(), SHOWN_DAYS - 1));
  protected readonly calendar = new Fetched<HireCalendar>(() =>
    this.service.calendar(this.first(), this.lastDay()),
  );
  protected readonly garment = signal<string | null>(null);
  protected readonly say = sayBooking;
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);

  /** Only what is hired by the calendar: pieces of garments of which any was booked, or that dry. */
  protected readonly garments = computed(() => {
    const pieces = this.calendar.value()?.pieces ?? [];
    const all = new Map(pieces.map(({ seriesId, garment }) => [seriesId, garment]));
    return [...all].map(([value, label]) => ({ value, label }));
  });
  protected readonly shown = computed(
    () => this.garment() ?? this.ofOpen() ?? this.mostBooked() ?? this.garments()[0]?.value ?? null,
  );
  private readonly ofOpen = computed(() => {
    const pieceId = this.open()?.pieceId;
    return this.calendar.value()?.pieces.find(({ id }) => id === pieceId)?.seriesId ?? null;
  });
  private readonly mostBooked = computed(() => {
    const calendar = this.calendar.value();
    if (calendar === null) return null;
    const counts = new Map<string, number>();
    for (const { pieceId } of calendar.bookings) {
      const series = calendar.pieces.find(({ id }) => id === pieceId)?.seriesId;
      if (series !== undefined) counts.set(series, (counts.get(series) ?? 0) + 1);
    }
    return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
  });
  protected readonly lines = computed((): CalendarLine[] => {
    const calendar = this.calendar.value();
    if (calendar === null) return [];
    return calendar.pieces
      .filter(({ seriesId }) => seriesId === this.shown())
      .sort((a, b) => bySize(a.label, b.label) || bySize(a.serial, b.serial))
      .map((piece) => ({
        piece,
        where: this.account.nameOf(piece.place),
        bars: placed(
          calendar.bookings
            .filter(({ pieceId }) => pieceId === piece.id)
            .map((one) => barOf(one, this.first())),
        ),
      }));
  });

  protected readonly from = signal(today());
  protected readonly until = signal(addDays(today(), 2));
  protected readonly forWhom = signal<HireFor | null>(null);
  private readonly typed = signal('');
  /** Whom a booking names: the docket's own wearer where one is chosen, and nobody else. */
  protected readonly who = computed(() => this.forWhom()?.who ?? this.typed());
  protected readonly deposit = signal('');
  /** The piece that is being booked. */
  protected readonly booking = signal<{ readonly id: string; readonly serial: string } | null>(null);
  protected readonly open = signal<HireBooking | null>(null);
  protected readonly free = signal<
    readonly { label: string; pieces: readonly { id: string; serial: string }[] }[] | null
  >(null);

  constructor() {
    this.account.whenTurned(() => this.calendar.again());
    this.account.taker.set((scanned) => this.scanned(scanned));
    this.account.takeKeys([
      { keys: ['ArrowLeft'], does: 'previous week', run: () => this.shift(-7) },
      { keys: ['ArrowRight'], does: 'next week', run: () => this.shift(7) },
      {
        keys: ['b'],
        does: 'book a piece',
        when: () => this.may,
        run: () => document.getElementById('hire-from')?.focus(),
      },
    ]);
    inject(DestroyRef).onDestroy(() => this.account.taker.set(null));
    effect((onCleanup) => {
      const [series, from, until] = [this.shown(), this.from(), this.until()];
      this.calendar.value();
      if (series === null || from === '' || until === '' || until < from) return this.free.set(null);
      const asked = this.service.free(series, from, until).subscribe({
        next: (free) => this.free.set([...free].sort((a, b) => bySize(a.label, b.label))),
        error: () => this.free.set(null),
      });
      onCleanup(() => asked.unsubscribe());
    });
    effect((onCleanup) => {
      const id = this.hire();
      if (id === undefined) return;
      const asked = this.service.booking(id).subscribe({
        next: (one) => this.goTo(one),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
      onCleanup(() => asked.unsubscribe());
    });
  }

  /** What is scanned is looked at where it is hired, to be taken back, or picked to be booked for the days that stand there. */
  private scanned({ article, piece }: Scanned): void {
    this.trouble.set('');
    const calendar = this.calendar.value();
    if (calendar === null)
      return this.trouble.set('The calendar is still loading. Scan the piece again when it is shown.');
    if (piece === null || !calendar.pieces.some(({ id }) => id === piece.id)) {
      void this.router.navigate(['/stores/shelves'], { queryParams: { article: article.id } });
      return;
    }
    this.garment.set(article.seriesId);
    const own = calendar.bookings.filter(({ pieceId, outcome }) => pieceId === piece.id && outcome === null);
    const out = own.find((one) => one.out !== null) ?? own.find((one) => one.from <= today());
    if (out !== undefined) this.look(out);
    else this.pick(piece);
  }

  /** Shows the days and the garment of a booking, and opens it. */
  private goTo(one: HireBooking): void {
    const first = this.first();
    if (one.from < first || one.from > this.lastDay()) {
      this.first.set(addDays(one.from, -PAST_DAYS));
      this.calendar.again();
    }
    this.garment.set(null);
    this.look(one);
  }

  protected shift(days: number): void {
    this.first.set(addDays(this.first(), days));
    this.calendar.again();
  }

  protected book(): void {
    const piece = this.booking();
    if (piece === null) return;
    if (this.who().trim() === '') return this.trouble.set('Enter who the booking is for.');
    const deposit = this.deposit().trim() === '' ? null : Number(this.deposit());
    if (deposit !== null && (!Number.isInteger(deposit) || deposit < 0))
      return this.trouble.set('The deposit must be a whole number or empty.');
    const days = { from: this.from(), until: this.until() };
    const forWhom = this.forWhom();
    const chartId = forWhom?.chartId ?? null;
    const fields = {
      docketId: chartId === null ? null : forWhom!.docketId,
      chartId,
      who: this.who().trim(),
      deposit,
      cancelled: false,
      version: 0,
    };
    this.run(uuidv7(), { pieceId: piece.id, ...days, ...fields });
  }

  /** The piece that is to be booked, for the wearer of the docket where one is named. */
  protected pick(piece: { readonly id: string; readonly serial: string }): void {
    this.open.set(null);
    this.booking.set(piece);
  }

  protected name(who: string): void {
    this.typed.set(who);
  }

  /** How likely a size is theirs, in words; nothing where no docket says so. */
  protected chanceOf(label: string): string {
    const forWhom = this.forWhom();
    // Where nothing was read, nothing is said of any size.
    if (forWhom === null || forWhom.chances.size === 0) return '';
    const chance = forWhom.chances.get(label) ?? 0;
    const odds =
      chance === 0 ? 'not the wearer’s size by measurement' : `fits in ${sayChance(chance)} of cases`;
    return forWhom.size === label ? `the wearer’s size; ${odds}` : odds;
  }

  protected cancel(one: HireBooking): void {
    const { pieceId, docketId, chartId, who, from, until, deposit, version } = one;
    this.run(one.id, { pieceId, docketId, chartId, who, from, until, deposit, version, cancelled: true });
  }

  /** The same booking with another piece of the size, or for other days. */
  protected giveAnother(one: HireBooking, pieceId: string): void {
    const { docketId, chartId, who, deposit, version } = one;
    const days = { from: this.from(), until: this.until() };
    this.run(one.id, { pieceId, docketId, chartId, who, ...days, deposit, version, cancelled: false });
  }

  /** Whether other days stand there than it is booked for. */
  protected moved({ from, until }: HireBooking): boolean {
    return from !== this.from() || until !== this.until();
  }

  protected readonly others = computed(() => {
    const [open, free] = [this.open(), this.free()];
    return open === null || open.out !== null
      ? []
      : (free ?? []).filter(({ label }) => label === open.label).flatMap(({ pieces }) => pieces);
  });

  protected look(one: HireBooking): void {
    this.open.set(one);
    this.booking.set(null);
    this.from.set(one.from);
    this.until.set(one.until);
  }

  private run(id: string, save: Parameters<StoresService['book']>[1]): void {
    this.busy.set(true);
    this.trouble.set('');
    this.service
      .book(id, save)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => {
          this.booking.set(null);
          this.open.set(null);
          // The next booking is another wearer's.
          this.typed.set('');
          this.deposit.set('');
          this.calendar.again();
          this.account.changed();
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  /** The piece is dry: it returns to the shelf. */
  protected shelve(piece: HireCalendar['pieces'][number]): void {
    const [roomId] = piece.place.split('/');
    this.busy.set(true);
    this.service
      .move(uuidv7(), {
        kind: 'released',
        articleId: piece.articleId,
        from: piece.place,
        to: `${roomId!}/shelf`,
        count: 1,
        pieceIds: [piece.id],
        reason: null,
        condition: null,
      })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => {
          this.calendar.again();
          this.account.changed();
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }
}
