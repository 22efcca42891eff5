import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { DocketStock } from '@neat-measure/contract/stores';
import { dayOf, sayChance, sayDay } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { ControlName } from '../../../../parts/forms/control-name';
import { SendingId } from '../../../../data/sending-id';
import { SessionService } from '../../../../data/session-service';
import { StoresService } from '../../../../data/stores-service';
import { DocketStore } from '../../docket-store';
import { HandingStore } from '../handing-store';
import { Ordering } from './ordering';
import { sameSource, takenFrom, WITHOUT_STORES } from './source';
import { StockHere, type Near } from './stock-here';

/** What the stores have of one garment that may go: where it is taken from, or what to do where none is there. */
@Component({
  selector: 'nm-stock-line',
  imports: [ControlName, FormsModule, NzButtonModule, NzSelectModule, RouterLink],
  template: `
    @if (stock(); as stock) {
      @if (stock.calledNow; as now) {
        <p class="note">
          The maker now calls this size <b>{{ now }}</b> and the stock uses that label. Older pieces may still
          say {{ stock.label }}.
        </p>
      }
      @if (stock.booked; as booked) {
        @if (booked.label !== (stock.calledNow ?? stock.label)) {
          <p class="note">
            {{ booked.serial }} in <b>{{ booked.label }}</b> is booked for this wearer until
            {{ day(booked.until) }}; the decided size is {{ stock.label }}. Change the piece under
            <a routerLink="/stores/hire">Hire</a>.
          </p>
        }
      }
      @if (stock.reserved; as reserved) {
        @if (reserved.label !== (stock.calledNow ?? stock.label)) {
          <p class="note">
            <b>{{ reserved.label }}</b> is reserved for this wearer in {{ reserved.room }}; the decided size
            is {{ stock.label }}. Return it under <a routerLink="/stores/reserved">Reserved</a>.
          </p>
        }
      }
      @if (garment().gone; as gone) {
        <p class="note" role="status">{{ gone }}</p>
      }
      @if (stock.there.length > 0 || from() !== null) {
        <span class="row stocked">
          @if (mayReserve()) {
            <button
              nz-button
              nzType="link"
              type="button"
              aria-label="Reserve for this wearer"
              [disabled]="busy()"
              (click)="reserve()"
            >
              Reserve
            </button>
          }
          <nz-select
            [nmName]="'Where ' + garment().name + ' is taken from'"
            nzPlaceHolder="choose"
            [nzOptions]="garment().choices"
            [compareWith]="sameSource"
            [ngModel]="from()"
            (ngModelChange)="handing.choose(garment().id, { from: $event })"
          />
        </span>
      } @else {
        <button
          nz-button
          type="button"
          class="lacks"
          [attr.aria-expanded]="open()"
          [attr.aria-label]="(stock.orders.length > 0 ? 'On order: ' : 'None in stock: ') + garment().name"
          (click)="open.set(!open())"
        >
          {{ stock.orders.length > 0 ? 'On order' : 'None in stock' }}&nbsp;<span aria-hidden="true">{{
            open() ? '▴' : '▾'
          }}</span>
        </button>
        @if (open()) {
          <p class="note">
            <button
              nz-button
              nzType="link"
              type="button"
              class="elsewhere"
              (click)="handing.choose(garment().id, { from: without, taken: true })"
            >
              Not from the stores
            </button>
            None in stock in {{ stock.label }}.
            @if (stock.orders.length > 0) {
              {{ sayOrders(stock.orders) }}
            } @else if (stock.coming > 0) {
              {{ stock.coming }} on order for others or for stock.
            }
            @if (stock.others.length > 0 && near().length === 0) {
              No size in stock is likely to fit.
            }
            <span class="row under">
              @for (one of near(); track one.label) {
                <button nz-button type="button" (click)="tryNear(one)">{{ sayNear(one) }}</button>
              }
              @if (stock.orders.length === 0) {
                <button nz-button type="button" (click)="ordering.order(garment().id)">Order one</button>
              }
            </span>
          </p>
        }
      }
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    .note {
      flex: 1 1 100%;
      // What can be done stands in one line.
      > .row {
        clear: right;
        gap: 6px;
        margin-top: 0;
      }
      button {
        padding-inline: 8px;
      }
    }
    .stocked {
      flex: 0 1 auto;
      flex-wrap: nowrap;
      gap: 6px;
      margin-left: auto;
    }
    .elsewhere {
      float: right;
      margin-block: -10px -6px;
    }
    .lacks {
      width: 148px;
      margin-left: auto;
    }
    nz-select {
      width: 148px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StockLine {
  private readonly store = inject(DocketStore);
  private readonly stockHere = inject(StockHere);
  private readonly stores = inject(StoresService);
  private readonly session = inject(SessionService);
  protected readonly day = (day: string) => sayDay(day, dayOf(new Date()));
  protected readonly handing = inject(HandingStore);
  protected readonly ordering = inject(Ordering);
  readonly garment = input.required<ReturnType<HandingStore['garments']>[number]>();
  /** Whether what can be done about a garment that is not there is seen by itself. */
  readonly unfolded = input.required<boolean>();
  /** It was put on in another size. */
  readonly tries = output();

  protected readonly open = linkedSignal(() => this.unfolded());
  protected readonly without = WITHOUT_STORES;
  protected readonly sameSource = sameSource;
  protected readonly stock = computed(() => this.garment().stock);
  protected readonly from = computed(() => this.garment().from);
  protected readonly near = computed(() => this.stockHere.nearOf(this.garment().id));

  /** Puts the nearest that is there on. */
  protected tryNear({ sizes }: Near): void {
    const chartId = this.garment().id;
    if (this.store.does({ kind: 'garment-tried', chartId, sizes, carrier: null, found: null }))
      this.tries.emit();
  }

  /** What is in stock can be reserved for whoever comes another day; what is hired is booked. */
  protected readonly mayReserve = computed(() => {
    const { stock, from, way } = this.garment();
    return (
      this.session.may('keep-stock') &&
      stock !== null &&
      stock.reserved === null &&
      way !== 'hired' &&
      takenFrom(from) !== undefined
    );
  });
  protected readonly busy = signal(false);
  private readonly sending = new SendingId();

  protected reserve(): void {
    const [docketId, taken] = [this.store.docket()?.id, takenFrom(this.garment().from)];
    if (docketId === undefined || taken === undefined) return;
    this.busy.set(true);
    const { roomId, pieceId } = taken;
    const save = { docketId, chartId: this.garment().id, roomId, pieceId };
    this.stores
      .reserve(this.sending.value, save)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => {
          this.sending.done();
          // It stays here for another day.
          this.handing.choose(this.garment().id, { taken: false });
          this.stockHere.askAgain();
        },
        error: (problem: Error) => {
          this.sending.failed(problem);
          this.ordering.fault.set(problem.message);
          this.stockHere.askAgain();
        },
      });
  }

  protected sayNear({ label, count, chance }: Near): string {
    return `Try ${label} (${count} in stock, ${sayChance(chance)})`;
  }

  protected sayOrders(orders: DocketStock[number]['orders']): string {
    return orders
      .map(
        ({ number, stage, promised }) =>
          `Order ${number} ${stage === 'draft' ? 'is not sent yet' : 'is sent to the maker'}${promised === null ? '' : `, promised for ${promised}`}.`,
      )
      .join(' ');
  }
}
