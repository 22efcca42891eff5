import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { columnName, measurement, type ChartPart, type ChartSheet } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import {
  columnsOf,
  hasColumns,
  faultOf,
  newRow,
  partOf,
  pasteInto,
  textOf,
  type PartText,
} from './part-text';
import { handleKey, keyOf, type KeyCommand } from '../../../parts/shortcuts/keys';
import { listKeys } from '../../../parts/shortcuts/shortcut-service';

/** A part as its table now makes it. */
export interface PartChange {
  readonly part: ChartPart;
  /** For each size which size it was before, by index; -1 for a new one. */
  readonly was: readonly number[];
  /** Whether a change was taken back. */
  readonly back: boolean;
}

/**
 * A part's table to be typed in like a spreadsheet: arrows and Enter move, a copied block is
 * pasted whole, Ctrl+Z takes a change back. What cannot be read stays as it was typed.
 */
@Component({
  selector: 'nm-part-editor',
  imports: [NzButtonModule],
  template: `
    <div class="wide" tabindex="-1" (keydown)="onKey($event)" (paste)="onPaste($event)">
      <table class="cells">
        <thead>
          <tr>
            @for (name of columns(); track $index) {
              <th scope="col">{{ name }}</th>
            }
            <th><span class="unseen">Rows</span></th>
          </tr>
        </thead>
        <tbody>
          @for (row of text(); track row.id; let at = $index) {
            <tr>
              @for (cell of row.cells; track $index; let column = $index) {
                <td
                  [class.found]="found().has(at + ':' + column)"
                  [class.pointed]="pointed() === at + ':' + column"
                >
                  <input
                    type="text"
                    autocomplete="off"
                    spellcheck="false"
                    maxlength="60"
                    [class.num]="column > 0"
                    [style.min-width.ch]="widths()[column]"
                    [attr.data-at]="at + ':' + column"
                    [attr.aria-label]="nameOf(at, column)"
                    [attr.aria-invalid]="faults().has(at + ':' + column)"
                    [title]="faults().get(at + ':' + column) ?? found().get(at + ':' + column) ?? ''"
                    [value]="cell"
                    (change)="write(at, column, $any($event.target).value)"
                  />
                </td>
              }
              <td class="acts-of-row">
                <button
                  nz-button
                  nzType="text"
                  type="button"
                  (click)="add(at)"
                  title="Add size below"
                  [attr.aria-label]="'A size after ' + row.cells[0]"
                >
                  +
                </button>
                <button
                  nz-button
                  nzType="text"
                  type="button"
                  (click)="drop(at)"
                  title="Remove size"
                  [attr.aria-label]="'Remove ' + row.cells[0]"
                >
                  −
                </button>
              </td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    @if (firstFault(); as fault) {
      <p class="fault" role="alert">{{ fault }}</p>
    }
  `,
  styleUrl: './part-editor.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartEditor {
  readonly sheet = input.required<ChartSheet>();
  readonly part = input.required<ChartPart>();
  /** The cells something was found in, by row and column of the editor, with what was found. */
  readonly found = input<ReadonlyMap<string, string>>(new Map());
  /** The cell that is pointed at; it takes the focus. */
  readonly pointed = input<string | null>(null);
  /** What a change has made of the part, or `null` while a cell cannot be read. */
  readonly changed = output<PartChange | null>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  /** Follows the part from outside (a mend, an undone step), and is otherwise what is typed. */
  protected readonly text = linkedSignal<ChartPart, PartText>({
    source: this.part,
    computation: (part, before) => {
      const made = before === undefined ? null : partOf(part, before.value);
      return made !== null && same(made, part) ? before!.value : textOf(part);
    },
  });
  private past: PartText[] = [];

  constructor() {
    listKeys(() => this.commands);
    effect(() => {
      const at = this.pointed();
      if (at === null) return;
      const [row, column] = at.split(':').map(Number) as [number, number];
      this.focus(row, column);
    });
  }

  /** The row of each size of the part as it is outside. */
  private readonly rows = linkedSignal<readonly [ChartPart, PartText], readonly number[]>({
    source: () => [this.part(), this.text()],
    computation: ([part, text], before) => {
      const made = partOf(part, text);
      // While the texts cannot be read, or have not been taken outside yet, the rows there are the old ones.
      const isBehind = made === null || !same(made, part);
      return before !== undefined && isBehind ? before.value : text.map(({ id }) => id);
    },
  });

  /** What each column of the editor is headed with. */
  protected readonly columns = computed(() => {
    const part = this.part();
    return columnsOf(part).map((column) => {
      switch (column.holds) {
        case 'label':
          return part.name;
        case 'value':
          return 'Measures';
        case 'name':
          return part.otherNames[column.at]!.system;
        case 'cell': {
          const { code, unit } = part.columns[column.at]!;
          return `${columnName(this.sheet(), code, (one) => measurement(one).name)}, ${unit}`;
        }
      }
    });
  });
  /** How wide each column has to be, in figures: as its longest cell, so that none is cut off. */
  protected readonly widths = computed(() =>
    this.columns().map(
      (_, column) =>
        Math.max(4, ...this.text().map(({ cells }) => Math.min(cells[column]?.length ?? 0, 24))) + 2,
    ),
  );
  protected readonly faults = computed(() => {
    const faults = new Map<string, string>();
    this.text().forEach((row, at) =>
      row.cells.forEach((_, column) => {
        const fault = faultOf(this.part(), this.text(), at, column);
        if (fault !== null) faults.set(`${at}:${column}`, fault);
      }),
    );
    return faults;
  });
  protected readonly firstFault = computed(() => {
    const [first] = this.faults();
    if (first === undefined) return null;
    const [at, column] = first[0].split(':').map(Number) as [number, number];
    return `${this.nameOf(at, column)}: ${first[1]}`;
  });

  protected nameOf(at: number, column: number): string {
    const size = this.text()[at]?.cells[0] ?? '';
    if (column === 0) return size === '' ? `Label of line ${at + 1}` : `Label ${size}`;
    return `${size}, ${(this.columns()[column] ?? '').replace(/, \w+$/, '')}`;
  }

  protected write(at: number, column: number, value: string): void {
    this.set(
      this.text().map((row, index) =>
        index === at ? { ...row, cells: row.cells.map((cell, c) => (c === column ? value : cell)) } : row,
      ),
    );
  }

  protected add(at: number): void {
    const empty = newRow(this.columns().map(() => ''));
    this.set([...this.text().slice(0, at + 1), empty, ...this.text().slice(at + 1)]);
    this.focus(at + 1, 0);
  }

  protected drop(at: number): void {
    if (this.text().length > 1) this.set(this.text().filter((_, index) => index !== at));
  }

  protected onPaste(event: ClipboardEvent): void {
    const block = event.clipboardData?.getData('text/plain') ?? '';
    const at = placeOf(event.target);
    if (at === null || !/[\t\n]/.test(block.replace(/\n$/, ''))) return;
    event.preventDefault();
    this.set(pasteInto(this.text(), at[0], at[1], block));
  }

  private readonly commands: readonly KeyCommand[] = [
    {
      keys: ['Ctrl+z'],
      does: 'undo',
      within: 'in a table',
      when: () => this.past.length > 0,
      run: () => this.takeBack(),
    },
    {
      keys: ['ArrowUp', 'ArrowDown', 'Enter'],
      does: 'the cell above or below',
      within: 'in a table',
      when: (_key, { target, altKey }) => placeOf(target) !== null && !altKey,
      run: (key, { target, shiftKey }) => {
        const [row, column] = placeOf(target)!;
        this.focus(row + (key === 'ArrowUp' || (key === 'Enter' && shiftKey) ? -1 : 1), column);
      },
    },
  ];

  protected onKey(event: KeyboardEvent): void {
    if (!handleKey(this.commands, keyOf(event), event)) return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** One change back, of this table. */
  private takeBack(): void {
    // A table with other columns than now is no longer one of this part.
    const count = this.columns().length;
    while (this.past.length > 0 && !hasColumns(this.past.at(-1)!, count)) this.past.pop();
    const before = this.past.pop();
    if (before !== undefined) this.show(before, true);
  }

  private set(text: PartText): void {
    this.past = [...this.past.slice(-200), this.text()];
    this.show(text, false);
  }

  private show(text: PartText, back: boolean): void {
    const rows = this.rows();
    this.text.set(text);
    const part = partOf(this.part(), text);
    this.changed.emit(part === null ? null : { part, was: text.map(({ id }) => rows.indexOf(id)), back });
  }

  private focus(row: number, column: number): void {
    // A row just added is drawn first.
    setTimeout(() => {
      const field = this.host.nativeElement.querySelector<HTMLInputElement>(`[data-at="${row}:${column}"]`);
      field?.focus();
      field?.select();
    });
  }
}

function placeOf(target: EventTarget | null): readonly [number, number] | null {
  const at = target instanceof HTMLElement ? target.dataset['at'] : undefined;
  if (at === undefined) return null;
  const [row, column] = at.split(':').map(Number) as [number, number];
  return [row, column];
}

function same(one: ChartPart, other: ChartPart): boolean {
  const table = ({ sizes, values, otherNames, columns }: ChartPart) =>
    JSON.stringify([sizes, values, otherNames, columns.map(({ cells }) => cells)]);
  return table(one) === table(other);
}
