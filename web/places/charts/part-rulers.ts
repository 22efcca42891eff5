import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import {
  formatNumber,
  measurement,
  settleColumn,
  type Cell,
  type ChartPart,
  type WorkingUnit,
} from '@neat-measure/core';
import { SizeRuler } from '../../parts/size-ruler/size-ruler';

/** A part of a chart: one ruler a measurement, and the table beneath in the reader's unit. */
@Component({
  selector: 'nm-part-rulers',
  imports: [SizeRuler],
  template: `
    @for (column of columns(); track column.name) {
      <div class="ruler">
        <h3>
          {{ column.name }} <span>{{ column.place }}</span>
        </h3>
        <nm-size-ruler
          stature="chart"
          [measurement]="column.name"
          [sizes]="part().sizes"
          [intervals]="column.intervals"
          [unit]="unit()"
        />
      </div>
    }
    <div class="scroll" tabindex="0" role="region" aria-label="Size table">
      <table>
        <thead>
          <tr>
            <th scope="col">Size</th>
            @for (column of columns(); track column.name) {
              <th scope="col" class="figure">{{ column.name }}, {{ unit() }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.size) {
            <tr>
              <th scope="row">{{ row.size }}</th>
              @for (cell of row.cells; track $index) {
                <td class="figure num">{{ cell }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styles: `
    .ruler {
      max-width: 860px;
      margin-top: 18px;
    }
    h3 {
      font-size: 17px;
      font-weight: 650;
    }
    h3 span {
      margin-left: 8px;
      color: var(--soft);
      font-size: 14px;
      font-weight: 400;
    }
    .scroll {
      max-width: 860px;
      margin-top: 22px;
      overflow-x: auto;
    }
    table {
      border-collapse: collapse;
      background: var(--paper);
    }
    th,
    td {
      height: 36px;
      padding: 0 18px;
      border: 1px solid var(--line);
      text-align: left;
    }
    thead th {
      color: var(--soft);
      font-weight: 500;
    }
    .figure {
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartRulers {
  readonly part = input.required<ChartPart>();
  readonly unit = input.required<WorkingUnit>();

  protected readonly columns = computed(() =>
    this.part().columns.map((column) => {
      const { name, place } = measurement(column.code);
      return {
        name,
        place,
        intervals: settleColumn(column.cells as Cell[], column.reach),
        cells: column.cells as Cell[],
      };
    }),
  );
  protected readonly rows = computed(() =>
    this.part().sizes.map((size, index) => ({
      size,
      cells: this.columns().map(({ cells }) => sayCell(cells[index]!, this.unit())),
    })),
  );
}

/** A cell as its maker means it, in the reader's unit. */
function sayCell(cell: Cell, unit: WorkingUnit): string {
  if (cell.kind === 'nominal') return formatNumber(cell.at, unit);
  const { lower, upper } = cell;
  if (lower === null)
    return upper === null ? 'any' : `${upper.edge === 'closed' ? '≤' : '<'} ${formatNumber(upper.at, unit)}`;
  if (upper === null) return `${lower.edge === 'open' ? '>' : '≥'} ${formatNumber(lower.at, unit)}`;
  return `${formatNumber(lower.at, unit)} – ${formatNumber(upper.at, unit)}`;
}
