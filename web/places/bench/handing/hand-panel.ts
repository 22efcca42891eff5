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
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Scanned } from '@neat-measure/contract/stores';
import { alterationsOf, HANDING_WAYS, HANDING_WORDS, sayAltered, type Signature } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { UnitService } from '../../../data/unit-service';
import { ControlName } from '../../../parts/forms/control-name';
import { notOnButton, type KeyCommand } from '../../../parts/shortcuts/keys';
import { DocketStore } from '../docket-store';
import { ExtendHire } from './extend-hire';
import { HandingStore } from './handing-store';
import { SheetsOut } from './sheets-out';
import { SignatureField } from './signature-field';
import { Ordering } from './stock/ordering';
import { StockHere } from './stock/stock-here';
import { StockLine } from './stock/stock-line';
import { TakeBack } from './take-back';

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
    ExtendHire,
    SignatureField,
    SheetsOut,
    StockLine,
    TakeBack,
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
    .line > .note {
      flex: 1 1 100%;
    }
    kbd {
      margin-right: 6px;
    }
    nm-signature-field {
      display: block;
      margin-bottom: 12px;
    }
    nz-select {
      min-width: 120px;
    }
  `,
  host: { class: 'stack' },
  providers: [StockHere, Ordering],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandPanel {
  protected readonly store = inject(DocketStore);
  private readonly units = inject(UnitService);
  protected readonly handing = inject(HandingStore);
  protected readonly stockHere = inject(StockHere);
  protected readonly ordering = inject(Ordering);
  private readonly sheets = viewChild.required(SheetsOut);
  private readonly signing = viewChild(SignatureField);
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

  protected readonly signature = signal<Signature | null>(null);
  protected readonly fault = signal('');
  protected readonly conditions = computed(() => [
    ...new Set(this.handing.taken().map(({ way }) => CONDITIONS[way])),
  ]);
  protected readonly heading = computed(() => {
    const [going, all] = [this.handing.taken().length, this.handing.garments().length];
    if (!this.handing.looked()) return 'Looking what is there …';
    if (going > 0) return going === 1 ? '1 garment goes' : `${going} garments go`;
    const open = this.handing
      .garments()
      .filter(({ stage }) => stage !== 'handed-over' && stage !== 'came-back').length;
    if (open === 0 && this.handing.out().length === all) return 'Everything is handed over';
    const ready = this.handing.garments().filter((one) => one.ready).length;
    if (open === 0 || (open === all && ready === 0)) return 'Nothing is to be handed over';
    return open === 1 ? '1 garment still owed' : `${open} garments still owed`;
  });
  protected readonly handed = (way: keyof typeof HANDING_WORDS) => HANDING_WORDS[way];
  /** What was scanned is ticked; what is said of it otherwise. */
  scanned(scanned: Scanned): string {
    return this.handing.scanned(scanned);
  }

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
      does: 'the wearer signs for it with their name',
      when: () => this.signing() !== undefined,
      run: () => this.signing()!.byName(),
    },
    {
      keys: ['o'],
      does: 'order what is not there',
      when: () => this.lacking() !== null,
      run: () => this.ordering.order(this.lacking()!),
    },
    {
      keys: ['p'],
      does: 'print the sizes',
      run: () => window.open(this.sheets().sizes(), '_blank', 'noopener'),
    },
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
    const altering = this.handing.taken().find(({ atTailor }) => atTailor);
    if (altering !== undefined)
      return this.fault.set(
        `${altering.name} is to be altered first: say that it is ready, or take its tick out.`,
      );
    const signature = this.signature();
    if (signature === null)
      return this.fault.set('Have the wearer sign: press W, write it by hand, or say who else signs.');
    this.fault.set('');
    if (this.handing.handOver(signature)) this.signature.set(null);
  }

  /** Enter where it is signed hands over; on a button that signs, it signs first. */
  protected onName(event: Event): void {
    if (event.target instanceof HTMLButtonElement && this.signature() === null) return;
    event.preventDefault();
    event.stopPropagation();
    this.handOver();
  }

  /** What is altered on a garment, in words. */
  protected altered(chartId: string): string {
    const docket = this.store.docket();
    return (docket === null ? [] : alterationsOf(docket, chartId))
      .map(({ area, how, length, unit }) => sayAltered({ area, how, length }, this.units.written(unit)))
      .join(', ');
  }

  protected tryOn(chartId: string): void {
    this.tries.emit(this.handing.garments().findIndex(({ id }) => id === chartId));
  }

  /** The garment whose hire ends on another day. */
  protected readonly extending = signal<string | null>(null);
  /** The garment that is being taken back. */
  protected readonly returning = signal<string | null>(null);
}
