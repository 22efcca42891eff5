import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { type WorkingUnit } from '@neat-measure/core';
import {
  cellReader,
  nameOfRole,
  sayColumn,
  withTyped,
  type CellReading,
  type Grid,
  type TableAnswers,
  type TablePlan,
} from '@neat-measure/core/imported';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';

/** As many rows and columns are drawn, of a wide table fewer rows; the others are said. */
const [MOST_ROWS, MOST_COLUMNS] = [120, 40];
const [MOST_CELLS, LEAST_ROWS] = [1_600, 30];

/** The imported table itself: every cell where it stood, coloured and named by what it is taken for, to be pointed at and changed. */
@Component({
  selector: 'nm-imported-table',
  imports: [NzButtonModule, NzInputModule],
  templateUrl: './imported-table.html',
  styles: `
    .scroll {
      max-height: 46vh;
      overflow: auto;
    }
    td {
      padding: 0 !important;
    }
    td button {
      min-width: 44px;
      min-height: 36px;
      width: 100%;
      padding: 0 10px;
      border: 0;
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      white-space: pre;
      cursor: pointer;
    }
    td button[aria-pressed='true'] {
      outline: 2px solid var(--ink);
      outline-offset: -2px;
    }
    th {
      font-weight: 400;
      white-space: nowrap;
    }
    :is(.as-measure, .as-with-above) {
      background: var(--paper);
      font-family: var(--figures);
    }
    .as-size {
      background: var(--green-wash);
      font-weight: 600;
    }
    :is(.as-label, .as-class, .as-section) {
      background: var(--green-wash);
    }
    :is(.as-heading, .as-unit, .as-title) {
      background: var(--line);
    }
    .as-mark {
      background: var(--paper);
    }
    :is(.as-note, .as-empty) {
      background: var(--chalk);
      color: var(--soft);
    }
    .as-left-out {
      background: repeating-linear-gradient(135deg, var(--chalk) 0 6px, var(--line) 6px 7px);
      color: var(--soft);
    }
    .asked {
      box-shadow: inset 0 0 0 2px var(--tape);
    }
    .legend span {
      margin-right: 8px;
      padding: 2px 10px;
      border: 1px solid var(--line);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportedTableView {
  readonly grid = input.required<Grid>();
  readonly plan = input.required<TablePlan>();
  readonly answers = input.required<TableAnswers>();
  readonly unit = input.required<WorkingUnit>();
  readonly said = output<TableAnswers>();
  /** It is to be read from its other side. */
  readonly turned = output<void>();

  /** The cell pointed at, by its row and column in the grid. */
  protected readonly at = linkedSignal<Grid, { readonly row: number; readonly column: number } | null>({
    source: () => this.grid(),
    computation: () => null,
  });
  private readonly typed = computed(() => withTyped(this.grid(), this.answers().cells));
  private readonly reader = computed(() => cellReader(this.typed(), this.plan(), this.unit()));
  private readonly width = computed(() => Math.max(0, ...this.grid().rows.map(({ cells }) => cells.length)));

  /** How many rows are drawn. */
  private readonly drawn = computed(() =>
    Math.min(MOST_ROWS, Math.max(LEAST_ROWS, Math.floor(MOST_CELLS / Math.max(1, this.width())))),
  );

  protected readonly rows = computed(() => {
    const read = this.reader();
    const width = Math.min(this.width(), MOST_COLUMNS);
    return this.typed()
      .rows.slice(0, this.drawn())
      .map(({ line, cells }, row) => ({
        line,
        cells: Array.from({ length: width }, (_, column) => {
          const reading = read(row, column);
          return { text: cells[column] ?? '', classes: classesOf(reading), named: nameOfRole(reading.role) };
        }),
      }));
  });
  /** What each column is taken for, or each row where the sizes stand across. */
  protected readonly heads = computed(() => {
    const { across, columns, inside } = this.plan();
    const width = Math.min(this.width(), MOST_COLUMNS);
    if (across || inside !== 'measures') return null;
    return Array.from({ length: width }, (_, index) => {
      const own = columns.filter((one) => one.index === index || one.upperIn === index);
      return own.map((one) => sayColumn(one).split(', ')[0]!).join(' / ');
    });
  });
  protected readonly left = computed(() => ({
    rows: Math.max(0, this.grid().rows.length - this.drawn()),
    columns: Math.max(0, this.width() - MOST_COLUMNS),
  }));
  protected readonly sizes = computed(() => this.plan().rows.filter(({ role }) => role === 'size').length);

  /** The cell pointed at, explained. */
  protected readonly cell = computed(() => {
    const at = this.at();
    if (at === null) return null;
    const reading = this.reader()(at.row, at.column);
    const line = this.grid().rows[at.row]!;
    return {
      says: reading.says,
      line: reading.line,
      key: `${line.line}:${at.column + 1}`,
      text: this.typed().rows[at.row]!.cells[at.column] ?? '',
      came: line.cells[at.column] ?? '',
    };
  });
  /** The line of the cell pointed at, if it can be said to be a size or none. */
  protected readonly lineOf = computed(() => {
    const { line } = this.cell() ?? {};
    const row = this.plan().rows.find((one) => one.line === line);
    if (row === undefined || line === undefined || line === null) return null;
    return { line, isSize: row.role === 'size' };
  });

  protected point(row: number, column: number): void {
    this.at.set({ row, column });
  }

  protected type(key: string, text: string): void {
    this.said.emit({ ...this.answers(), cells: { ...this.answers().cells, [key]: text.trim() } });
  }

  protected untype(key: string): void {
    const { [key]: _, ...cells } = this.answers().cells;
    this.said.emit({ ...this.answers(), cells });
  }

  protected isTyped(key: string): boolean {
    return this.answers().cells[key] !== undefined;
  }

  protected sayRow(line: number, is: 'size' | 'left-out'): void {
    this.said.emit({ ...this.answers(), rows: { ...this.answers().rows, [line]: is } });
  }
}

function classesOf({ role, asked }: CellReading): string {
  return asked ? `as-${role} asked` : `as-${role}`;
}
