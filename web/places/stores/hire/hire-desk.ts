import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { HireBooking, HireCalendar } from '@neat-measure/contract/stores';
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
import { barOf, sayBooking, SHOWN_DAYS } from './hire-bars';

/** Of which so many are past. */
const PAST_DAYS = 3;

/** The calendar of what is hired: a line a piece, with the days it is out and the days it dries. */
@Component({
  selector: 'nm-hire-desk',
  imports: [
    ControlName,
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
    /* A line a piece, a column a day; a day is as wide as its date. */
    .calendar {
      --day: minmax(26px, 1fr);
      min-width: 780px;
      border: 1px solid var(--line);
      background: var(--paper);
    }
    .days,
    .piece {
      display: grid;
      grid-template-columns: 170px repeat(21, var(--day));
      border-bottom: 1px solid var(--line);
    }
    .name {
      padding: 4px 8px;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
      small {
        display: block;
      }
    }
    .day {
      display: grid;
      justify-items: center;
      border-left: 1px solid var(--line);
      font: 500 14px/1.2 var(--figures);
      small {
        color: var(--soft);
      }
      &.now {
        background: var(--green-wash);
      }
    }
    .bars {
      display: grid;
      grid-column: 2 / -1;
      grid-template-columns: repeat(21, var(--day));
      align-items: center;
    }
    .bar,
    .drying {
      grid-row: 1;
      height: var(--target);
    }
    .bar {
      min-width: 0;
      padding: 0 6px;
      border: 1px solid var(--ink);
      border-radius: var(--radius);
      background: var(--paper);
      color: inherit;
      font: 500 13px/1 var(--text);
      overflow: hidden;
      text-align: left;
      text-overflow: ellipsis;
      white-space: nowrap;
      cursor: pointer;
      &.booked {
        border-style: dashed;
      }
      &.out {
        border-color: var(--green);
        background: var(--green-wash);
      }
      &.late {
        border-color: var(--brick);
        background: var(--brick-wash);
      }
      &.back {
        border-color: var(--line-strong);
        color: var(--soft);
      }
    }
    /* Hatched as cloth on a line: it is here and cannot go. */
    .drying {
      background: repeating-linear-gradient(115deg, var(--line) 0 2px, transparent 2px 7px);
    }
    .panel {
      padding: 14px 18px;
      margin-top: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HireDesk {
  private readonly service = inject(StoresService);
  protected readonly account = inject(StoresAccount);
  protected readonly may = inject(SessionService).may('fitter');
  protected readonly first = signal(addDays(today(), -PAST_DAYS));
  protected readonly lastDay = computed(() => addDays(this.first(), SHOWN_DAYS - 1));
  protected readonly calendar = new Fetched<HireCalendar>(() =>
    this.service.calendar(this.first(), this.lastDay()),
  );
  protected readonly garment = signal<string | null>(null);
  protected readonly say = sayBooking;
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);

  protected readonly days = computed(() =>
    Array.from({ length: SHOWN_DAYS }, (_, at) => {
      const day = addDays(this.first(), at);
      const date = new Date(`${day}T12:00:00`);
      return {
        day,
        name: date.toLocaleDateString('en-GB', { weekday: 'narrow' }),
        number: date.getDate(),
        today: day === today(),
        month: at === 0 || date.getDate() === 1 ? date.toLocaleDateString('en-GB', { month: 'short' }) : '',
      };
    }),
  );
  /** Only what is hired by the calendar: pieces of garments of which any was booked, or that dry. */
  protected readonly garments = computed(() => {
    const pieces = this.calendar.value()?.pieces ?? [];
    const all = new Map(pieces.map(({ seriesId, garment }) => [seriesId, garment]));
    return [...all].map(([value, label]) => ({ value, label }));
  });
  protected readonly shown = computed(
    () => this.garment() ?? this.mostBooked() ?? this.garments()[0]?.value ?? null,
  );
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
  protected readonly lines = computed(() => {
    const calendar = this.calendar.value();
    if (calendar === null) return [];
    return calendar.pieces
      .filter(({ seriesId }) => seriesId === this.shown())
      .sort((a, b) => bySize(a.label, b.label) || bySize(a.serial, b.serial))
      .map((piece) => ({
        piece,
        where: this.account.nameOf(piece.place),
        bars: calendar.bookings
          .filter(({ pieceId }) => pieceId === piece.id)
          .map((one) => barOf(one, this.first())),
      }));
  });

  protected readonly from = signal(today());
  protected readonly until = signal(addDays(today(), 2));
  protected readonly who = signal('');
  protected readonly deposit = signal('');
  /** The piece that is being booked. */
  protected readonly booking = signal<{ readonly id: string; readonly serial: string } | null>(null);
  protected readonly open = signal<HireBooking | null>(null);
  protected readonly free = signal<
    readonly { label: string; pieces: readonly { id: string; serial: string }[] }[] | null
  >(null);

  constructor() {
    effect(() => {
      if (this.account.turned() > 0) untracked(() => this.calendar.again());
    });
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
  }

  protected shift(days: number): void {
    this.first.set(addDays(this.first(), days));
    this.calendar.again();
  }

  protected book(): void {
    const piece = this.booking();
    if (piece === null) return;
    if (this.who().trim() === '') return this.trouble.set('For whom?');
    const deposit = this.deposit().trim() === '' ? null : Number(this.deposit());
    if (deposit !== null && (!Number.isInteger(deposit) || deposit < 0))
      return this.trouble.set('The deposit is a whole number, or nothing.');
    const days = { from: this.from(), until: this.until() };
    const fields = {
      docketId: null,
      chartId: null,
      who: this.who().trim(),
      deposit,
      cancelled: false,
      version: 0,
    };
    this.run(uuidv7(), { pieceId: piece.id, ...days, ...fields });
  }

  protected cancel(one: HireBooking): void {
    const { pieceId, docketId, chartId, who, from, until, deposit, version } = one;
    this.run(one.id, { pieceId, docketId, chartId, who, from, until, deposit, version, cancelled: true });
  }

  /** The same booking with another piece of the size, where its own is not back. */
  protected giveAnother(one: HireBooking, pieceId: string): void {
    const { docketId, chartId, who, from, until, deposit, version } = one;
    this.run(one.id, { pieceId, docketId, chartId, who, from, until, deposit, version, cancelled: false });
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
          this.calendar.again();
          this.account.changed();
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  /** Dry by now: back on the shelf. */
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
