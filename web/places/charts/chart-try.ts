import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  bareUnit,
  decidingCodes,
  houseRuling,
  FIT_PREFERENCES,
  judge,
  measurement,
  planSteps,
  readingsBehind,
  readReading,
  sayReadingProblem,
  VERDICT_WORDS,
  type ChartSheet,
  type FitPreference,
  type Length,
  type MeasurementCode,
  type WorkingUnit,
  compiled,
} from '@neat-measure/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { SessionService } from '../../data/session-service';
import { VerdictAccount } from '../../parts/verdict-account/verdict-account';
import { VerdictGlyph } from '../../parts/verdict-glyph/verdict-glyph';
import { UnitService } from '../../data/unit-service';

/** Trying a chart on numbers: type measurements, see every line of its arithmetic and the verdict as it comes. */
@Component({
  selector: 'nm-chart-try',
  imports: [VerdictAccount, VerdictGlyph, NzInputModule, NzSelectModule, FormsModule],
  template: `
    <form class="fields" (submit)="$event.preventDefault()">
      @for (field of fields(); track field.code) {
        <label class="field"
          >{{ field.name }}, {{ field.unit }}
          <input
            nz-input
            class="num"
            type="text"
            inputmode="decimal"
            autocomplete="off"
            maxlength="40"
            [value]="typed()[field.code] ?? ''"
            [attr.aria-invalid]="field.fault !== ''"
            (input)="write(field.code, $any($event.target).value)"
          />
          @if (field.fault) {
            <span class="fault" role="alert">{{ field.fault }}</span>
          }
        </label>
      }
      <div class="field">
        <label for="try-fit">Fit</label>
        <nz-select nzId="try-fit" name="fit" [nzOptions]="preferences" [(ngModel)]="preference" />
      </div>
    </form>
    <div class="outcome" aria-live="polite">
      <p class="verdict row">
        <nm-verdict-glyph [verdict]="verdict().verdict" />
        <b>{{ word() }}</b>
        <span class="size num" data-tried>{{ verdict().proposed ?? '–' }}</span>
      </p>
      <nm-verdict-account [sheet]="sheet()" [verdict]="verdict()" [unit]="unit()" />
    </div>
  `,
  styleUrl: './chart-try.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChartTry {
  private readonly session = inject(SessionService);
  readonly sheet = input.required<ChartSheet>();
  readonly unit = input.required<WorkingUnit>();

  private readonly units = inject(UnitService);
  protected readonly typed = signal<Readonly<Partial<Record<MeasurementCode, string>>>>({});
  protected readonly preferences = FIT_PREFERENCES.map((one) => ({ label: one, value: one }));
  protected readonly preference = signal<FitPreference>('regular');

  /** Everything the chart could use: what decides, what is reported, what stands in, what options ask. */
  protected readonly fields = computed(() => {
    const sheet = this.sheet();
    const columns = sheet.parts.flatMap((part) => part.columns);
    const codes = planSteps([
      ...decidingCodes(sheet),
      ...columns.flatMap(({ code, standIns }) =>
        [code, ...standIns].flatMap((one) => readingsBehind(sheet, one)),
      ),
      ...sheet.options.flatMap(({ when }) => when.flatMap(({ of }) => readingsBehind(sheet, of))),
    ]);
    return codes.map((code) => {
      const unit = bareUnit(code, this.unit());
      const text = this.typed()[code] ?? '';
      const read = text.trim() === '' ? null : readReading(text, code, unit);
      return {
        code,
        name: measurement(code).name,
        unit,
        fault: read !== null && !read.ok ? sayReadingProblem(read.problem, this.units.written(unit)) : '',
        value: read?.ok === true ? read.value.length : null,
      };
    });
  });

  protected readonly verdict = computed(() => {
    const known = this.fields().filter(
      (field): field is typeof field & { value: Length } => field.value !== null,
    );
    return judge(compiled(this.sheet()), new Map(known.map(({ code, value }) => [code, { value }])), {
      ...houseRuling(this.sheet(), this.session.habits()),
      preference: this.preference(),
    });
  });
  protected readonly word = computed(() => VERDICT_WORDS[this.verdict().verdict]);

  protected write(code: MeasurementCode, text: string): void {
    this.typed.update((typed) => ({ ...typed, [code]: text }));
  }
}
