import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
} from '@angular/core';
import { type ChartSheet, type InchParts } from '@neat-measure/core';
import { examineChart, sayChartFinding, sayMend, type ChartFinding } from '@neat-measure/core/sheets';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { UnitService } from '../../../data/unit-service';
import { Term } from '../../../parts/term/term';

const SEVERITY_WORDS = { fault: 'no chart', wrong: 'wrong', look: 'look again', note: 'note' } as const;

/** What the chart doctor found, worst first, with a mend where one is safe. */
@Component({
  selector: 'nm-doctor-list',
  imports: [NzButtonModule, Term],
  template: `
    <p class="fine"><nm-term of="doctor">What the doctor checks</nm-term></p>
    @if (findings().length === 0) {
      <p class="soft">
        No findings. Sizes increase, gaps between sizes are stated, and every size can be reached.
      </p>
    }
    <ul class="rows">
      @for (one of shown(); track $index) {
        <li class="line">
          <b [class.beyond]="one.severity === 'wrong'">{{ one.word }}</b>
          @if (pointing()) {
            <button nz-button nzType="text" class="words" type="button" (click)="pointed.emit(one.finding)">
              {{ one.words }}
            </button>
          } @else {
            <span>{{ one.words }}</span>
          }
          @if (confirming() && one.severity === 'wrong') {
            @if (confirmed().has(one.words)) {
              <span class="meant">intended</span>
            } @else {
              <button nz-button type="button" (click)="meant.emit(one.words)">Intended</button>
            }
          }
          @if (one.mend; as mend) {
            <button nz-button type="button" (click)="mended.emit(mend.sheet)">{{ one.does }}</button>
          }
        </li>
      }
    </ul>
    @if (findings().length > shown().length) {
      <p class="soft">{{ findings().length - shown().length }} more notes of the same kind.</p>
    }
  `,
  styles: `
    .line {
      align-items: flex-start;
    }
    .line b {
      flex: 0 0 74px;
    }
    .line :is(span, .words) {
      flex: 1 1 200px;
    }
    .line .meant {
      flex: none;
      color: var(--soft);
    }
    .words {
      height: auto;
      min-height: 44px;
      padding: 0 6px;
      text-align: left;
      white-space: normal;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DoctorList {
  readonly sheet = input.required<ChartSheet>();
  /** Whether each finding can be gone to. */
  readonly pointing = input(false, { transform: booleanAttribute });
  readonly pointed = output<ChartFinding>();
  /** Whether what is wrong can be said to be meant, and what was said so, by its words. */
  readonly confirming = input(false, { transform: booleanAttribute });
  readonly confirmed = input<ReadonlySet<string>>(new Set());
  readonly meant = output<string>();
  /** A sheet with one finding mended. */
  readonly mended = output<ChartSheet>();

  private readonly units = inject(UnitService);
  protected readonly most = 60;
  protected readonly findings = computed(() => examineChart(this.sheet()));
  protected readonly shown = computed(() =>
    this.findings()
      // Of what is wrong each is shown, for each is to be mended or said to be meant.
      .filter(({ severity }, at) => at < this.most || (this.confirming() && severity === 'wrong'))
      .map((one) => ({
        finding: one,
        severity: one.severity,
        word: SEVERITY_WORDS[one.severity],
        words: sayWhole(this.sheet(), one, this.units.inchParts()),
        mend: one.mend,
        does: sayMend(one),
      })),
  );
}

/** A finding as it is told and confirmed. */
export function sayWhole(sheet: ChartSheet, finding: ChartFinding, parts: InchParts): string {
  return capital(sayChartFinding(sheet, finding, parts));
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
