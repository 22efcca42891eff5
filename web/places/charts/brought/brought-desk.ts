import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { ChartSheet } from '@neat-measure/core';
import { NzAutocompleteModule } from 'ng-zorro-antd/auto-complete';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { UnitService } from '../../../data/unit-service';
import { PartRulers } from '../part-rulers';
import { BroughtStore, type BroughtWithTables, type TableState } from './brought-store';
import { BroughtTableView } from './brought-table';
import { ColumnList } from './column-list';

/** What was brought, as it came, with all it was taken for; what it leaves unsaid is asked before anything is taken. */
@Component({
  selector: 'nm-brought-desk',
  imports: [
    BroughtTableView,
    ColumnList,
    PartRulers,
    NzAutocompleteModule,
    NzButtonModule,
    NzCheckboxModule,
    NzInputModule,
    NzPopconfirmModule,
    FormsModule,
  ],
  templateUrl: './brought-desk.html',
  styles: `
    .looked {
      display: grid;
      grid-template-columns: minmax(0, 3fr) minmax(380px, 2fr);
      gap: 24px;
      margin-top: 14px;
    }
    @media (max-width: 1000px) {
      .looked {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BroughtDesk {
  readonly brought = input.required<BroughtWithTables>();
  /** A sheet around the tables as they are read; the rest is said in the draft. */
  readonly read = output<ChartSheet>();
  readonly discarded = output<void>();
  protected readonly store = inject(BroughtStore);
  protected readonly units = inject(UnitService);

  protected readonly parts = computed(() =>
    this.store
      .states()
      .reduce((all, { read }, at) => all + (this.store.taken().has(at) ? (read?.parts.length ?? 0) : 0), 0),
  );
  /** What a table of several parts comes to, worked out before it is kept. */
  protected readonly comesTo = computed(() => {
    const read = this.store.state()?.read ?? null;
    if (read === null || read.parts.length < 2) return null;
    const parts = read.parts.map(({ name, sizes }) => `${name} (${sizes.length} sizes)`).join(' and ');
    const [made] = read.combinations;
    const count = made === undefined ? null : Object.values(made.made).flat().length;
    const offered = read.parts.find((part) => part.offered !== null);
    const together =
      offered !== undefined
        ? `${offered.name} is offered by ${read.parts[0]!.name.toLowerCase()}, ${offered.sizes.length} in all`
        : count === null
          ? 'every one is made with every other'
          : `${count} of them are made together`;
    return `It becomes a chart of two parts: ${parts}; ${together}.`;
  });

  constructor() {
    effect(() => this.store.brought.set(this.brought()));
  }

  protected about(state: TableState, at: number): string {
    const sizes = state.plan.rows.filter(({ role }) => role === 'size').length;
    if (sizes === 0) return 'nothing in it looks like sizes';
    const twin = this.store.twin(at);
    const unlike =
      twin === null || twin.twin.same ? '' : `, but size ${twin.twin.size} says otherwise than “${twin.of}”`;
    const like = twin?.twin.same === true ? `, the same as “${twin.of}” in another unit` : '';
    return `${sizes} sizes${like}${unlike}${state.asked ? ', something is asked' : ''}`;
  }

  /** Whether anything would be lost with it. */
  changed(): boolean {
    return this.store.changed();
  }

  protected onlyClass(one: string | undefined): void {
    this.store.say({ ...this.store.saidOfShown(), onlyClass: one });
  }

  protected take(): void {
    const sheet = this.store.sheet();
    if (sheet !== null) this.read.emit(sheet);
  }
}
