import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import type { Chart } from '@neat-measure/contract';
import {
  adopted,
  formatLength,
  sayRun,
  tellingRuns,
  withRuns,
  type ChartRun,
  counted,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { v7 as uuidv7 } from 'uuid';
import { ChartService } from '../../data/chart-service';
import { SessionService } from '../../data/session-service';
import { UnitService } from '../../data/unit-service';
import { Term } from '../../parts/term/term';

/** The drawing of one run: how wide it is, and how far from the middle it shows. */
const WIDTH = 320;

/** How the garments of a chart run, by those that were tried on: what was found, what it rests on, and adopting it. */
@Component({
  selector: 'nm-chart-runs',
  imports: [NzButtonModule, Term],
  template: `
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
    @if (runs() === null && trouble() === '') {
      <p role="status">Calculating how the chart runs …</p>
    }
    @if (rows(); as rows) {
      @for (row of rows; track row.key) {
        <h3>{{ row.name }}</h3>
        <p>
          <b>{{ row.sign }}</b> It {{ row.says }}.
        </p>
        <svg [attr.viewBox]="'0 0 ' + WIDTH + ' 46'" role="img" [attr.aria-label]="row.says">
          <line class="axis" x1="0" y1="22" [attr.x2]="WIDTH" y2="22" />
          <line class="zero" [attr.x1]="WIDTH / 2" y1="8" [attr.x2]="WIDTH / 2" y2="30" />
          <line class="range" [attr.x1]="row.from" y1="22" [attr.x2]="row.to" y2="22" />
          <circle [attr.cx]="row.at" cy="22" r="6" />
          <text x="0" y="44">{{ row.reach }} large</text>
          <text [attr.x]="WIDTH / 2" y="44" text-anchor="middle">as the chart says</text>
          <text [attr.x]="WIDTH" y="44" text-anchor="end">{{ row.reach }} small</text>
        </svg>
        <p class="soft">{{ row.seen }}</p>
      } @empty {
        <p>No garment of this chart has been tried on yet. Fittings on the Bench show how the chart runs.</p>
      }
    }
    <p class="fine">
      <nm-term of="runs">Estimated from fittings</nm-term> (too small, right or too large) and the wearers’
      readings. The bar is the 95 % interval. The estimate changes no size by itself.
    </p>
    @if (telling().length > 0 && session.may('keep-charts')) {
      <p class="row">
        <button nz-button nzType="primary" type="button" [disabled]="busy()" (click)="adopt()">
          Adopt as new version
        </button>
        <span class="soft">{{ adopts() }} Earlier verdicts stay unchanged.</span>
      </p>
    }
  `,
  styles: `
    svg {
      display: block;
      width: 320px;
      margin: 6px 0;
    }
    text {
      fill: var(--soft);
      font-size: 12px;
    }
    line {
      stroke: var(--line-strong);
    }
    .zero {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .range {
      stroke: var(--green);
      stroke-width: 5;
    }
    circle {
      fill: var(--green);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChartRuns {
  readonly chart = input.required<Chart>();
  /** Another version took this one's place. */
  readonly replaced = output<Chart>();
  private readonly charts = inject(ChartService);
  protected readonly session = inject(SessionService);
  private readonly units = inject(UnitService);

  protected readonly WIDTH = WIDTH;
  protected readonly runs = signal<readonly ChartRun[] | null>(null);
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  protected readonly telling = computed(() => tellingRuns(this.runs() ?? []));

  protected readonly rows = computed(
    () => this.runs()?.map((run) => ({ ...this.drawn(run), ...this.told(run) })) ?? null,
  );

  private told(run: ChartRun) {
    const { seen, looks } = run;
    return {
      key: `${run.part} ${run.code}`,
      name: run.name,
      sign: run.runs === 'no-sign' ? 'As the chart says.' : run.runs === 'small' ? 'Small.' : 'Large.',
      says:
        run.runs === 'no-sign' ? `shows ${sayRun(run, this.units.shown())}` : sayRun(run, this.units.shown()),
      seen: `${counted(looks, 'fitting')}: ${seen.small} too small, ${seen.right} right, ${seen.large} too large.`,
    };
  }

  /** Where on the drawing it lies; the larger the garments hold, the farther to the left. */
  private drawn({ small, least, most, foot }: ChartRun) {
    const reach = Math.max(Math.abs(least), Math.abs(most), 20_000);
    const at = (shift: number) => WIDTH / 2 + (shift / reach) * (WIDTH / 2 - 8);
    const unit = foot ? 'mm' : this.units.unit();
    const words = formatLength((Math.round(reach / 1_000) * 1_000) as never, this.units.written(unit));
    return { at: at(small), from: at(least), to: at(most), reach: words };
  }

  /** What adopting it does, in words. */
  protected readonly adopts = computed(() =>
    this.telling()
      .map((run) => {
        const by = adopted(run);
        const unit = run.foot ? 'mm' : this.units.unit();
        return `Every size then fits ${formatLength(Math.abs(by) as never, this.units.written(unit))} ${by > 0 ? 'less' : 'more'} in the ${run.name.toLowerCase()}.`;
      })
      .join(' '),
  );

  constructor() {
    effect((onCleanup) => {
      const { id } = this.chart();
      this.runs.set(null);
      this.trouble.set('');
      const asked = this.charts.runs(id).subscribe({
        next: (runs) => this.runs.set(runs),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
      onCleanup(() => asked.unsubscribe());
    });
  }

  /** One act: the chart as its garments run is its next version. */
  protected adopt(): void {
    const { id, sheet } = this.chart();
    const source = `As worn: it ${this.telling()
      .map((run) => sayRun(run, this.units.shown()))
      .join('; ')}`.slice(0, 200);
    this.busy.set(true);
    this.charts.save(uuidv7(), { sheet: withRuns(sheet, this.telling()), source, replaces: id }).subscribe({
      next: (chart) => {
        this.busy.set(false);
        this.replaced.emit(chart);
      },
      error: (problem: Error) => {
        this.busy.set(false);
        this.trouble.set(problem.message);
      },
    });
  }
}
