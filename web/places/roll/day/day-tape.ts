import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { sayPace, sayTime } from '../say-muster';
import { DayDesk } from './day-desk';

const HOUR_MS = 3_600_000;
/** The tape shows at least so many hours. */
const FEWEST_HOURS = 4;
/** Of a day that goes on for longer it shows the last hours. */
const MOST_HOURS = 14;

/** The day as a tape: a tick for each wearer who is done, the moment it is, and about when it will be over. */
@Component({
  selector: 'nm-day-tape',
  template: `
    @if (tape(); as tape) {
      <svg aria-hidden="true" preserveAspectRatio="none" viewBox="0 0 1000 40">
        @for (at of tape.minor; track at) {
          <line [attr.x1]="at" [attr.x2]="at" y1="0" y2="7" />
        }
        @for (hour of tape.hours; track hour.at) {
          <line class="hour" [attr.x1]="hour.at" [attr.x2]="hour.at" y1="0" y2="14" />
        }
        @for (tick of tape.ticks; track $index) {
          <line
            class="done"
            [class.owed]="tick.owed"
            [attr.x1]="tick.at"
            [attr.x2]="tick.at"
            y1="18"
            y2="38"
          />
        }
        @if (tape.over; as over) {
          <rect [attr.x]="over.from" [attr.width]="over.to - over.from" y="30" height="5" />
          <line class="end" [attr.x1]="over.at" [attr.x2]="over.at" y1="16" y2="38" />
        }
        <line class="now" [attr.x1]="tape.now" [attr.x2]="tape.now" y1="10" y2="40" />
      </svg>
      @for (hour of tape.hours; track hour.at) {
        <small class="num" aria-hidden="true" [style.left.%]="hour.at / 10">{{ hour.words }}</small>
      }
    }
    <p role="status">
      <b>{{ summary() }}</b> {{ words() }}
    </p>
  `,
  styleUrl: './day-tape.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayTape {
  private readonly desk = inject(DayDesk);

  protected readonly words = computed(() => {
    const pace = this.desk.pace();
    return pace === null || pace.counts.all === pace.counts.expected ? '' : sayPace(pace);
  });

  protected readonly summary = computed(() => {
    const pace = this.desk.pace();
    if (pace === null) return '';
    if (pace.counts.all === pace.counts.expected) return 'Nobody has come yet.';
    const { done, owed, all } = pace.counts;
    const over = pace.over;
    const end =
      over === null
        ? ''
        : ` Over at about ${sayTime(over.at)} (${sayTime(over.from)} to ${sayTime(over.to)}).`;
    return `${done + owed} of ${all} done.${end}`;
  });

  /** The tape in thousandths of its length; nothing before the first has come. */
  protected readonly tape = computed(() => {
    const [muster, pace] = [this.desk.muster(), this.desk.pace()];
    if (muster === null || pace === null) return null;
    const now = Date.parse(this.desk.now());
    const come = muster.people.flatMap(({ day }) =>
      day.arrivedAt === null ? [] : [Date.parse(day.arrivedAt)],
    );
    if (come.length === 0) return null;
    const first = Math.max(
      come.reduce((one, other) => Math.min(one, other), now),
      now - MOST_HOURS * HOUR_MS,
    );
    const end = pace.over === null ? now : Math.min(Date.parse(pace.over.to), now + MOST_HOURS * HOUR_MS);
    const from = Math.floor(first / HOUR_MS) * HOUR_MS;
    const to = Math.max(Math.ceil((end + HOUR_MS / 4) / HOUR_MS) * HOUR_MS, from + FEWEST_HOURS * HOUR_MS);
    const place = (moment: number) => ((moment - from) / (to - from)) * 1_000;
    const inside = (moment: number) => Math.min(Math.max(place(moment), 0), 1_000);
    const every = (step: number) =>
      Array.from({ length: Math.round((to - from) / step) }, (_, index) => from + index * step);
    return {
      now: inside(now),
      minor: every(HOUR_MS / 6).map(place),
      hours: every(HOUR_MS).map((moment) => ({
        at: place(moment),
        words: sayTime(new Date(moment).toISOString()),
      })),
      ticks: muster.people.flatMap(({ day: { standing } }) =>
        standing.is === 'gone' && standing.how !== 'without' && Date.parse(standing.since) >= from
          ? [{ at: place(Date.parse(standing.since)), owed: standing.how === 'owed' }]
          : [],
      ),
      over:
        pace.over === null
          ? null
          : {
              from: inside(Date.parse(pace.over.from)),
              at: inside(Date.parse(pace.over.at)),
              to: inside(Date.parse(pace.over.to)),
            },
    };
  });
}
