import { CdkVirtualScrollViewport, ScrollingModule } from '@angular/cdk/scrolling';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { counted, type Verdict } from '@neat-measure/core';
import {
  chanceOfSize,
  DOUBT,
  restsOf,
  type Rests,
  type Shows,
  type SizedOne,
} from '@neat-measure/core/group';
import { tableAsCsv } from '@neat-measure/core/stock-table';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ChartFiles } from '../../../data/imported/chart-files';
import { EVERYBODY, SizesStore, type TableFilter } from '../../../data/musters/sizes-store';
import { SessionService } from '../../../data/session-service';
import { ControlName } from '../../../parts/forms/control-name';
import { handleKey, keyOf, type KeyCommand } from '../../../parts/shortcuts/keys';
import { listKeys } from '../../../parts/shortcuts/shortcut-service';
import { VerdictGlyph } from '../../../parts/verdict-glyph/verdict-glyph';
import { DecideMany } from './decide-many';

const SHOWS_WORDS: Readonly<Record<Shows, string>> = {
  all: 'everybody',
  flagged: 'exceptions',
  doubtful: 'in doubt',
  certain: 'certain',
  unknown: 'something missing',
  decided: 'decided',
  'in-hand': 'handed over',
};

const RESTS_WORDS: Readonly<Record<Rests, string>> = {
  read: 'measured for it',
  record: 'from the record',
  own: 'the wearer’s own values',
  nothing: 'nothing known',
};

const ROW_PX = 40;

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

/** What stands in a cell. */
interface Cell {
  readonly verdict: Verdict;
  readonly size: string;
  /** Beside the size, in a word or a chance. */
  readonly beside: string;
  readonly said: string;
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
    RouterLink,
    ScrollingModule,
    VerdictGlyph,
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
  private readonly viewport = viewChild(CdkVirtualScrollViewport);
  protected readonly rowPx = ROW_PX;
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
    () => `minmax(230px, 1.4fr) 150px repeat(${this.garments().length}, minmax(184px, 1fr))`,
  );
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
  }

  protected change(change: Partial<TableFilter>): void {
    if ('garment' in change) this.deciding.set(false);
    // Pairs of sizes are of one garment.
    const between = 'garment' in change ? { between: null } : {};
    this.filter.update((filter) => ({ ...filter, ...between, ...change }));
    this.viewport()?.scrollToIndex(0);
  }

  private choosePair(pair: string | null): void {
    const [one, other] = (pair ?? '').split(' ').map(Number);
    this.change({ between: pair === null ? null : [one!, other!] });
  }

  protected clear(): void {
    this.change({ ...EVERYBODY, sortBy: this.filter().sortBy });
  }

  protected roleAt(row: number): string {
    return this.store.wearerAt(row)?.role ?? '';
  }

  protected restsAt(row: number): string {
    return RESTS_WORDS[restsOf(this.store.sizing()!, row)];
  }

  /** What stands in a cell; `null` for whoever does not get the garment. */
  protected cell(garment: number, row: number): Cell | null {
    const one = this.store.cell(garment, row);
    if (one === null) return null;
    const { verdict } = one;
    return {
      verdict,
      size: one.size ?? (one.stands === 'open' ? '–' : ''),
      beside: besideSize(one),
      said: this.said(garment, one),
    };
  }

  private said(garment: number, one: SizedOne): string {
    const odds = one.odds.map(({ label, chance }) => `${label ?? 'no size'} ${percent(chance)}`).join(', ');
    return `${this.garments()[garment]!.garment}: ${odds === '' ? 'no size' : odds}`;
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
    const view = this.viewport();
    if (view === undefined) return;
    const [top, height] = [view.measureScrollOffset('top'), view.getViewportSize()];
    const at = this.at() * ROW_PX;
    if (at < top) view.scrollToOffset(at);
    else if (at + ROW_PX > top + height) view.scrollToOffset(at + ROW_PX - height);
  }

  protected openAt(at: number): void {
    const row = this.store.rows()[at];
    const docketId = row === undefined ? null : this.docketAt(row);
    if (docketId !== null) void this.router.navigate(['/bench', docketId]);
  }

  /** The docket of a wearer; `null` while none is open. */
  protected docketAt(row: number): string | null {
    const { docketIds, acts } = this.store.sizing()!;
    return acts[row]! > 0 ? docketIds[row]! : null;
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
        ...[wearer?.name ?? '', wearer?.role ?? '', wearer?.number ?? '', this.restsAt(row)],
        ...this.garments().flatMap((_, garment) => {
          const one = this.store.cell(garment, row);
          if (one === null) return ['', '', ''];
          const chance = chanceOfSize(one);
          return [
            one.size ?? '',
            one.stands === 'open' ? one.verdict : one.stands,
            chance === null ? '' : percent(chance),
          ];
        }),
      ];
    });
    const all = [[...heading, ...titles], ...rows];
    if (as === 'csv') this.files.save(tableAsCsv(all), 'sizes.csv', 'text/csv');
    else this.files.save(await this.files.writeTables([{ name: 'Sizes', rows: all }]), 'sizes.xlsx');
  }
}

/** What is told beside a size: what became of it, or how likely it is where that is in doubt. */
function besideSize(one: SizedOne): string {
  if (one.stands === 'in-hand') return 'in hand';
  if (one.stands !== 'open') return one.stands === 'decided' ? 'decided' : 'made to measure';
  const chance = chanceOfSize(one);
  return chance === null || chance >= DOUBT ? '' : percent(chance);
}

function percent(chance: number): string {
  return `${Math.round(chance * 100)} %`;
}
