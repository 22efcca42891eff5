import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { tableAsCsv } from '@neat-measure/core/stock-table';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { ChartFiles } from '../../../data/imported/chart-files';
import { MusterService } from '../../../data/musters/muster-service';

/** Everybody on a muster as a table, with where they are, what is missing and the size of each garment. */
@Component({
  selector: 'nm-export-people',
  imports: [NzButtonModule],
  template: `
    <h2>Export the list</h2>
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
    <p>One row per wearer: state, missing parts, and the size of each garment.</p>
    <div class="acts">
      <button nz-button nzType="primary" type="button" (click)="save('xlsx')">XLSX</button>
      <button nz-button type="button" (click)="save('csv')">CSV</button>
      <button nz-button nzType="text" type="button" (click)="done.emit()">Close</button>
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ExportPeople {
  private readonly service = inject(MusterService);
  private readonly files = inject(ChartFiles);
  readonly musterId = input.required<string>();
  readonly done = output<void>();
  protected readonly trouble = signal('');

  protected save(as: 'csv' | 'xlsx'): void {
    this.trouble.set('');
    this.service.table(this.musterId()).subscribe({
      next: (rows) => void this.write(rows, as),
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }

  private async write(rows: readonly (readonly string[])[], as: 'csv' | 'xlsx'): Promise<void> {
    if (as === 'csv') this.files.save(tableAsCsv(rows), 'muster.csv', 'text/csv');
    else this.files.save(await this.files.writeTables([{ name: 'Muster', rows }]), 'muster.xlsx');
  }
}
