import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  model,
  signal,
} from '@angular/core';
import type { Bench, DocketSummary } from '@neat-measure/contract';
import { finalSize, replay, sizesAfterTrials } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DocketService } from '../../../data/docket-service';
import { Paged } from '../../../data/paged';
import { SessionService } from '../../../data/session-service';
import { Fetching } from '../../../parts/fetching/fetching';

/** Whose docket a piece is booked for, and what that docket knows of the garment's sizes. */
export interface HireFor {
  readonly docketId: string;
  readonly number: number;
  readonly who: string;
  /** The garment on the docket; `null` where the docket has no such garment. */
  readonly chartId: string | null;
  /** The size it is decided for. */
  readonly size: string | null;
  /** How likely each size is theirs, from 0 to 1. */
  readonly chances: ReadonlyMap<string, number>;
}

const MOST_FOUND = 6;

/** Finds the docket something is hired for, so that what fits its wearer stands beside what is free. */
@Component({
  selector: 'nm-hire-for-whom',
  imports: [Fetching, NzButtonModule, NzInputModule],
  template: `
    @if (chosen(); as one) {
      <p class="line">
        <span class="what">
          For <b>{{ one.who }}</b
          >, docket {{ one.number }}:
          @if (one.chartId === null) {
            this garment is not on the docket, so no odds are shown. The booking is for the name only.
          } @else if (one.size) {
            gets <b>{{ one.size }}</b
            >.
          } @else {
            no size is decided yet.
          }
          @if (one.chartId !== null && one.chances.size === 0) {
            No readings yet, so no sizes are proposed.
          }
        </span>
        <button nz-button nzType="link" type="button" (click)="leave()">Without a docket</button>
      </p>
    } @else {
      <label class="field found" for="hire-docket"
        >Docket
        <input
          #words
          nz-input
          id="hire-docket"
          type="search"
          placeholder="name or docket number, optional"
          autocomplete="off"
          maxlength="80"
          (input)="seek(words.value)"
      /></label>
      @if (trouble()) {
        <p class="fault" role="alert">{{ trouble() }}</p>
      }
      @if (seeking()) {
        <nm-fetching [of]="found" words="Loading dockets" />
        <ul class="rows found" aria-label="Dockets">
          @for (one of answers(); track one.id) {
            <li>
              <button type="button" class="pick" (click)="choose(one)">
                <span class="num">{{ one.number }}</span> <b>{{ one.wearer.name }}</b>
                <span>{{ one.occasion }}</span>
              </button>
            </li>
          } @empty {
            @if (found.none() && found.current()) {
              <li class="line soft">No docket found. Book for a name instead.</li>
            }
          }
        </ul>
      }
    }
  `,
  styles: `
    .found {
      max-width: 520px;
      margin-top: 10px;
      b {
        flex: 1;
        text-align: left;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HireForWhom {
  /** The garment that is looked at, by the series of its chart. */
  readonly series = input.required<string | null>();
  readonly chosen = model<HireFor | null>(null);
  private readonly service = inject(DocketService);
  private readonly habits = inject(SessionService).habits;
  protected readonly found = new Paged<DocketSummary>((query) => this.service.list(query));
  protected readonly seeking = signal(false);
  protected readonly trouble = signal('');
  /** What answers the words that stand there: what answered others is not taken for it. */
  protected readonly answers = computed(() =>
    this.found.current() ? this.found.items().slice(0, MOST_FOUND) : [],
  );
  private readonly bench = signal<Bench | null>(null);

  constructor() {
    // Another garment of the same docket has other odds.
    effect(() => {
      const [bench, series] = [this.bench(), this.series()];
      this.chosen.set(bench === null ? null : this.read(bench, series));
    });
  }

  protected seek(words: string): void {
    this.seeking.set(words.trim() !== '');
    this.found.seek(words);
  }

  protected choose({ id }: DocketSummary): void {
    this.trouble.set('');
    this.service.open(id).subscribe({
      next: (bench) => this.bench.set(bench),
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }

  protected leave(): void {
    this.bench.set(null);
    this.seeking.set(false);
  }

  private read({ id, number, wearer, acts, charts }: Bench, series: string | null): HireFor {
    const docket = replay(acts.map(({ act }) => act));
    const chart = charts.find(
      (one) => one.seriesId === series && docket?.garments.some(({ chartId }) => chartId === one.id) === true,
    );
    const base = { docketId: id, number, who: wearer.name };
    if (docket === null || chart === undefined)
      return { ...base, chartId: null, size: null, chances: new Map() };
    const { odds } = sizesAfterTrials(docket, chart, this.habits());
    return {
      ...base,
      chartId: chart.id,
      size: finalSize(docket, chart.id)?.size ?? null,
      chances: new Map(odds.flatMap(({ label, chance }) => (label === null ? [] : [[label, chance]]))),
    };
  }
}
