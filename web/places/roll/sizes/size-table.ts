import { ScrollingModule } from '@angular/cdk/scrolling';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  type ElementRef,
  inject,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { sizingSheetPath } from '@neat-measure/contract';
import { MOST_PRINTED, sizingSheetQuery } from '@neat-measure/contract/musters';
import { counted, sayChance } from '@neat-measure/core';
import {
  chanceOfSize,
  EVERYBODY,
  RESTS_WORDS,
  restsOf,
  sayStands,
  SHOWS_WORDS,
  type Shows,
  type TableFilter,
} from '@neat-measure/core/group';
import { tableAsCsv } from '@neat-measure/core/stock-table';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { fromEvent } from 'rxjs';
import { ChartFiles } from '../../../data/imported/chart-files';
import { SizesStore } from '../../../data/musters/sizes-store';
import { SessionService } from '../../../data/session-service';
import { ControlName } from '../../../parts/forms/control-name';
import { handleKey, keyOf, type KeyCommand } from '../../../parts/shortcuts/keys';
import { listKeys } from '../../../parts/shortcuts/shortcut-service';
import { DecideMany } from './decide-many';
import { SizeRow, type ShownGarment } from './size-row';

const ROW_PX = 40;
/** How wide the columns are at least: the name, which stays in sight, what it rests on, and a garment. */
const [NAME_PX, RESTS_PX, GARMENT_PX] = [230, 150, 184];
/** Columns are counted from 1, and two are before the garments. */
const FIRST_GARMENT = 3;

const SHOWS_OPTIONS = (Object.keys(SHOWS_WORDS) as Shows[]).map((value) => ({
  value,
  label: SHOWS_WORDS[value],
}));

/** A list beside the search: what can be chosen, and what is. */
interface ChoiceList {
  readonly name: string;
  /** What stands there while nothing is chosen; empty where something always is. */
  readonly placeholder: string;
  readonly options: { readonly value: string | number; readonly label: string }[];
  readonly value: string | number | null;
  choose(chosen: string | number | null): void;
}

/** Everybody in one table: a column a garment, with the verdict, the size and how sure it is. */
@Component({
  selector: 'nm-size-table',
  imports: [
    ControlName,
    DecideMany,
    FormsModule,
    NzButtonModule,
    NzInputModule,
    NzSelectModule,
    ScrollingModule,
    SizeRow,
  ],
  templateUrl: './size-table.html',
  styleUrl: './size-table.less',
  host: { class: 'stack', '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizeTable {
  protected readonly store = inject(SizesStore);
  private readonly router = inject(Router);
  private readonly files = inject(ChartFiles);
  private readonly port = viewChild.required<ElementRef<HTMLElement>>('port');
  protected readonly rowPx = ROW_PX;
  protected readonly mostPrinted = MOST_PRINTED;
  /** Where exactly what is shown is printed. */
  protected readonly sheet = computed(
    () => `${sizingSheetPath(this.store.view()!.progress.id)}?${sizingSheetQuery(this.filter())}`,
  );
  protected readonly counted = counted;
  protected readonly filter = this.store.filter;
  protected readonly may = inject(SessionService).may('decide');
  protected readonly deciding = signal(false);
  protected readonly garments = computed(() => this.store.sizing()?.garments ?? []);
  /** The garments by place, the one that is chosen first. */
  protected readonly order = computed(() => {
    const { garment } = this.filter();
    const all = this.garments().map((_, at) => at);
    return garment === null ? all : [garment, ...all.filter((at) => at !== garment)];
  });
  protected readonly columns = computed(
    () =>
      `minmax(${NAME_PX}px, 1.4fr) ${RESTS_PX}px repeat(${this.garments().length}, minmax(${GARMENT_PX}px, 1fr))`,
  );
  /** From which column of a garment to which is in sight: others are not drawn, as each costs while one scrolls. */
  protected readonly sight = signal<Sight>({ from: 0, to: Infinity, isAside: false }, { equal: isSameSight });
  protected readonly inSight = computed(() => {
    const { from, to } = this.sight();
    return this.order()
      .map((at, place): ShownGarment => ({ at, column: place + FIRST_GARMENT }))
      .slice(from, to);
  });
  protected readonly garmentOptions = computed(() =>
    this.garments().map(({ garment, maker, version }, value) => {
      const twice = this.garments().filter((one) => one.garment === garment && one.maker === maker);
      return { value, label: `${garment}, ${maker}${twice.length > 1 ? ` (version ${version})` : ''}` };
    }),
  );
  /** The lists that say which rows are wanted, as far as there is something to choose. */
  protected readonly lists = computed<readonly ChoiceList[]>(() => {
    const { group, garment, shows, between } = this.filter();
    const groups = (this.store.view()?.groups ?? []).map(({ name }) => ({ value: name, label: name }));
    const pairs = this.pairOptions();
    const lists: ChoiceList[] = [
      {
        name: 'Group',
        placeholder: 'all groups',
        options: groups,
        value: group,
        choose: (chosen: string | null) => this.change({ group: chosen }),
      },
      {
        name: 'Garment',
        placeholder: 'any garment',
        options: this.garmentOptions(),
        value: garment,
        choose: (chosen: number | null) => this.change({ garment: chosen }),
      },
      {
        name: 'Show',
        placeholder: '',
        options: SHOWS_OPTIONS,
        value: shows,
        choose: (chosen: Shows) => this.change({ shows: chosen }),
      },
      {
        name: 'Between',
        placeholder: 'between which sizes',
        options: pairs,
        value: between?.join(' ') ?? null,
        choose: (chosen: string | null) => this.choosePair(chosen),
      },
    ];
    return lists.filter(({ options }) => options.length > 0);
  });
  private readonly pairOptions = computed(() => {
    const { garment } = this.filter();
    const labels = garment === null ? [] : (this.garments()[garment]?.labels ?? []);
    return this.store.pairs().map(({ pair: [one, other], count }) => ({
      value: `${one} ${other}`,
      label: `${labels[one]} and ${labels[other]} (${count})`,
    }));
  });
  /** Whether less than everybody is shown. */
  protected readonly filtered = computed(
    () => JSON.stringify({ ...this.filter(), sortBy: 'name' }) !== JSON.stringify(EVERYBODY),
  );
  /** Where the keys are, by place among the rows that are shown; first of all again when others are. */
  protected readonly at = linkedSignal({ source: this.store.rows, computation: () => 0 });

  private readonly commands: readonly KeyCommand[] = [
    { keys: ['ArrowDown'], does: 'the next wearer', run: () => this.move(1) },
    { keys: ['ArrowUp'], does: 'the wearer before', run: () => this.move(-1) },
    { keys: ['PageDown'], does: '', run: () => this.move(10) },
    { keys: ['PageUp'], does: '', run: () => this.move(-10) },
    { keys: ['Home'], does: 'the first wearer', run: () => this.move(-Infinity) },
    { keys: ['End'], does: 'the last wearer', run: () => this.move(Infinity) },
    {
      keys: ['Enter'],
      does: 'open the docket of the wearer',
      when: (_, { target }) => !(target instanceof HTMLButtonElement || target instanceof HTMLAnchorElement),
      run: () => this.openAt(this.at()),
    },
  ];

  constructor() {
    listKeys(() => this.commands);
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const port = this.port().nativeElement;
      const look = () => this.sight.set(garmentsInSight(port));
      look();
      const sized = new ResizeObserver(look);
      sized.observe(port);
      destroyed.onDestroy(() => sized.disconnect());
      fromEvent(port, 'scroll', { passive: true }).pipe(takeUntilDestroyed(destroyed)).subscribe(look);
    });
  }

  protected change(change: Partial<TableFilter>): void {
    if ('garment' in change) this.deciding.set(false);
    // Pairs of sizes are of one garment.
    const between = 'garment' in change ? { between: null } : {};
    this.filter.update((filter) => ({ ...filter, ...between, ...change }));
    this.port().nativeElement.scrollTop = 0;
  }

  private choosePair(pair: string | null): void {
    const [one, other] = (pair ?? '').split(' ').map(Number);
    this.change({ between: pair === null ? null : [one!, other!] });
  }

  protected clear(): void {
    this.change({ ...EVERYBODY, sortBy: this.filter().sortBy });
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.defaultPrevented || event.altKey) return;
    const { target } = event;
    if (
      target instanceof HTMLElement &&
      target.closest('input, select, [role=listbox], nz-select, [role=dialog]')
    )
      return;
    if (handleKey(this.commands, keyOf(event), event)) event.preventDefault();
  }

  private move(by: number): void {
    const last = this.store.rows().length - 1;
    this.at.update((at) => Math.max(0, Math.min(last, at + by)));
    this.show();
  }

  /** Brings the row of the keys into sight, as little as that needs. */
  private show(): void {
    const port = this.port().nativeElement;
    // The head lies over the first row of what is in sight.
    const [at, height] = [this.at() * ROW_PX, port.clientHeight - ROW_PX];
    if (at < port.scrollTop) port.scrollTop = at;
    else if (at + ROW_PX > port.scrollTop + height) port.scrollTop = at + ROW_PX - height;
  }

  protected openAt(at: number): void {
    const row = this.store.rows()[at];
    const docketId = row === undefined ? null : this.store.docketAt(row);
    if (docketId !== null) void this.router.navigate(['/bench', docketId]);
  }

  protected choose({ target }: Event): void {
    const at = (target as Element).closest('[data-at]')?.getAttribute('data-at') ?? null;
    if (at !== null) this.at.set(Number(at));
  }

  /** Exactly what is shown, as a table of its own. */
  protected async save(as: 'csv' | 'xlsx'): Promise<void> {
    const heading = ['name', 'role', 'house number', 'rests on'];
    const titles = this.garmentOptions().flatMap(({ label }) => [label, 'verdict', 'chance']);
    const rows = this.store.rows().map((row) => {
      const wearer = this.store.wearerAt(row);
      return [
        ...[
          wearer?.name ?? '',
          wearer?.role ?? '',
          wearer?.number ?? '',
          RESTS_WORDS[restsOf(this.store.sizing()!, row)],
        ],
        ...this.garments().flatMap((_, garment) => {
          const one = this.store.cell(garment, row);
          if (one === null) return ['', '', ''];
          const chance = chanceOfSize(one);
          return [one.size ?? '', sayStands(one), chance === null ? '' : sayChance(chance)];
        }),
      ];
    });
    const all = [[...heading, ...titles], ...rows];
    if (as === 'csv') this.files.save(tableAsCsv(all), 'sizes.csv', 'text/csv');
    else this.files.save(await this.files.writeTables([{ name: 'Sizes', rows: all }]), 'sizes.xlsx');
  }
}

interface Sight {
  readonly from: number;
  readonly to: number;
  /** Whether the first columns are out of sight. */
  readonly isAside: boolean;
}

/** Which columns of garments are in sight, and one more on either side. */
function garmentsInSight({ scrollLeft, clientWidth }: HTMLElement): Sight {
  // Behind the name, which lies over it, nothing is seen.
  const left = scrollLeft - RESTS_PX;
  const right = scrollLeft + clientWidth - NAME_PX - RESTS_PX;
  return {
    from: Math.max(0, Math.floor(left / GARMENT_PX) - 1),
    to: Math.max(1, Math.ceil(right / GARMENT_PX) + 1),
    isAside: scrollLeft > 0,
  };
}

function isSameSight(one: Sight, other: Sight): boolean {
  return one.from === other.from && one.to === other.to && one.isAside === other.isAside;
}
