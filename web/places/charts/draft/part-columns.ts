import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  CATALOGUE,
  columnName,
  measurement,
  WORKING_UNITS,
  type ChartPart,
  type ChartSheet,
  type ColumnCode,
  type MeasurementCode,
  type WorkingUnit,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';

/** The columns of a part's table: which decide, which are only reported, and what else it goes by. */
@Component({
  selector: 'nm-part-columns',
  imports: [ControlName, FormsModule, NzButtonModule, NzCheckboxModule, NzSelectModule],
  template: `
    <div class="acts">
      @for (column of part().columns; track column.code) {
        <span>
          <label
            nz-checkbox
            [ngModel]="column.role === 'deciding'"
            (ngModelChange)="turnRole(column.code)"
            [ngModelOptions]="{ standalone: true }"
            >{{ nameOf(column.code) }} decides the size</label
          >
          @if (part().columns.length > 1) {
            <button nz-button nzType="text" type="button" (click)="drop(column.code)">Remove</button>
          }
        </span>
      }
    </div>
    <div class="acts">
      <nz-select
        nzShowSearch
        nzPlaceHolder="Add measurement"
        [nzId]="'add-code-' + part().code"
        nmName="Measurement to add"
        [nzOptions]="measurements()"
        [(ngModel)]="code"
      />
      <nz-select
        [nzId]="'add-unit-' + part().code"
        nmName="Unit of the measurement to add"
        [nzOptions]="units"
        [(ngModel)]="unit"
      />
      <button nz-button type="button" [disabled]="code() === null" (click)="add()">Add</button>
    </div>
  `,
  styles: `
    nz-select {
      min-width: 90px;

      &:first-child {
        width: 240px;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartColumns {
  readonly sheet = input.required<ChartSheet>();
  readonly part = input.required<ChartPart>();
  readonly changed = output<ChartPart>();
  protected readonly code = signal<ColumnCode | null>(null);
  protected readonly unit = signal<WorkingUnit>('cm');
  protected readonly units = WORKING_UNITS.map((unit) => ({ label: unit, value: unit }));

  /** What the table does not go by yet: measured, or derived by the chart's own arithmetic. */
  protected measurements(): { readonly label: string; readonly value: ColumnCode }[] {
    const there = new Set(this.part().columns.map(({ code }) => code));
    const derived = this.sheet().derivations.map(({ code, name }) => ({ label: name, value: code }));
    return [...derived, ...MEASURED].filter(({ value }) => !there.has(value));
  }

  protected nameOf(code: ColumnCode): string {
    return columnName(this.sheet(), code, (one: MeasurementCode) => measurement(one).name);
  }

  protected add(): void {
    const code = this.code();
    if (code === null) return;
    // New cells hold every length, which the doctor calls wrong until they are filled.
    const cells = this.part().sizes.map(() => ({ kind: 'interval' as const, lower: null, upper: null }));
    const [role, reach] = ['deciding' as const, 'halfway' as const];
    const column = { code, role, unit: this.unit(), reach, ease: null, standIns: [], cells };
    this.changed.emit({ ...this.part(), columns: [...this.part().columns, column] });
    this.code.set(null);
  }

  protected drop(code: ColumnCode): void {
    const part = this.part();
    this.changed.emit({ ...part, columns: part.columns.filter((column) => column.code !== code) });
  }

  protected turnRole(code: ColumnCode): void {
    const part = this.part();
    this.changed.emit({
      ...part,
      columns: part.columns.map((column) =>
        column.code === code
          ? { ...column, role: column.role === 'deciding' ? 'advisory' : 'deciding' }
          : column,
      ),
    });
  }
}

const MEASURED = CATALOGUE.filter(({ kind }) => kind !== 'mass')
  .map(({ code, name }): { label: string; value: ColumnCode } => ({ label: name, value: code as ColumnCode }))
  .sort((a, b) => a.label.localeCompare(b.label));
