import { inject, Injectable, signal } from '@angular/core';
import { switchMap, tap, throwError } from 'rxjs';
import { SendingId } from '../../../../data/sending-id';
import { StoresService } from '../../../../data/stores-service';
import { DocketStore } from '../../docket-store';
import { StockHere } from './stock-here';

/** Orders what is not there, for the wearer of the docket and at once. */
@Injectable()
export class Ordering {
  private readonly store = inject(DocketStore);
  private readonly stores = inject(StoresService);
  private readonly stockHere = inject(StockHere);
  /** The order of each garment that may be on its way. */
  private readonly sendings = new Map<string, SendingId>();
  readonly fault = signal('');

  /** Orders one garment; by what its maker calls the size now. */
  order(chartId: string): void {
    const docket = this.store.docket();
    const chart = this.store.garments().find((one) => one.chart.id === chartId)?.chart;
    const stock = this.stockHere.of(chartId);
    const label = stock?.calledNow ?? stock?.label;
    if (docket === null || chart === undefined || label === undefined) return;
    const sending = this.sendings.get(chartId) ?? new SendingId();
    this.sendings.set(chartId, sending);
    this.fault.set('');
    const wantedFor = [{ docketId: docket.id, chartId }];
    const lines = [{ seriesId: chart.seriesId, label, count: 1, wantedFor }];
    this.stores
      .rooms()
      .pipe(
        switchMap(([room]) => {
          if (room === undefined) return throwError(() => new Error(NO_ROOM));
          const id = sending.value;
          return this.stores.saveOrder(id, { maker: chart.sheet.maker, roomId: room.id, lines }).pipe(
            tap({ next: () => sending.done(), error: (problem: Error) => sending.failed(problem) }),
            switchMap(() => this.stores.send(id)),
          );
        }),
      )
      .subscribe({
        next: () => this.stockHere.askAgain(),
        error: (problem: Error) => {
          this.stockHere.askAgain();
          this.fault.set(problem.message);
        },
      });
  }
}

const NO_ROOM = 'There is no room to receive the order. Add a room under Stores, then order.';
