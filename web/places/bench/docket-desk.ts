import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import type { Chart, DocketSummary, Protocol, Wearer } from '@neat-measure/contract';
import { FIT_PREFERENCES, decidingCodes, measurement, type FitPreference } from '@neat-measure/core';
import { catchError, of, switchMap, type Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { ChartService } from '../../data/chart-service';
import { DeviceService } from '../../data/device-service';
import { DocketService } from '../../data/docket-service';
import { ProtocolService } from '../../data/protocol-service';
import { UnitService } from '../../data/unit-service';
import { WearerService } from '../../data/wearer-service';
import { ShortcutService } from '../../parts/shortcuts/shortcut-service';

/** Where a docket is made: who, and which garments. Below, the dockets that were open last. */
@Component({
  selector: 'nm-docket-desk',
  imports: [RouterLink],
  templateUrl: './docket-desk.html',
  styleUrl: './docket-desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DocketDesk {
  /** A chart to have ticked already: whoever just brought one wants to use it. */
  readonly chart = input<string>();

  private readonly wearers = inject(WearerService);
  private readonly charts = inject(ChartService);
  private readonly dockets = inject(DocketService);
  private readonly protocolService = inject(ProtocolService);
  private readonly units = inject(UnitService);
  protected readonly devices = inject(DeviceService);
  private readonly router = inject(Router);
  private readonly search = viewChild.required<ElementRef<HTMLInputElement>>('search');

  protected readonly trouble = signal('');
  private readonly allWearers = toSignal(this.orTrouble(this.wearers.list(), [] as Wearer[]));
  private readonly allCharts = toSignal(this.orTrouble(this.charts.list(), [] as Chart[]));
  protected readonly protocols = toSignal(this.orTrouble(this.protocolService.list(), [] as Protocol[]));
  protected readonly recent = toSignal(this.orTrouble(this.dockets.list(), [] as DocketSummary[]));
  protected readonly loading = computed(
    () => this.allWearers() === undefined || this.allCharts() === undefined,
  );

  protected readonly query = signal('');
  protected readonly role = signal('');
  protected readonly wearer = signal<Wearer | null>(null);
  /** The row the arrow keys are on. */
  protected readonly row = signal(0);
  protected readonly chosen = signal<ReadonlySet<string>>(new Set());
  protected readonly preference = signal<FitPreference>('regular');
  protected readonly preferences = FIT_PREFERENCES;
  protected readonly busy = signal(false);

  protected readonly matches = computed(() => {
    const words = plain(this.query()).split(' ').filter(Boolean);
    return (this.allWearers() ?? []).filter(({ name, role }) =>
      words.every((word) => plain(`${name} ${role}`).includes(word)),
    );
  });
  /** The last row adds whoever was typed and is not there. */
  protected readonly mayAdd = computed(
    () =>
      this.query().trim() !== '' && this.matches().every(({ name }) => plain(name) !== plain(this.query())),
  );
  /** Part of a garment's name, to find it among many. */
  protected readonly sought = signal('');
  protected readonly shelves = computed(() => {
    const makers = new Map<string, { chart: Chart; measurements: string }[]>();
    const sought = plain(this.sought());
    // What is ticked stays in sight, whatever is sought.
    const shown = (this.allCharts() ?? []).filter(
      ({ id, sheet }) => this.chosen().has(id) || plain(`${sheet.garment} ${sheet.maker}`).includes(sought),
    );
    for (const chart of shown) {
      const measurements = decidingCodes(chart.sheet)
        .map((code) => measurement(code).name.toLowerCase())
        .join(', ');
      makers.set(chart.sheet.maker, [...(makers.get(chart.sheet.maker) ?? []), { chart, measurements }]);
    }
    return [...makers].map(([maker, charts]) => ({ maker, charts }));
  });

  constructor() {
    inject(ShortcutService).shortcuts.set([
      { keys: ['↑', '↓'], does: 'choose a wearer in the list' },
      { keys: ['Enter'], does: 'take the wearer; then open the docket' },
      { keys: ['a–z', 'Enter'], does: 'part of a garment’s name, to tick it; Enter alone opens the docket' },
      { keys: ['Tab', 'Space'], does: 'go to a garment, tick it' },
    ]);
    effect(() => {
      const chart = this.chart();
      if (chart !== undefined) this.chosen.set(new Set([chart]));
    });
    effect(() => {
      if (!this.loading()) this.search().nativeElement.focus();
    });
  }

  protected type(text: string): void {
    this.query.set(text);
    this.wearer.set(null);
    this.row.set(0);
  }

  protected onSearchKey(event: KeyboardEvent): void {
    const rows = this.matches().length + (this.mayAdd() ? 1 : 0);
    if (event.key === 'ArrowDown') this.row.set(Math.min(this.row() + 1, rows - 1));
    else if (event.key === 'ArrowUp') this.row.set(Math.max(this.row() - 1, 0));
    else if (event.key === 'Enter') this.takeRow(this.row());
    else return;
    event.preventDefault();
  }

  /** Takes a row of the list: a wearer, or the new one that was typed. */
  protected takeRow(row: number): void {
    const wearer = this.matches()[row];
    if (wearer !== undefined) {
      this.wearer.set(wearer);
      this.query.set(wearer.name);
    } else if (this.mayAdd()) {
      this.trouble.set('');
      this.wearers.add(this.query().trim(), this.role().trim()).subscribe({
        next: (added) => this.wearer.set(added),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
    }
    queueMicrotask(() => document.querySelector<HTMLElement>('.garments input')?.focus());
  }

  /** Enter in the search ticks the first garment found; with nothing sought it opens the docket. */
  protected takeFound(): void {
    if (this.sought().trim() === '') return this.open();
    const found = this.shelves()
      .flatMap(({ charts }) => charts)
      .find(({ chart }) => !this.chosen().has(chart.id));
    if (found === undefined) return;
    this.tick(found.chart.id);
    this.sought.set('');
  }

  protected tick(chartId: string): void {
    this.chosen.update((chosen) => {
      const next = new Set(chosen);
      if (!next.delete(chartId)) next.add(chartId);
      return next;
    });
  }

  protected readonly lacking = computed(() =>
    this.wearer() === null
      ? 'Choose a wearer.'
      : this.chosen().size === 0
        ? 'Tick at least one garment or protocol.'
        : '',
  );

  /** Opens the docket and goes to the tape. */
  protected open(): void {
    const wearer = this.wearer();
    if (wearer === null || this.chosen().size === 0 || this.busy()) return;
    this.busy.set(true);
    this.trouble.set('');
    const chartIds = (this.allCharts() ?? []).map(({ id }) => id).filter((id) => this.chosen().has(id));
    const docket = {
      wearerId: wearer.id,
      occasion: '',
      unit: this.units.unit(),
      preference: this.preference(),
      chartIds,
      protocolIds: (this.protocols() ?? []).map(({ id }) => id).filter((id) => this.chosen().has(id)),
      overrides: {},
      extraCodes: [],
      version: 0,
    };
    const id = uuidv7();
    this.dockets
      .save(id, docket)
      .pipe(switchMap(() => this.router.navigate(['/bench', id])))
      .subscribe({
        error: (problem: Error) => {
          this.busy.set(false);
          this.trouble.set(problem.message);
        },
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

  private orTrouble<Value>(source: Observable<Value>, fallback: Value): Observable<Value> {
    return source.pipe(
      catchError((problem: unknown) => {
        this.trouble.set((problem as Error).message);
        return of(fallback);
      }),
    );
  }
}

/** Names are found without their accents and in any case. */
function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim();
}
