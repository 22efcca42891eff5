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
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import type { ChartSummary, DocketSummary, Protocol, Wearer } from '@neat-measure/contract';
import { FIT_PREFERENCES, measurement, type Act, type Doing, type FitPreference } from '@neat-measure/core';
import { catchError, of } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { ChartService } from '../../../data/chart-service';
import { DeviceService } from '../../../data/device-service';
import { DocketService } from '../../../data/docket-service';
import { Journal } from '../../../data/journal/journal';
import { Paged } from '../../../data/paged';
import { ProtocolService } from '../../../data/protocol-service';
import { SessionService } from '../../../data/session-service';
import { TypeAhead } from '../../../data/type-ahead';
import { UnitService } from '../../../data/unit-service';
import { WearerService } from '../../../data/wearer-service';
import { isTakenElsewhere, ShortcutService } from '../../../parts/shortcuts/shortcut-service';

/** Where a docket is made: who, and which garments. Below, the dockets that were open last. */
@Component({
  selector: 'nm-docket-desk',
  imports: [RouterLink],
  templateUrl: './docket-desk.html',
  styleUrl: './docket-desk.less',
  host: { '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DocketDesk {
  /** A chart to have ticked already: whoever just brought one wants to use it. */
  readonly chart = input<string>();

  private readonly wearerService = inject(WearerService);
  private readonly chartService = inject(ChartService);
  private readonly docketService = inject(DocketService);
  private readonly journal = inject(Journal);
  private readonly session = inject(SessionService);
  private readonly units = inject(UnitService);
  protected readonly devices = inject(DeviceService);
  private readonly router = inject(Router);
  private readonly search = viewChild.required<ElementRef<HTMLInputElement>>('search');
  private readonly found = viewChild.required<ElementRef<HTMLInputElement>>('found');

  protected readonly wearers = new Paged<Wearer>((query) => this.wearerService.list(query));
  protected readonly charts = new Paged<ChartSummary>((query) => this.chartService.list(query));
  protected readonly dockets = new Paged<DocketSummary>((query) => this.docketService.list(query));
  protected readonly protocols = toSignal(
    inject(ProtocolService)
      .list()
      .pipe(
        catchError((problem: unknown) => {
          this.failed.set((problem as Error).message);
          return of([] as Protocol[]);
        }),
      ),
  );
  private readonly failed = signal('');
  protected readonly trouble = computed(
    () => this.failed() || this.wearers.trouble() || this.charts.trouble() || this.dockets.trouble(),
  );

  protected readonly query = signal('');
  protected readonly role = signal('');
  protected readonly wearer = signal<Wearer | null>(null);
  /** The row the arrow keys are on; none until one of them, or a letter, was used. */
  protected readonly row = signal<number | null>(null);
  /** Enter was pressed before the list had come that answers what was typed. */
  private readonly wanted = signal(false);
  /** What is ticked, charts with their names, so that they stay in sight whatever is sought. */
  protected readonly chosen = signal<ReadonlyMap<string, ChartSummary | null>>(new Map());
  protected readonly preference = signal<FitPreference>('regular');
  protected readonly preferences = FIT_PREFERENCES;
  protected readonly busy = signal(false);

  /** The last row adds whoever was typed and is not there. */
  protected readonly mayAdd = computed(
    () =>
      this.query().trim() !== '' &&
      this.wearers.current() &&
      this.wearers.items().every(({ name }) => plain(name) !== plain(this.query())),
  );
  /** Part of a garment's name, to find it among many. */
  protected readonly sought = signal('');
  protected readonly shelves = computed(() => {
    const makers = new Map<string, { chart: ChartSummary; measurements: string }[]>();
    const ticked = [...this.chosen().values()].flatMap((chart) => (chart?.maker ? [chart] : []));
    const found = this.charts.items();
    for (const chart of [...ticked.filter(({ id }) => found.every((one) => one.id !== id)), ...found]) {
      const measurements = chart.codes.map((code) => measurement(code).name.toLowerCase()).join(', ');
      makers.set(chart.maker, [...(makers.get(chart.maker) ?? []), { chart, measurements }]);
    }
    return [...makers].map(([maker, charts]) => ({ maker, charts }));
  });

  constructor() {
    inject(ShortcutService).shortcuts.set([
      { keys: ['a–z'], does: 'part of a wearer’s name' },
      { keys: ['↑', '↓'], does: 'choose a wearer in the list' },
      { keys: ['Enter'], does: 'take the wearer; then open the docket' },
      { keys: ['a–z', 'Enter'], does: 'part of a garment’s name, to tick it; Enter alone opens the docket' },
      { keys: ['Tab', 'Space'], does: 'go to a garment, tick it' },
    ]);
    const ahead = inject(TypeAhead).take();
    if (ahead !== '') this.type(ahead);
    effect(() => {
      const id = this.chart();
      if (id === undefined) return;
      this.chosen.set(new Map([[id, unnamed(id)]]));
      this.chartService.open(id).subscribe({
        next: ({ sheet: { maker, garment } }) =>
          this.chosen.update((chosen) =>
            chosen.has(id) ? new Map(chosen).set(id, { ...unnamed(id), maker, garment }) : chosen,
          ),
        error: (problem: Error) => this.failed.set(problem.message),
      });
    });
    // Enter waits for the list that answers what was typed: it never takes a row of another.
    effect(() => {
      if (!this.wanted() || !this.wearers.current()) return;
      this.wanted.set(false);
      untracked(() => this.takeRow(this.row() ?? 0));
    });
    effect(() => {
      if (this.wearer() !== null && this.opensThen()) untracked(() => this.open());
    });
    afterNextRender(() => this.search().nativeElement.focus());
  }

  /** A letter anywhere before anything has the focus is part of the wearer's name. */
  protected onKey(event: KeyboardEvent): void {
    if (this.wearer() !== null || isTakenElsewhere(event) || event.key.length !== 1) return;
    if (event.key === '?' || event.key === ' ') return;
    const field = this.search().nativeElement;
    field.focus();
    this.type(this.query() + event.key);
    field.value = this.query();
    event.preventDefault();
  }

  protected type(text: string): void {
    this.query.set(text);
    this.wearer.set(null);
    this.row.set(text.trim() === '' ? null : 0);
    this.wanted.set(false);
    this.wearers.seek(text);
  }

  protected onSearchKey(event: KeyboardEvent): void {
    const rows = this.wearers.items().length + (this.mayAdd() ? 1 : 0);
    const row = this.row();
    if (event.key === 'ArrowDown') this.row.set(row === null ? 0 : Math.min(row + 1, rows - 1));
    else if (event.key === 'ArrowUp') this.row.set(row === null ? rows - 1 : Math.max(row - 1, 0));
    // Nothing typed and no arrow used, nobody is meant.
    else if (event.key === 'Enter') this.take(row);
    else return;
    event.preventDefault();
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
      this.wearer.set(wearer);
      this.query.set(wearer.name);
    } else if (this.mayAdd()) {
      this.failed.set('');
      this.wearerService.add(this.query().trim(), this.role().trim()).subscribe({
        next: (added) => this.wearer.set(added),
        error: (problem: Error) => this.failed.set(problem.message),
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
    if (words === '') return this.open();
    // Asked by itself: the list may not answer what was typed yet, and the next word may come at once.
    this.seek('');
    this.chartService.list({ search: words, from: 0 }).subscribe({
      next: ({ items }) => {
        const found = items.find(({ id }) => !this.chosen().has(id));
        if (found !== undefined) this.tick(found.id, found);
      },
      error: (problem: Error) => this.failed.set(problem.message),
    });
  }

  /** What is ticked, in order, by name. */
  protected readonly ticked = computed(() =>
    [...this.chosen()].map(([id, chart]) => ({
      id,
      name: chart?.garment ?? this.protocols()?.find((one) => one.id === id)?.name ?? '…',
    })),
  );

  protected tick(id: string, chart: ChartSummary | null): void {
    this.chosen.update((chosen) => {
      const next = new Map(chosen);
      if (!next.delete(id)) next.set(id, chart);
      return next;
    });
  }

  protected readonly lacking = computed(() =>
    !this.session.may('fitter')
      ? 'You may look at dockets; a fitter opens them.'
      : this.wearer() === null
        ? 'Choose a wearer.'
        : this.chosen().size === 0
          ? 'Tick at least one garment or protocol.'
          : '',
  );

  /** Enter was pressed before the wearer who was named had been found. */
  private readonly opensThen = signal(false);
  /** The docket being opened: asked for again after a failure, it is the same one. */
  private opening: string | null = null;

  /** Opens the docket and goes to the tape. */
  protected open(): void {
    const [wearer, fitter] = [this.wearer(), this.session.fitter()];
    this.opensThen.set(wearer === null && this.query().trim() !== '');
    if (wearer === null || fitter === null || this.chosen().size === 0 || this.busy()) return;
    this.busy.set(true);
    this.failed.set('');
    if (this.opening === null) {
      const docketId = uuidv7();
      this.opening = docketId;
      const unit = this.units.unit();
      const doings: Doing[] = [
        { kind: 'docket-opened', wearerId: wearer.id, occasion: '', unit, preference: this.preference() },
        ...[...this.chosen()].map(
          ([id, chart]): Doing =>
            chart === null
              ? { kind: 'protocol-asked', protocolId: id }
              : { kind: 'garment-asked', chartId: id },
        ),
      ];
      const by = { id: fitter.id, name: fitter.name };
      for (const doing of doings) {
        const act: Act = { id: uuidv7(), docketId, at: new Date().toISOString(), by, ...doing };
        this.journal.write(fitter.pen, act);
      }
    }
    const docketId = this.opening;
    this.journal
      .whenSent(docketId)
      .then(() => this.router.navigate(['/bench', docketId]))
      .catch((problem: unknown) => {
        this.busy.set(false);
        this.failed.set(
          `${(problem as Error).message} The docket is kept on this device and sent by itself; press Enter to go on with it then.`,
        );
      });
  }

  protected garmentsOf({ garments }: DocketSummary): string {
    return garments
      .map(({ garment, decided }) => (decided === null ? garment : `${garment} ${decided}`))
      .join(', ');
  }

  protected stateOf({ garments }: DocketSummary): string {
    const open = garments.filter(({ decided }) => decided === null).length;
    return open === 0 ? 'decided' : `${open} open`;
  }
}

/** A chart that is ticked before its name has come. */
function unnamed(id: string): ChartSummary {
  return {
    id,
    seriesId: id,
    version: 1,
    maker: '',
    garment: '',
    kind: 'other',
    parts: 0,
    sizes: 0,
    codes: [],
  };
}

/** Names are the same without their accents and in any case. */
function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim();
}
