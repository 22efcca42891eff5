import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { examineChart, sayChartFinding, sayMend, type ChartSheet } from '@neat-measure/core';

const SEVERITY_WORDS = { fault: 'no chart', wrong: 'wrong', look: 'look again', note: 'note' } as const;

/** What the chart doctor found, worst first, with a mend where one is safe. */
@Component({
  selector: 'nm-doctor-list',
  template: `
    @if (findings().length === 0) {
      <p class="none">
        Nothing found. The sizes grow, nobody falls between them unsaid, and every size can be reached.
      </p>
    }
    <ul>
      @for (one of shown(); track $index) {
        <li [class]="one.severity">
          <b>{{ one.word }}</b>
          <span>{{ one.words }}</span>
          @if (one.mend; as mend) {
            <button type="button" class="small" (click)="mended.emit(mend.sheet)">{{ one.does }}</button>
          }
        </li>
      }
    </ul>
    @if (findings().length > most) {
      <p class="none">{{ findings().length - most }} more notes of the same kind.</p>
    }
  `,
  styles: `
    ul {
      margin: 12px 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 92px minmax(0, 70ch) auto;
      align-items: baseline;
      gap: 12px;
      padding: 8px 0;
      border-bottom: 1px solid var(--line);
    }
    .wrong b {
      color: var(--brick);
    }
    .note b {
      color: var(--soft);
      font-weight: 400;
    }
    .none {
      margin-top: 12px;
      color: var(--soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DoctorList {
  readonly sheet = input.required<ChartSheet>();
  /** A sheet with one finding mended. */
  readonly mended = output<ChartSheet>();

  protected readonly most = 60;
  protected readonly findings = computed(() => examineChart(this.sheet()));
  protected readonly shown = computed(() =>
    this.findings()
      .slice(0, this.most)
      .map((one) => ({
        severity: one.severity,
        word: SEVERITY_WORDS[one.severity],
        words: capital(sayChartFinding(this.sheet(), one)),
        mend: one.mend,
        does: sayMend(one),
      })),
  );
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
