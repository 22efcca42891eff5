import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { chartImportSchema, type Chart } from '@neat-measure/contract';
import {
  HOUSE_RULES,
  measurement,
  RULE_WORDS,
  type HouseRule,
  type MeasurementCode,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { ApiProblem } from '../../data/api';
import { ChartService } from '../../data/chart-service';
import { UnitService } from '../../data/unit-service';
import type { BroughtTable } from './charts';
import { PartRulers } from './part-rulers';

/** What was brought, shown as rulers at once, and what the table itself does not say. Nothing is saved until confirmed. */
@Component({
  selector: 'nm-chart-import-form',
  imports: [FormsModule, NzButtonModule, NzInputModule, NzSelectModule, PartRulers],
  templateUrl: './chart-import-form.html',
  styles: `
    h2 {
      font-size: 34px;
      font-weight: 720;
      line-height: 1.15;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 14px;
      max-width: 860px;
      margin-top: 14px;
    }
    label {
      display: flex;
      flex-direction: column;
      gap: 4px;
      font-weight: 600;
    }
    .fault,
    .acts {
      margin-top: 14px;
    }
    .acts {
      display: flex;
      gap: 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChartImportForm {
  readonly table = input.required<BroughtTable>();
  readonly added = output<Chart>();
  readonly discarded = output<void>();

  private readonly charts = inject(ChartService);
  protected readonly units = inject(UnitService);

  protected readonly maker = signal('');
  protected readonly garment = linkedSignal(() => nameFrom(this.table().source));
  protected readonly rule = signal<HouseRule>('widest-decides');
  protected readonly key = linkedSignal<MeasurementCode>(() => this.table().part.columns[0]!.code);
  protected readonly rules = HOUSE_RULES.map((value) => ({ value, words: capital(RULE_WORDS[value]) }));
  protected readonly keys = computed(() =>
    this.table().part.columns.map(({ code }) => ({ value: code, words: measurement(code).name })),
  );
  protected readonly faults = signal<readonly string[]>([]);
  protected readonly busy = signal(false);
  /** One id a table, so that confirming again after a failure imports it once. */
  private readonly id = linkedSignal({ source: () => this.table(), computation: () => uuidv7() });

  protected confirm(): void {
    const { source, csv } = this.table();
    const rule = this.rule();
    const chart = chartImportSchema.safeParse({
      maker: this.maker(),
      garment: this.garment(),
      rule,
      key: rule === 'key-decides' ? this.key() : null,
      source,
      csv,
    });
    if (!chart.success)
      return this.faults.set(
        chart.error.issues.map(
          (issue) => `${FIELDS[String(issue.path[0])] ?? 'The table'}: ${issue.message}`,
        ),
      );
    this.busy.set(true);
    this.faults.set([]);
    this.charts
      .import(this.id(), chart.data)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (saved) => this.added.emit(saved),
        error: (problem: Error) =>
          this.faults.set([problem.message, ...(problem instanceof ApiProblem ? problem.findings : [])]),
      });
  }
}

const FIELDS: Readonly<Record<string, string>> = {
  maker: 'Maker',
  garment: 'Garment',
  key: 'Deciding measurement',
};

/** A garment's name from its file's: `guide-shirt.csv` is most likely a guide shirt. */
function nameFrom(source: string): string {
  return capital(
    source
      .replace(/\.\w+$/, '')
      .replace(/[-_]+/g, ' ')
      .trim(),
  );
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
