import { LOCALE } from '@neat-measure/core';
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
import { RouterLink } from '@angular/router';
import type { Chart, ChartUses } from '@neat-measure/contract';
import { compareCharts, sayChartChange } from '@neat-measure/core/imported';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { v7 as uuidv7 } from 'uuid';
import { ChartService } from '../../data/chart-service';
import { SessionService } from '../../data/session-service';

/** Every version of a chart, what each changed against the one before, and where this one is used. */
@Component({
  selector: 'nm-chart-versions',
  imports: [RouterLink, NzButtonModule],
  template: `
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
    <h3>Versions</h3>
    <ol class="rows">
      @for (version of listed(); track version.id) {
        <li>
          <b>Version {{ version.number }}</b>
          <span class="soft">{{ version.day }} · {{ version.source }}</span>
          @if (version.earlier && session.may('keep-charts')) {
            <button nz-button nzType="link" type="button" [disabled]="busy()" (click)="bringBack(version.id)">
              Restore this version
            </button>
          }
          @if (version.changes.length > 0) {
            <ul>
              @for (line of version.changes; track $index) {
                <li>{{ line }}</li>
              }
            </ul>
          }
        </li>
      }
    </ol>
    @if (uses(); as uses) {
      <h3>Used on</h3>
      <p>
        {{ uses.dockets }} {{ uses.dockets === 1 ? 'docket' : 'dockets' }}; {{ uses.decisions }}
        {{ uses.decisions === 1 ? 'garment' : 'garments' }} decided by this chart.
      </p>
      @if (uses.retired) {
        <p><b>This chart is retired.</b> Dockets that use it keep it.</p>
      }
      @if (session.may('keep-charts')) {
        <button nz-button nzType="link" type="button" (click)="retire(!uses.retired)">
          {{ uses.retired ? 'Reactivate chart' : 'Retire chart' }}
        </button>
      }
      @for (docket of uses.latest; track docket.docketId) {
        <p>
          <a [routerLink]="['/bench', docket.docketId]">Docket {{ docket.number }}, {{ docket.wearer }}</a>
        </p>
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChartVersions {
  readonly chart = input.required<Chart>();
  private readonly charts = inject(ChartService);
  protected readonly session = inject(SessionService);

  private readonly versions = signal<readonly Chart[]>([]);
  protected readonly uses = signal<ChartUses | null>(null);
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  /** Another version took the chart’s place. */
  readonly replaced = output<Chart>();

  protected readonly listed = computed(() =>
    this.versions().map((version, at) => {
      const before = this.versions()[at + 1];
      return {
        id: version.id,
        number: version.version,
        source: version.source,
        earlier: at > 0,
        day: new Date(version.importedAt).toLocaleDateString(LOCALE, {
          day: 'numeric',
          month: 'long',
          year: 'numeric',
        }),
        changes: before === undefined ? [] : compareCharts(before.sheet, version.sheet).map(sayChartChange),
      };
    }),
  );

  constructor() {
    effect((onCleanup) => {
      const { id } = this.chart();
      this.versions.set([]);
      this.uses.set(null);
      const told = { error: (problem: Error) => this.trouble.set(problem.message) };
      const versions = this.charts.versions(id).subscribe({ next: (all) => this.versions.set(all), ...told });
      const uses = this.charts.uses(id).subscribe({ next: (all) => this.uses.set(all), ...told });
      onCleanup(() => {
        versions.unsubscribe();
        uses.unsubscribe();
      });
    });
  }

  /** An earlier version stands again, as the newest: what was in between stays in the list. */
  protected bringBack(id: string): void {
    const [latest] = this.versions();
    const back = this.versions().find((one) => one.id === id);
    if (back === undefined || latest === undefined) return;
    this.busy.set(true);
    const source = `Version ${back.version} restored`;
    this.charts.save(uuidv7(), { sheet: back.sheet, source, replaces: latest.id }).subscribe({
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

  protected retire(retired: boolean): void {
    this.trouble.set('');
    this.charts.retire(this.chart().id, retired).subscribe({
      next: (uses) => this.uses.set(uses),
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }
}
