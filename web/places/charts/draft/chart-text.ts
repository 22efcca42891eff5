import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { type ChartSheet } from '@neat-measure/core';
import { exportChartJson, importChartJson, sayJsonFinding } from '@neat-measure/core/sheets';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';

/** The most findings shown at once; mending the first often mends the rest. */
const MOST_SHOWN = 8;

/**
 * A whole chart as text in the open chart form: what the tables do not show, such as the
 * maker's arithmetic, what is made together and the options, is written here. What is wrong is
 * said while it is typed, and the chart changes only once the text is taken over.
 */
@Component({
  selector: 'nm-chart-text',
  imports: [NzButtonModule, NzInputModule],
  template: `
    <textarea
      nz-input
      class="num"
      aria-label="The whole chart as text"
      spellcheck="false"
      rows="22"
      [value]="text()"
      (input)="text.set($any($event.target).value)"
    ></textarea>
    @if (findings().length > 0) {
      <ol role="status">
        @for (line of findings(); track $index) {
          <li class="fault">{{ line }}</li>
        }
      </ol>
    }
    <div class="acts">
      <button nz-button type="button" [disabled]="!changed() || findings().length > 0" (click)="take()">
        Apply text
      </button>
      <button nz-button type="button" [disabled]="!changed()" (click)="text.set(written())">
        Back to the chart
      </button>
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChartText {
  readonly sheet = input.required<ChartSheet>();
  /** The chart as the text says it. */
  readonly taken = output<ChartSheet>();

  protected readonly written = computed(() => exportChartJson(this.sheet()));
  /** What stands in the field: the chart, until something is typed; then that, whatever happens to the chart. */
  protected readonly text = linkedSignal<string, string>({
    source: this.written,
    computation: (written, before) =>
      before !== undefined && before.value !== before.source ? before.value : written,
  });
  protected readonly changed = computed(() => this.text() !== this.written());
  private readonly read = computed(() => importChartJson(this.text()));
  protected readonly findings = computed(() => {
    const read = this.read();
    if (read.ok) return [];
    const lines = read.problem.map(sayJsonFinding);
    const more = lines.length - MOST_SHOWN;
    return more > 0 ? [...lines.slice(0, MOST_SHOWN), `And ${more} more.`] : lines;
  });

  protected take(): void {
    const read = this.read();
    if (!read.ok) return;
    this.text.set(exportChartJson(read.value));
    this.taken.emit(read.value);
  }
}
