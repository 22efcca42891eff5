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
import {
  alterationsOf,
  dayOf,
  HANDING_WAYS,
  HANDING_WORDS,
  sayAltered,
  sayDay,
  type Signature,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { UnitService } from '../../../data/unit-service';
import { ControlName } from '../../../parts/forms/control-name';
import { notOnButton, type KeyCommand } from '../../../parts/shortcuts/keys';
import { DocketStore } from '../docket-store';
import { changedJustNow } from '../just-now';
import { ExtendHire } from './extend-hire';
import { HandingStore } from './handing-store';
import { SheetsOut } from './sheets-out';
import { SignatureField } from './signature-field';
import { Ordering } from './stock/ordering';
import { StockHere } from './stock/stock-here';
import { StockLine } from './stock/stock-line';
import { TakeBack } from './take-back';
import { DayWords } from '../../../parts/forms/day-words';

/** What stands behind each way of handing over: said to the wearer before they sign. */
const CONDITIONS = {
  issued: 'Issued garments belong to the house. Return them when they are no longer needed.',
  hired: 'Return hired garments rinsed by the last day, and report any tear or loss.',
  sold: 'Sold garments may be exchanged for another size while they are unworn.',
} as const;

const FEW_GARMENTS = 3;
/** So many garments are seen at once beside what can be done about one of them. */
const SEEN_GARMENTS = 5;

/** Handing over: what goes to the wearer and how, what they sign, the sheets, and what comes back. */
@Component({
  selector: 'nm-hand-panel',
  imports: [
    DayWords,
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
      min-width: 48px;
      font: 650 20px/1.2 var(--text);
      text-align: right;
    }
    // Six garments, what they are cautioned of and the signature are seen at once.
    .line {
      gap: 4px 8px;
      padding-block: 4px;
      > .what {
        flex: 1 1 130px;
        min-width: 0;
      }
      > .row {
        flex-wrap: nowrap;
        gap: 6px;
      }
    }
    .cautions {
      padding-block: 3px;
      > summary {
        overflow: hidden;
        cursor: pointer;
        text-overflow: ellipsis;
        white-space: nowrap;
      }
      &[open] > summary {
        white-space: normal;
      }
      > p {
        margin-top: 6px;
      }
    }
    .line > .note {
      flex: 1 1 100%;
    }
    kbd {
      margin-right: 6px;
    }
    nm-signature-field {
      display: block;
      margin-bottom: 8px;
    }
    nz-select {
      width: 90px;
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
          ({ ready, stock, from, gone }) =>
            ready && stock !== null && from === null && gone === '' && stock.orders.length === 0,
        )?.id ?? null,
  );

  protected readonly signature = signal<Signature | null>(null);
  protected readonly fault = signal('');
  private readonly tooSoon = signal(false);
  /** What Enter came before, for as long as it is so. */
  protected readonly waits = computed(() =>
    this.tooSoon() && !this.handing.looked()
      ? 'Stock is still being checked. Press Enter again when that is done.'
      : '',
  );
  protected readonly conditions = computed(() => [
    ...new Set(this.handing.taken().map(({ way }) => CONDITIONS[way])),
  ]);
  protected readonly heading = computed(() => {
    const [going, all] = [this.handing.taken().length, this.handing.garments().length];
    if (!this.handing.looked()) return 'Checking stock …';
    if (going > 0) return going === 1 ? '1 garment to hand over' : `${going} garments to hand over`;
    const open = this.handing
      .garments()
      .filter(({ stage }) => stage !== 'handed-over' && stage !== 'came-back').length;
    if (open === 0 && this.handing.out().length === all) return 'Everything handed over';
    const ready = this.handing.garments().filter((one) => one.ready).length;
    if (open === 0 || (open === all && ready === 0)) return 'Nothing to hand over';
    return open === 1 ? '1 garment still owed' : `${open} garments still owed`;
  });
  protected readonly day = (day: string) => sayDay(day, dayOf(new Date()));
  protected readonly handed = (way: keyof typeof HANDING_WORDS) => HANDING_WORDS[way];
  /** Whether what can be done about a garment that is not there is in sight: of few for each, of more for the first, while the others have room. */
  protected unfolds(id: string): boolean {
    const count = this.handing.garments().length;
    return count <= FEW_GARMENTS || (count <= SEEN_GARMENTS && id === this.lacking());
  }

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
      does: 'tick or untick the garment with that number',
      when: (key) => this.handing.garments()[Number(key) - 1]?.ready === true,
      run: (key) => {
        const { id, taken } = this.handing.garments()[Number(key) - 1]!;
        this.handing.choose(id, { taken: !taken });
      },
    },
    {
      keys: ['w'],
      does: 'the wearer signs by name',
      when: () => this.signing() !== undefined,
      run: () => this.signing()!.byName(),
    },
    {
      keys: ['o'],
      does: 'order what is not in stock',
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
    // Nobody knows yet what is there: a key that does nothing says so.
    if (!this.handing.looked()) return this.tooSoon.set(true);
    if (this.handing.taken().length === 0) this.leave.emit();
    else this.handOver();
  }

  private readonly otherChanged = changedJustNow(() =>
    this.handing
      .garments()
      .filter(({ ready }) => ready)
      .map(({ id, size }) => `${id} ${size ?? ''}`)
      .join(),
  );

  protected handOver(): void {
    const other = this.otherChanged();
    if (other !== null)
      return this.fault.set(`${other} changed a size just now. Check the garments, then hand them over.`);
    const owed = this.handing.taken().find((one) => one.owed && one.untried.trim() === '');
    if (owed !== undefined)
      return this.fault.set(
        `${owed.name} must be checked on the wearer before handing over. Try it on, or enter why not.`,
      );
    const gone = this.handing.taken().find((one) => one.gone !== '');
    if (gone !== undefined) return this.fault.set(`${gone.name}: ${gone.gone}`);
    const none = this.handing.taken().find(({ stock, from }) => stock !== null && from === null);
    if (none !== undefined)
      return this.fault.set(
        `None of ${none.name} is in stock in ${none.size ?? ''}: order it, try the nearest size, or mark it as not from the stores.`,
      );
    const altering = this.handing.taken().find(({ atTailor }) => atTailor);
    if (altering !== undefined)
      return this.fault.set(`${altering.name} must be altered first. Mark it as ready, or remove the tick.`);
    const signature = this.signature();
    if (signature === null)
      return this.fault.set('A signature is missing: press W, sign by hand, or enter who signs.');
    this.fault.set('');
    if (this.handing.handOver(signature)) this.signature.set(null);
  }

  /** Enter where it is signed hands over, and on the button that has signed; any other button is pressed by it. */
  protected onName(event: Event): void {
    const button = event.target instanceof Element ? event.target.closest('button') : null;
    if (button !== null && button.getAttribute('aria-pressed') !== 'true') return;
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
