import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  CATALOGUE,
  measurement,
  planTable,
  readPlanned,
  sayFinding,
  sheetAround,
  WORKING_UNITS,
  type ChartSheet,
  type MeasurementCode,
  type PlannedColumn,
  type WorkingUnit,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import type { BroughtFile } from '../../data/chart-files';
import { UnitService } from '../../data/unit-service';
import { PartRulers } from './part-rulers';
import { ControlName } from '../../parts/forms/control-name';

/** A brought table, column by column: what each is taken for, guessed and for the fitter to change. Nothing is saved here. */
@Component({
  selector: 'nm-table-mapping',
  imports: [ControlName, PartRulers, NzButtonModule, NzSelectModule, FormsModule],
  templateUrl: './table-mapping.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TableMapping {
  readonly table = input.required<Extract<BroughtFile, { kind: 'table' }>>();
  /** A sheet around the table as it is read; the rest is said in the draft. */
  readonly read = output<ChartSheet>();
  readonly discarded = output<void>();
  protected readonly units = inject(UnitService);

  protected readonly plan = linkedSignal(() => planTable(this.table().grid));
  protected readonly unitOptions = WORKING_UNITS.map((unit) => ({ label: unit, value: unit }));
  protected readonly measurements = CATALOGUE.filter(({ kind }) => kind !== 'mass')
    .map(({ code, name }) => ({ code, name }))
    .sort((a, b) => a.name.localeCompare(b.name));

  protected readonly outcome = computed(() => readPlanned(this.table().grid, this.plan()));
  protected readonly asked = computed(() =>
    this.plan().columns.filter(
      ({ asks, means }) => asks !== null && (means === null || asks === 'which-unit'),
    ),
  );
  protected readonly sentences = computed(() => {
    const outcome = this.outcome();
    return outcome.ok ? [] : outcome.problem.map(sayFinding);
  });
  protected readonly preview = computed(() => {
    const outcome = this.outcome();
    if (!outcome.ok || outcome.value.columns.length === 0) return null;
    return sheetAround(outcome.value, {
      maker: '–',
      garment: nameFrom(this.table().source),
      rule: 'widest-decides',
    });
  });

  protected candidates({ candidates }: PlannedColumn): { code: MeasurementCode; name: string }[] {
    return candidates.map((code) => ({ code, name: measurement(code).name }));
  }

  /** What else it may mean. */
  protected others({ candidates }: PlannedColumn): { code: MeasurementCode; name: string }[] {
    return this.measurements.filter(({ code }) => !candidates.includes(code));
  }

  protected setMeaning(column: PlannedColumn, value: string): void {
    const means = value === '' ? null : (value as PlannedColumn['means']);
    // There is one column of sizes; the one that was is left out.
    this.plan.update((plan) => ({
      ...plan,
      columns: plan.columns.map((one) => {
        if (one.index === column.index)
          return {
            ...one,
            means,
            asks: means === null || one.unit !== null || means === 'size' ? null : 'which-unit',
          };
        return means === 'size' && one.means === 'size' ? { ...one, means: null } : one;
      }),
    }));
  }

  protected measureIn(column: PlannedColumn, unit: WorkingUnit | null): void {
    this.plan.update((plan) => ({
      ...plan,
      columns: plan.columns.map((one) =>
        one.index === column.index
          ? {
              ...one,
              unit,
              asks: one.means === null ? one.asks : unit === null ? 'which-unit' : null,
            }
          : one,
      ),
    }));
  }

  protected turn(): void {
    const { across } = this.plan();
    const { rows } = this.table().grid;
    // Planned anew from the other side; what was said of columns no longer fits them.
    const width = Math.max(...rows.map(({ cells }) => cells.length));
    const flipped = {
      rows: Array.from({ length: width }, (_, at) => ({
        line: at + 1,
        cells: rows.map(({ cells }) => cells[at] ?? ''),
      })),
    };
    this.plan.set({ ...planTable(flipped), across: !across });
  }

  protected take(): void {
    const sheet = this.preview();
    if (sheet !== null) this.read.emit({ ...sheet, maker: '' });
  }
}

/** A garment's name from its file's: `guide-shirt.csv` is most likely a guide shirt. */
function nameFrom(source: string): string {
  const name = source
    .replace(/\.\w+$/, '')
    .replace(/[-_]+/g, ' ')
    .trim();
  return source === 'pasted' ? '' : name.charAt(0).toUpperCase() + name.slice(1);
}
