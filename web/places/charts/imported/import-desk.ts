import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { counted, type ChartSheet } from '@neat-measure/core';
import { sayLeftOut } from '@neat-measure/core/imported';
import { NzAutocompleteModule } from 'ng-zorro-antd/auto-complete';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { UnitService } from '../../../data/unit-service';
import { PartRulers } from '../part-rulers';
import { ThreeWearers } from '../three-wearers';
import type { TableState } from '../../../data/imported/plan-tables';
import { ImportStore, type ImportedWithTables } from './import-store';
import { ImportedTableView } from './imported-table';
import { ColumnList } from './column-list';

/** What was imported, as it came, with all it was taken for; what it leaves unsaid is asked before anything is taken. */
@Component({
  selector: 'nm-import-desk',
  imports: [
    ImportedTableView,
    ColumnList,
    PartRulers,
    ThreeWearers,
    NzAutocompleteModule,
    NzButtonModule,
    NzCheckboxModule,
    NzInputModule,
    NzPopconfirmModule,
    FormsModule,
  ],
  templateUrl: './import-desk.html',
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
export class ImportDesk {
  readonly imported = input.required<ImportedWithTables>();
  /** A sheet around the tables as they are read; the rest is said in the draft. */
  readonly read = output<ChartSheet>();
  readonly discarded = output<void>();
  protected readonly store = inject(ImportStore);
  protected readonly units = inject(UnitService);

  /** Whether what is left out is shown. */
  protected readonly shows = signal(false);
  /** How much is left out, in words; nothing where all of it is taken. */
  protected readonly leftOut = computed(() => {
    const all = this.store.leftOut().map(({ of }) => of);
    return sayLeftOut({
      columns: all.flatMap(({ columns }) => columns),
      lines: all.flatMap(({ lines }) => lines),
    });
  });

  protected readonly parts = computed(() =>
    this.store
      .states()
      .reduce((all, { read }, at) => all + (this.store.taken().has(at) ? (read?.parts.length ?? 0) : 0), 0),
  );
  /** What a table of several parts comes to, worked out before it is kept. */
  protected readonly comesTo = computed(() => {
    const read = this.store.state()?.read ?? null;
    if (read === null || read.parts.length < 2) return null;
    const parts = read.parts
      .map(({ name, sizes }) => `${name} (${counted(sizes.length, 'size')})`)
      .join(' and ');
    const [made] = read.combinations;
    const count = made === undefined ? null : Object.values(made.made).flat().length;
    const offered = read.parts.find((part) => part.offered !== null);
    const together =
      offered !== undefined
        ? `${offered.name} depends on the ${read.parts[0]!.name.toLowerCase()}, ${offered.sizes.length} in all`
        : count === null
          ? 'every combination is made'
          : `${count} combinations are made`;
    return `The chart has two parts: ${parts}; ${together}.`;
  });

  constructor() {
    effect(() => this.store.imported.set(this.imported()));
  }

  protected about(state: TableState, at: number): string {
    const sizes = state.plan.rows.filter(({ role }) => role === 'size').length;
    if (sizes === 0) return 'no sizes found';
    const twin = this.store.twin(at);
    const unlike =
      twin === null || twin.twin.same ? '' : `, but size ${twin.twin.size} differs from “${twin.of}”`;
    const like = twin?.twin.same === true ? `, the same as “${twin.of}” in another unit` : '';
    return `${counted(sizes, 'size')}${like}${unlike}${state.asked ? ', has questions' : ''}`;
  }

  /** As many sizes are drawn as rulers. */
  protected readonly most = 120;

  /** Stops working it out; where nothing stands to go on with, leaves it. */
  protected stop(): void {
    if (!this.store.stop()) this.discarded.emit();
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
