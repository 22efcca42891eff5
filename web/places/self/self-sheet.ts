import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { selfPath, selfSheetSchema, selfThanksSchema, type SelfSheet as Sheet } from '@neat-measure/contract';
import {
  bareUnit,
  GENERAL_PREPARATION,
  measurement,
  readReading,
  sayReadingProblem,
  type MeasurementCode,
  type WorkingUnit,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Api } from '../../data/api';
import { BodyFigure } from '../../parts/body-figure/body-figure';

const KEPT_AS = 'neat-measure.self';

/** The wearer's own page: the docket's measurements with the same figures, and a field for each. */
@Component({
  selector: 'nm-self-sheet',
  imports: [BodyFigure, NzButtonModule, NzInputModule, NzRadioModule, FormsModule],
  templateUrl: './self-sheet.html',
  styleUrl: './self-sheet.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SelfSheet {
  readonly token = input.required<string>();
  private readonly api = inject(Api);

  protected readonly sheet = signal<Sheet | null>(null);
  protected readonly unit = signal<WorkingUnit>('cm');
  /** What is typed, by measurement; kept on this device until it has been sent. */
  protected readonly typed = signal<Readonly<Record<string, string>>>({});
  protected readonly trouble = signal('');
  protected readonly sent = signal(false);
  protected readonly busy = signal(false);
  private readonly submissionId = uuidv7();
  protected readonly preparation = GENERAL_PREPARATION.slice(0, 3);

  protected readonly rows = computed(() =>
    (this.sheet()?.codes ?? []).map((code) => {
      const text = this.typed()[code] ?? '';
      const unit = bareUnit(code, this.unit());
      const read = text.trim() === '' ? null : readReading(text, code, unit);
      return {
        unit,
        text,
        ...measurement(code),
        fault: read !== null && !read.ok ? sayReadingProblem(read.problem, unit) : '',
      };
    }),
  );
  protected readonly filled = computed(() => this.rows().filter(({ text }) => text.trim() !== ''));

  constructor() {
    effect(() => {
      const token = this.token();
      this.api.get(selfPath(token), selfSheetSchema).subscribe({
        next: (sheet) => {
          this.sheet.set(sheet);
          this.unit.set(sheet.unit);
          this.typed.set(kept(token));
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
    });
  }

  protected write(code: MeasurementCode, text: string): void {
    this.typed.update((typed) => ({ ...typed, [code]: text }));
    localStorage.setItem(KEPT_AS, JSON.stringify({ token: this.token(), typed: this.typed() }));
  }

  protected send(): void {
    if (this.busy()) return;
    if (this.filled().length === 0) return this.trouble.set('Write at least one measurement, then send.');
    if (this.filled().some(({ fault }) => fault !== ''))
      return this.trouble.set('Some measurements cannot be read. Look at the ones marked below.');
    this.busy.set(true);
    this.trouble.set('');
    const readings = this.filled().map(({ code, text }) => ({ code, typed: text.trim() }));
    this.api
      .put(selfPath(this.token()), { id: this.submissionId, unit: this.unit(), readings }, selfThanksSchema)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => {
          this.sent.set(true);
          localStorage.removeItem(KEPT_AS);
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }
}

function kept(token: string): Record<string, string> {
  try {
    const draft = JSON.parse(localStorage.getItem(KEPT_AS) ?? '{}') as {
      token?: string;
      typed?: Record<string, string>;
    };
    return draft.token === token ? (draft.typed ?? {}) : {};
  } catch {
    return {};
  }
}
