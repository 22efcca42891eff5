import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { ChartSummary, DocketSummary, Wearer } from '@neat-measure/contract';
import { FIT_PREFERENCES, measurement, plainName } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { NzTagModule } from 'ng-zorro-antd/tag';
import { finalize } from 'rxjs';
import { ChartService } from '../../../data/chart-service';
import { DeviceService } from '../../../data/device-service';
import { DocketService } from '../../../data/docket-service';
import { Paged } from '../../../data/paged';
import { TypeAhead } from '../../../data/type-ahead';
import { WearerService } from '../../../data/wearer-service';
import { OpeningStore, unnamed } from './opening-store';
import { handleKey, keyOf, type KeyCommand } from '../../../parts/shortcuts/keys';
import { isTakenElsewhere, listKeys } from '../../../parts/shortcuts/shortcut-service';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { Fetching } from '../../../parts/fetching/fetching';

/** Where a docket is made: who, and which garments. Below, the dockets that were open last. */
@Component({
  selector: 'nm-docket-desk',
  imports: [
    Fetching,
    EmptyState,
    RouterLink,
    NzButtonModule,
    NzInputModule,
    NzCheckboxModule,
    NzRadioModule,
    NzTagModule,
    FormsModule,
  ],
  providers: [OpeningStore],
  templateUrl: './docket-desk.html',
  styleUrl: './docket-desk.less',
  host: { '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DocketDesk {
  /** A chart to have ticked already: whoever just imported one wants to use it. */
  readonly chart = input<string>();
  /** A wearer to have taken already, by name. */
  readonly who = input<string>();

  protected readonly opening = inject(OpeningStore);
  private readonly wearerService = inject(WearerService);
  private readonly chartService = inject(ChartService);
  private readonly docketService = inject(DocketService);
  protected readonly devices = inject(DeviceService);
  private readonly search = viewChild.required<ElementRef<HTMLInputElement>>('search');
  private readonly found = viewChild.required<ElementRef<HTMLInputElement>>('found');

  /** Whether only dockets with something to be tried on are listed. */
  protected readonly fittings = signal(false);
  protected readonly wearers = new Paged<Wearer>((query) => this.wearerService.list(query));
  protected readonly charts = new Paged<ChartSummary>((query) => this.chartService.list(query));
  protected readonly dockets = new Paged<DocketSummary>((query) =>
    this.docketService.list({ ...query, waiting: this.fittings() ? 'fitting' : undefined }),
  );

  protected readonly query = signal('');
  /** A new wearer is on the way to the list: asked for twice, they would stand there twice. */
  private readonly adding = signal(false);
  protected readonly preferences = FIT_PREFERENCES;
  /** The row the arrow keys are on; none until one of them, or a letter, was used. */
  protected readonly row = signal<number | null>(null);
  /** The whole name of somebody who was gone to, until the list answers. */
  private readonly meant = signal<string | null>(null);
  /** Enter was pressed before the list had come that answers what was typed. */
  private readonly wanted = signal(false);
  /** The last row adds whoever was typed and is not there. */
  protected readonly mayAdd = computed(
    () =>
      this.query().trim() !== '' &&
      this.wearers.current() &&
      this.wearers.items().every(({ name }) => plainName(name) !== plainName(this.query())),
  );
  /** Part of a garment's name, to find it among many. */
  protected readonly sought = signal('');
  /** The protocols whose name has what is sought; none while nothing is. */
  protected readonly foundProtocols = computed(() => {
    const words = plainName(this.sought());
    if (words === '') return [];
    return (this.opening.protocols.value() ?? []).filter(({ name }) => plainName(name).includes(words));
  });
  protected readonly protocols = computed(() =>
    this.foundProtocols().length > 0 ? this.foundProtocols() : (this.opening.protocols.value() ?? []),
  );
  protected readonly makers = computed(() => {
    const makers = new Map<string, { chart: ChartSummary; measurements: string }[]>();
    const ticked = [...this.opening.chosen().values()].flatMap((chart) => (chart?.maker ? [chart] : []));
    const found = this.charts.items();
    for (const chart of [...ticked.filter(({ id }) => found.every((one) => one.id !== id)), ...found]) {
      const measurements = chart.codes.map((code) => measurement(code).name.toLowerCase()).join(', ');
      makers.set(chart.maker, [...(makers.get(chart.maker) ?? []), { chart, measurements }]);
    }
    return [...makers].map(([maker, charts]) => ({ maker, charts }));
  });

  constructor() {
    listKeys(() => [...this.pageKeys, ...this.nameKeys, ...this.garmentKeys]);
    const ahead = inject(TypeAhead).take();
    if (ahead !== '') this.type(ahead);
    effect(() => {
      const id = this.chart();
      if (id === undefined) return;
      this.opening.chosen.set(new Map([[id, unnamed(id)]]));
      this.chartService.open(id).subscribe({
        next: ({ sheet: { maker, garment } }) =>
          this.opening.chosen.update((chosen) =>
            chosen.has(id) ? new Map(chosen).set(id, { ...unnamed(id), maker, garment }) : chosen,
          ),
        error: (problem: Error) => this.opening.failed.set(problem.message),
      });
    });
    effect(() => {
      const name = this.who();
      if (name === undefined) return;
      untracked(() => {
        this.type(name);
        this.meant.set(name);
      });
    });
    // Whoever was gone to by name is taken where the name is theirs alone; else the list is there to choose from.
    effect(() => {
      const name = this.meant();
      if (name === null || !this.wearers.current()) return;
      this.meant.set(null);
      const same = this.wearers.items().flatMap((one, row) => (one.name === name ? [row] : []));
      if (same.length === 1) untracked(() => this.take(same[0]!));
    });
    // Enter waits for the list that answers what was typed: it never takes a row of another.
    effect(() => {
      if (!this.wanted() || !this.wearers.current()) return;
      this.wanted.set(false);
      untracked(() => this.takeRow(Math.min(this.row() ?? 0, this.last())));
    });
    // Where somebody went before the list had come is held to the list.
    effect(() => {
      const row = this.row();
      if (row !== null && this.wearers.current() && row > this.last())
        this.row.set(this.last() < 0 ? null : this.last());
    });
    effect(() =>
      this.opening.adds.set(
        this.opening.wearer() === null && this.mayAdd() && this.wearers.items().length === 0,
      ),
    );
    afterNextRender(() => this.search().nativeElement.focus());
  }

  private readonly pageKeys: readonly KeyCommand[] = [
    {
      keys: 'letters',
      does: 'part of a wearer’s name, before one is taken',
      // Before anything has the focus.
      when: (key, event) =>
        this.opening.wearer() === null && !isTakenElsewhere(event) && key !== '?' && key !== ' ',
      run: (_key, event) => {
        const field = this.search().nativeElement;
        field.focus();
        this.type(this.query() + event.key);
        field.value = this.query();
      },
    },
    { keys: ['Tab', 'Space'], does: 'go to a garment, tick it' },
  ];
  protected readonly nameKeys: readonly KeyCommand[] = [
    {
      keys: ['ArrowUp', 'ArrowDown'],
      does: 'the one above or below',
      within: 'at the names',
      run: (key) => this.move(key === 'ArrowDown' ? 1 : -1),
    },
    // Nothing typed and no arrow used, nobody is meant.
    { keys: ['Enter'], does: 'take the wearer', within: 'at the names', run: () => this.take(this.row()) },
  ];
  protected readonly garmentKeys: readonly KeyCommand[] = [
    {
      keys: ['1', '2', '3', '4', '5', '6', '7', '8', '9'],
      shown: ['1–9'],
      does: 'the kit of that number, with nothing typed',
      within: 'at the garments',
      when: (key, { altKey }) =>
        this.sought() === '' && !altKey && this.opening.kits()[Number(key) - 1] !== undefined,
      run: (key) => this.opening.turnKit(this.opening.kits()[Number(key) - 1]!.kit),
    },
    {
      keys: ['Enter'],
      does: 'tick the first garment or protocol found; with nothing typed open the docket, or take the kit of the wearer’s role',
      within: 'at the garments',
      run: () => {
        this.takeFound();
        this.found().nativeElement.value = '';
      },
    },
  ];

  protected showFittings(only: boolean): void {
    this.fittings.set(only);
    this.dockets.again();
  }

  protected onKey(event: KeyboardEvent, commands = this.pageKeys): void {
    if (handleKey(commands, keyOf(event), event)) event.preventDefault();
  }

  protected type(text: string): void {
    this.query.set(text);
    this.opening.named.set(text.trim() !== '');
    this.opening.kitThen.set(false);
    this.opening.wearer.set(null);
    this.row.set(text.trim() === '' ? null : 0);
    this.wanted.set(false);
    this.meant.set(null);
    this.wearers.seek(text);
  }

  /** The last row of the list, whoever is to be added among them; -1 of an empty one. */
  private readonly last = computed(() => this.wearers.items().length + (this.mayAdd() ? 1 : 0) - 1);

  /**
   * On to the name above or below; from none, to the first or the last. Before the list has come nobody knows
   * how long it is: where it was gone to is held to it then.
   */
  private move(by: 1 | -1): void {
    const last = this.wearers.current() ? this.last() : Number.MAX_SAFE_INTEGER - 1;
    if (last < 0) return;
    const from = this.row() ?? (by === 1 ? -1 : last + 1);
    this.row.set(Math.min(Math.max(from + by, 0), last));
  }

  /** Opens the docket; who was typed and is nobody yet is added by it. */
  protected open(): void {
    if (this.opening.adds() && this.opening.lacking() === '') this.wanted.set(true);
    this.opening.open();
  }

  /** Takes a row as soon as the list answers what was typed. What is typed from now on is about garments. */
  protected take(row: number | null): void {
    if (row === null) return;
    this.row.set(row);
    this.wanted.set(true);
    this.found().nativeElement.focus();
  }

  /** Takes a row of the list: a wearer, or the new one that was typed. */
  private takeRow(row: number): void {
    const wearer = this.wearers.items()[row];
    if (wearer !== undefined) {
      this.opening.wearer.set(wearer);
      this.query.set(wearer.name);
    } else if (this.mayAdd() && !this.adding()) {
      this.opening.failed.set('');
      this.adding.set(true);
      const typed = this.query();
      this.wearerService
        .add(typed.trim(), '')
        .pipe(finalize(() => this.adding.set(false)))
        .subscribe({
          // Who has typed on since means somebody else.
          next: (added) => {
            if (this.query() === typed) this.opening.wearer.set(added);
          },
          error: (problem: Error) => this.opening.failed.set(problem.message),
        });
    }
  }

  protected seek(words: string): void {
    this.sought.set(words);
    this.charts.seek(words);
  }

  /** Enter in the search ticks the first garment found; with nothing sought it opens the docket. */
  protected takeFound(): void {
    const words = this.sought().trim();
    if (words === '')
      return this.opening.chosen().size === 0 && !this.opening.kitThen()
        ? this.opening.wantKit()
        : this.open();
    const protocol = this.foundProtocols().find(({ id }) => !this.opening.chosen().has(id));
    // Asked by itself: the list may not answer what was typed yet, and the next word may come at once.
    this.seek('');
    this.chartService.list({ search: words, from: 0 }).subscribe({
      next: ({ items }) => {
        const found = items.find(({ id }) => !this.opening.chosen().has(id));
        if (found !== undefined) this.opening.tick(found.id, found);
        else if (protocol !== undefined) this.opening.tick(protocol.id, null);
      },
      error: (problem: Error) => this.opening.failed.set(problem.message),
    });
  }

  protected garmentsOf({ garments }: DocketSummary): string {
    return garments
      .map(({ garment, decided }) => (decided === null ? garment : `${garment} ${decided}`))
      .join(', ');
  }

  protected stateOf({ garments }: DocketSummary): string {
    const open = garments.filter(({ decided }) => decided === null).length;
    if (open > 0) return `${open} open`;
    const at = (...stages: readonly string[]) =>
      garments.filter(({ stage }) => stages.includes(stage)).length;
    const untried = at('to-try', 'on');
    if (garments.length > 0 && at('handed-over') === garments.length) return 'handed over';
    if (at('came-back') > 0) return `${at('came-back')} came back`;
    if (untried === garments.length) return 'decided';
    return untried === 0 ? 'tried on' : `${untried} to try on`;
  }
}
