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
  isAsked,
  measurement,
  planTable,
  readPlanned,
  sayFinding,
  sheetAround,
  withMeaning,
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
  protected readonly unitWords = { mm: 'millimetres', cm: 'centimetres', in: 'inches' } as const;
  protected readonly unitOptions = WORKING_UNITS.map((unit) => ({ label: unit, value: unit }));
  protected readonly measurements = CATALOGUE.filter(({ kind }) => kind !== 'mass')
    .map(({ code, name }) => ({ code, name }))
    .sort((a, b) => a.name.localeCompare(b.name));

  protected readonly outcome = computed(() => readPlanned(this.table().grid, this.plan()));
  /** What is to be said before going on, column by column. */
  protected readonly asked = computed(() => this.plan().columns.filter(({ asks }) => asks !== null));
  protected readonly waits = computed(() => isAsked(this.plan()));
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

  protected nameOf({ heading, index }: PlannedColumn): string {
    return heading === '' ? `Column ${index + 1}, without a heading,` : `“${heading}”`;
  }

  /** The unit in which nobody could be so, in words. */
  protected spanOf({ numbers, unit }: PlannedColumn): string {
    return `${Math.min(...numbers)} to ${Math.max(...numbers)} ${unit ?? ''}`;
  }

  protected setMeaning(column: PlannedColumn, value: string): void {
    this.changeColumns((one) => {
      // There is one column of sizes; what was is a label of something else, and asked about.
      if (one.index !== column.index)
        return value === 'size' && one.means === 'size' ? { ...one, means: null, asks: 'left-out' } : one;
      if (value === 'size') return { ...one, means: 'size', asks: null };
      return withMeaning(one, value === '' ? null : (value as MeasurementCode));
    });
  }

  /** A unit that somebody says is the column's, and of those too that name none and could be in no other. */
  protected measureIn(column: PlannedColumn, unit: WorkingUnit): void {
    this.changeColumns((one) => {
      const same = one.asks === 'which-unit' && one.proposes === unit;
      if (one.index !== column.index && !same) return one;
      const said = { ...one, named: unit, unit };
      return one.means === null || one.means === 'size' ? said : withMeaning(said, one.means);
    });
  }

  /** What was asked of a column is so as it stands. */
  protected isSo(column: PlannedColumn): void {
    this.changeColumns((one) => (one.index === column.index ? { ...one, asks: null } : one));
  }

  protected leaveOut(): void {
    this.plan.update((plan) => ({ ...plan, leftOutRightly: true }));
  }

  private changeColumns(change: (column: PlannedColumn) => PlannedColumn): void {
    this.plan.update((plan) => ({ ...plan, columns: plan.columns.map(change) }));
  }

  /** Planned anew from the other side; what was said of columns no longer fits them. */
  protected turn(): void {
    this.plan.set(planTable(this.table().grid, !this.plan().across));
  }

  protected take(): void {
    const sheet = this.preview();
    if (sheet !== null && !this.waits()) this.read.emit({ ...sheet, maker: '' });
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
