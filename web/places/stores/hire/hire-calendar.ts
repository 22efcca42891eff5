import { LOCALE } from '@neat-measure/core';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { HireBooking, HireCalendar } from '@neat-measure/contract/stores';
import { addDays } from '@neat-measure/core/stock';
import { today } from '../stores-account';
import { SHOWN_DAYS, type PlacedBar } from './hire-bars';

/** A piece with what it is booked for. */
export interface CalendarLine {
  readonly piece: HireCalendar['pieces'][number];
  readonly where: string;
  readonly bars: readonly PlacedBar[];
}

/** The days of pieces: a line a piece, a column a day. */
@Component({
  selector: 'nm-hire-calendar',
  template: `
    <div class="calendar" role="table" aria-label="What is hired, by piece and day">
      <div class="days" role="row">
        <span class="name" role="columnheader">Piece</span>
        @for (day of days(); track day.day) {
          <span class="day" role="columnheader" [class.now]="day.today" [attr.aria-label]="day.day">
            <small>{{ day.month || day.name }}</small
            >{{ day.number }}
          </span>
        }
      </div>
      @for (line of lines(); track line.piece.id) {
        <div class="piece" role="row">
          <span class="name" role="rowheader" [title]="line.where">
            <b>{{ line.piece.label }}</b> {{ line.piece.serial }}
            <small class="soft">{{ line.where }}</small>
          </span>
          <span class="bars" role="cell">
            @for (bar of line.bars; track bar.booking.id) {
              @if (bar.free > bar.until) {
                <i
                  class="drying"
                  [style.grid-column]="bar.until + ' / ' + bar.free"
                  [style.grid-row]="bar.row"
                  title="cleaning and drying"
                ></i>
              }
              <button
                type="button"
                class="bar"
                [class]="bar.kind"
                [style.grid-column]="bar.from + ' / ' + bar.until"
                [style.grid-row]="bar.row"
                [attr.aria-label]="bar.says"
                [title]="bar.says"
                (click)="looked.emit(bar.booking)"
              >
                {{ bar.booking.who }}
              </button>
            }
          </span>
        </div>
      }
    </div>
  `,
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
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HireCalendarGrid {
  /** The first day that is shown. */
  readonly first = input.required<string>();
  readonly lines = input.required<readonly CalendarLine[]>();
  readonly looked = output<HireBooking>();

  protected readonly days = computed(() =>
    Array.from({ length: SHOWN_DAYS }, (_, at) => {
      const day = addDays(this.first(), at);
      const date = new Date(`${day}T12:00:00`);
      return {
        day,
        name: date.toLocaleDateString(LOCALE, { weekday: 'narrow' }),
        number: date.getDate(),
        today: day === today(),
        month: at === 0 || date.getDate() === 1 ? date.toLocaleDateString(LOCALE, { month: 'short' }) : '',
      };
    }),
  );
}
