import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  output,
  signal,
  untracked,
} from '@angular/core';
import type { DocketStock } from '@neat-measure/contract/stores';
import { FormsModule } from '@angular/forms';
import { labelsPath, orderFormPath, sizesSheetPath } from '@neat-measure/contract';
import {
  alterationsOf,
  areaFacts,
  fitChecksOf,
  FIT_AREAS,
  garmentKind,
  HANDING_WAYS,
  HANDING_WORDS,
  RETURN_REASONS,
  RETURN_WAYS,
  RETURN_WORDS,
  sayAltered,
  sayChance,
  toldBy,
  type FitArea,
  type ReturnReason,
  type ReturnWay,
  type Signature,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { switchMap, tap } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { DocketService } from '../../../data/docket-service';
import { ControlName } from '../../../parts/forms/control-name';
import { notOnButton, type KeyCommand } from '../../../parts/shortcuts/keys';
import { DocketStore } from '../docket-store';
import { HandingStore } from './handing-store';
import { sameSource, WITHOUT_STORES } from './source';
import { StockHere, type Near } from './stock-here';
import { SendingId } from '../../../data/sending-id';
import { StoresService } from '../../../data/stores-service';
import { SignatureField } from './signature-field';
import { UnitService } from '../../../data/unit-service';

/** Where a garment goes that came back, in words. */
const GOES_WORDS: Readonly<Record<ReturnWay, string>> = {
  stock: 'back to stock',
  drying: 'to be washed and dried',
  quarantine: 'set aside, to be looked at',
  waste: 'to waste',
};

/** What stands behind each way of handing over: said to the wearer before they sign. */
const CONDITIONS = {
  issued: 'Issued garments stay the house’s and are given back when they are no longer needed.',
  hired: 'Hired garments are given back by the day named here, rinsed; whatever is torn or lost is told.',
  sold: 'Sold garments may be exchanged for another size while they are unworn.',
} as const;

/** Handing over: what goes to the wearer and how, what they sign, the sheets, and what comes back. */
@Component({
  selector: 'nm-hand-panel',
  imports: [
    FormsModule,
    NzButtonModule,
    NzCheckboxModule,
    NzInputModule,
    NzSelectModule,
    SignatureField,
    ControlName,
  ],
  templateUrl: './hand-panel.html',
  styles: `
    .size {
      min-width: 90px;
      font: 650 22px/1.2 var(--text);
      text-align: right;
    }
    .line {
      align-items: flex-start;
    }
    .line > :is(.fields, .note, .stocked) {
      flex: 1 1 100%;
    }
    kbd {
      margin-right: 6px;
    }
    nm-signature-field {
      display: block;
      margin-top: 14px;
    }
    .stocked {
      justify-content: flex-end;
    }
    .posting {
      align-items: flex-end;
    }
    nz-select {
      min-width: 120px;
    }
  `,
  host: { class: 'stack' },
  providers: [StockHere],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandPanel {
  protected readonly store = inject(DocketStore);
  private readonly units = inject(UnitService);
  protected readonly handing = inject(HandingStore);
  protected readonly stockHere = inject(StockHere);
  protected readonly without = WITHOUT_STORES;
  protected readonly sameSource = sameSource;
  private readonly stores = inject(StoresService);
  private readonly dockets = inject(DocketService);
  readonly leave = output<void>();
  /** A garment is to be tried on, by its place. */
  readonly tries = output<number>();

  protected readonly ways = HANDING_WAYS.map((value) => ({ value, label: HANDING_WORDS[value] }));
  /** The last day of what is to be hired out. By itself, as what the stores answer changes the garments and must ask nothing anew. */
  private readonly hiredUntil = computed(
    () => this.handing.garments().find(({ ready, way }) => ready && way === 'hired')?.until ?? null,
  );

  constructor() {
    this.handing.stock.set(this.stockHere);
    inject(DestroyRef).onDestroy(() => this.handing.stock.set(null));
    // Anew whenever something was handed over, came back, or another size was kept; of hires, for their days.
    effect(() => {
      this.store.docket();
      const until = this.hiredUntil();
      untracked(() => this.stockHere.ask(until));
    });
  }

  /** The first garment of which none is there, and which nobody has ordered for them. */
  private readonly lacking = computed(
    () =>
      this.handing
        .garments()
        .find(
          ({ ready, stock, from }) => ready && stock !== null && from === null && stock.orders.length === 0,
        )?.id ?? null,
  );

  /** The order of each garment that may be on its way. */
  private readonly ordering = new Map<string, SendingId>();

  /** Orders one for this wearer, at once. */
  protected order(chartId: string): void {
    const docket = this.store.docket();
    const chart = this.store.garments().find((one) => one.chart.id === chartId)?.chart;
    const stock = this.stockHere.of(chartId);
    // By what its maker calls the size now.
    const label = stock?.calledNow ?? stock?.label;
    if (docket === null || chart === undefined || label === undefined) return;
    const sending = this.ordering.get(chartId) ?? new SendingId();
    this.ordering.set(chartId, sending);
    this.fault.set('');
    this.stores
      .rooms()
      .pipe(
        switchMap(([room]) => {
          const id = sending.value;
          const wantedFor = [{ docketId: docket.id, chartId }];
          const lines = [{ seriesId: chart.seriesId, label, count: 1, wantedFor }];
          return this.stores.saveOrder(id, { maker: chart.sheet.maker, roomId: room!.id, lines }).pipe(
            tap({ next: () => sending.done(), error: (problem: Error) => sending.failed(problem) }),
            switchMap(() => this.stores.send(id)),
          );
        }),
      )
      .subscribe({
        next: () => this.stockHere.ask(this.hiredUntil()),
        error: (problem: Error) => {
          this.stockHere.ask(this.hiredUntil());
          this.fault.set(problem.message);
        },
      });
  }

  /** Puts the nearest that is there on. */
  protected tryNear(chartId: string, { sizes }: Near): void {
    if (this.store.does({ kind: 'garment-tried', chartId, sizes, carrier: null, found: null }))
      this.tryOn(chartId);
  }

  protected sayNear({ label, count, chance }: Near): string {
    return `Try ${label} (${count} there, ${sayChance(chance)})`;
  }

  protected sayOrders(orders: DocketStock[number]['orders']): string {
    return orders
      .map(
        ({ number, stage, promised }) =>
          `Order ${number} ${stage === 'draft' ? 'is not sent yet' : 'is with its maker'}${promised === null ? '' : `, promised for ${promised}`}.`,
      )
      .join(' ');
  }

  protected readonly signature = signal<Signature | null>(null);
  protected readonly fault = signal('');
  protected readonly conditions = computed(() => [
    ...new Set(this.handing.taken().map(({ way }) => CONDITIONS[way])),
  ]);
  protected readonly heading = computed(() => {
    const [going, all] = [this.handing.taken().length, this.handing.garments().length];
    if (!this.handing.looked()) return 'Looking what is there …';
    if (going > 0) return going === 1 ? '1 garment goes' : `${going} garments go`;
    return this.handing.out().length === all ? 'Everything is handed over' : 'Nothing is to be handed over';
  });
  protected readonly handed = (way: keyof typeof HANDING_WORDS) => HANDING_WORDS[way];
  protected readonly docketId = computed(() => this.store.docket()?.id ?? '');
  protected readonly sizesSheet = computed(() => sizesSheetPath(this.docketId()));
  protected readonly labels = computed(() => labelsPath(this.docketId()));
  protected readonly orderOf = (chartId: string) => orderFormPath(this.docketId(), chartId);
  /** Those a maker is sent a form for: made to measure, and vests. */
  protected readonly ordered = computed(() =>
    this.handing
      .garments()
      .filter(({ stage, kind }) => stage === 'made-to-measure' || garmentKind(kind).protects),
  );

  readonly commands: readonly KeyCommand[] = [
    {
      keys: ['Enter'],
      does: 'hand over what is ticked; with nothing to hand over, the next wearer',
      when: notOnButton,
      run: () => this.enter(),
    },
    {
      keys: ['1', '2', '3', '4', '5', '6', '7', '8', '9'],
      shown: ['1–9'],
      does: 'take the garment of that number, or leave it here',
      when: (key) => this.handing.garments()[Number(key) - 1]?.ready === true,
      run: (key) => {
        const { id, taken } = this.handing.garments()[Number(key) - 1]!;
        this.handing.choose(id, { taken: !taken });
      },
    },
    {
      keys: ['w'],
      does: 'write the wearer’s name',
      run: () => document.getElementById('signed')?.focus(),
    },
    {
      keys: ['o'],
      does: 'order what is not there',
      when: () => this.lacking() !== null,
      run: () => this.order(this.lacking()!),
    },
    { keys: ['p'], does: 'print the sizes', run: () => window.open(this.sizesSheet(), '_blank', 'noopener') },
  ];

  protected enter(): void {
    if (!this.handing.looked()) return;
    if (this.handing.taken().length === 0) this.leave.emit();
    else this.handOver();
  }

  protected handOver(): void {
    const owed = this.handing.taken().find((one) => one.owed && one.untried.trim() === '');
    if (owed !== undefined)
      return this.fault.set(
        `${owed.name} has to be looked at on the wearer before it goes: try it on, or say why not.`,
      );
    const none = this.handing.taken().find(({ stock, from }) => stock !== null && from === null);
    if (none !== undefined)
      return this.fault.set(
        `None of ${none.name} is there in ${none.size ?? ''}: order it, try the nearest, or say that it is not from the stores.`,
      );
    const signature = this.signature();
    if (signature === null) return this.fault.set('Have the wearer sign, or type their name.');
    this.fault.set('');
    if (this.handing.handOver(signature)) this.signature.set(null);
  }

  /** Enter in the field of the name hands over. */
  protected onName(event: Event): void {
    event.preventDefault();
    event.stopPropagation();
    this.handOver();
  }

  protected tryOn(chartId: string): void {
    this.tries.emit(this.handing.garments().findIndex(({ id }) => id === chartId));
  }

  /** The garment that is being taken back, and what is said of it. */
  protected readonly returning = signal<string | null>(null);
  protected readonly why = signal<ReturnReason>('changed-mind');
  protected readonly area = signal<FitArea | null>(null);
  protected readonly note = signal('');
  protected readonly goes = signal<ReturnWay>('stock');
  protected readonly reasons = RETURN_REASONS.map((value) => ({ value, label: RETURN_WORDS[value] }));
  protected readonly places = RETURN_WAYS.map((value) => ({ value, label: GOES_WORDS[value] }));
  /** What was lost goes to no shelf. */
  protected chooseWhy(why: ReturnReason): void {
    this.why.set(why);
    if (why === 'lost') this.goes.set('waste');
    else if (why === 'damaged' || why === 'faulty') this.goes.set('quarantine');
  }

  protected readonly asksWhere = computed(() => toldBy(this.why()) !== null);
  /** Where it can have been tight or long: where its kind is looked at. */
  protected readonly areas = computed(() => {
    const chart = this.store.garments().find((one) => one.chart.id === this.returning())?.chart;
    const places = chart === undefined ? [] : fitChecksOf(chart.sheet).flatMap((check) => check.places);
    return FIT_AREAS.filter((code) => places.includes(code)).map((value) => ({
      value,
      label: areaFacts(value).name,
    }));
  });

  protected beginReturn(chartId: string, hired: boolean): void {
    this.returning.set(chartId);
    this.why.set(hired ? 'hire-over' : 'tight');
    // What was altered is not the size of its label any more, and is looked at before it goes to anybody.
    this.goes.set(hired ? 'drying' : this.alteredOf(chartId) === '' ? 'stock' : 'quarantine');
    this.area.set(this.areas()[0]?.value ?? null);
    this.note.set('');
  }

  /** What was altered on a garment, in words; nothing where nothing was. */
  protected alteredOf(chartId: string): string {
    const docket = this.store.docket();
    const all = docket === null ? [] : alterationsOf(docket, chartId);
    return all
      .map(({ area, how, length, unit }) => sayAltered({ area, how, length }, this.units.written(unit)))
      .join(', ');
  }

  protected takeBack(): void {
    const chartId = this.returning();
    const area = this.asksWhere() ? this.area() : null;
    if (chartId !== null && this.handing.takeBack(chartId, this.why(), area, this.note(), this.goes()))
      this.returning.set(null);
  }

  protected readonly to = signal('');
  protected readonly posted = signal('');
  /** One id a letter, so that trying again after a failure posts no second one. */
  private letterId = uuidv7();

  protected post(sheet: 'sizes' | 'labels' | 'order', chartId: string | null = null): void {
    this.fault.set('');
    this.posted.set('');
    this.dockets.post(this.docketId(), this.letterId, { sheet, chartId, to: this.to().trim() }).subscribe({
      next: ({ file }) => {
        this.letterId = uuidv7();
        this.posted.set(`It lies in the outbox as ${file}. Nothing has left this machine.`);
      },
      error: (problem: Error) => this.fault.set(problem.message),
    });
  }
}
