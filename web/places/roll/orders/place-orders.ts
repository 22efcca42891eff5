import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { OrderSave, Room } from '@neat-measure/contract/stores';
import { counted } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { concatMap, finalize, from } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Fetched } from '../../../data/fetched';
import { StoresService } from '../../../data/stores-service';

/** So many of one size, to be ordered of its maker. */
export interface WantedLine {
  readonly maker: string;
  readonly seriesId: string;
  readonly label: string;
  readonly count: number;
}

/** Makes orders of what is wanted, one for each maker, to be delivered to a room. */
@Component({
  selector: 'nm-place-orders',
  imports: [FormsModule, NzButtonModule, NzSelectModule],
  template: `
    @if (failed()) {
      <p class="fault" role="alert">{{ failed() }}</p>
    }
    @if (orders().length > 0) {
      <div class="panel row">
        <label for="orders-room">Deliver to</label>
        <nz-select
          nzId="orders-room"
          class="ample"
          nzPlaceHolder="choose a room"
          [nzOptions]="rooms()"
          [ngModel]="roomId() === '' ? null : roomId()"
          (ngModelChange)="roomId.set($event)"
        />
        <button
          nz-button
          nzType="primary"
          type="button"
          [disabled]="busy() || roomId() === ''"
          (click)="order()"
        >
          Create {{ counted(orders().length, 'order') }}
        </button>
      </div>
    }
  `,
  styles: `
    .panel {
      padding: 14px 18px;
    }
  `,
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlaceOrders {
  private readonly stores = inject(StoresService);
  readonly wanted = input.required<readonly WantedLine[]>();
  /** So many orders were made. */
  readonly made = output<number>();
  protected readonly counted = counted;
  private readonly allRooms = new Fetched<readonly Room[]>(() => this.stores.rooms());
  protected readonly rooms = computed(() =>
    (this.allRooms.value() ?? []).map(({ id, name }) => ({ value: id, label: name })),
  );
  readonly roomId = signal('');
  protected readonly busy = signal(false);
  protected readonly failed = signal('');

  /** The orders it comes to, one for each maker. */
  protected readonly orders = computed<readonly OrderSave[]>(() => {
    const byMaker = new Map<string, OrderSave['lines']>();
    for (const { maker, seriesId, label, count } of this.wanted()) {
      if (count === 0) continue;
      const lines = byMaker.get(maker) ?? [];
      lines.push({ seriesId, label, count, wantedFor: [] });
      byMaker.set(maker, lines);
    }
    return [...byMaker].map(([maker, lines]) => ({ maker, roomId: this.roomId(), lines }));
  });

  /** Under which id each order was sent: sent again after a failure it is the same one. */
  private readonly ids = new Map<string, string>();

  private idOf(order: OrderSave): string {
    const key = JSON.stringify(order);
    const id = this.ids.get(key) ?? uuidv7();
    this.ids.set(key, id);
    return id;
  }

  protected order(): void {
    const orders = this.orders();
    if (orders.length === 0 || this.roomId() === '' || this.busy()) return;
    this.busy.set(true);
    this.failed.set('');
    let made = 0;
    from(orders)
      .pipe(
        concatMap((one) => this.stores.saveOrder(this.idOf(one), one)),
        finalize(() => this.busy.set(false)),
      )
      .subscribe({
        next: () => (made += 1),
        error: (problem: Error) =>
          this.failed.set(
            made === 0
              ? problem.message
              : `${problem.message} ${counted(made, 'order')} of ${orders.length} were created: look at Orders.`,
          ),
        complete: () => {
          this.ids.clear();
          this.made.emit(made);
        },
      });
  }
}
