import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { tableAsCsv } from '@neat-measure/core/stock-table';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { StoresService } from '../../../data/stores-service';
import { ChartFiles } from '../../../data/imported/chart-files';

/** Everything that lies in rooms as a table, for a spreadsheet or another house; it reads back as it is. */
@Component({
  selector: 'nm-stock-out',
  imports: [NzButtonModule],
  template: `
    <div class="panel" role="group" aria-label="Export">
      @if (trouble()) {
        <p class="fault" role="alert">{{ trouble() }}</p>
      }
      <p>One row per size, and one row per numbered piece.</p>
      <div class="acts">
        <button nz-button nzType="primary" type="button" (click)="save('xlsx')">XLSX</button>
        <button nz-button type="button" (click)="save('csv')">CSV</button>
        <button nz-button nzType="text" type="button" (click)="left.emit()">Close</button>
      </div>
    </div>
  `,
  styles: `
    .panel {
      padding: 14px 18px;
      margin-top: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StockOut {
  readonly left = output<void>();
  private readonly service = inject(StoresService);
  private readonly files = inject(ChartFiles);
  protected readonly trouble = signal('');

  protected save(as: 'csv' | 'xlsx'): void {
    this.trouble.set('');
    this.service.table().subscribe({
      next: (rows) => void this.write(rows, as),
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }

  private async write(rows: readonly (readonly string[])[], as: 'csv' | 'xlsx'): Promise<void> {
    if (as === 'csv') this.files.save(tableAsCsv(rows), 'stock.csv', 'text/csv');
    else this.files.save(await this.files.writeTables([{ name: 'Stock', rows }]), 'stock.xlsx');
  }
}
