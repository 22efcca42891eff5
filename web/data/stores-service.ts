import { inject, Injectable } from '@angular/core';
import { listPath, pathOf, type Page } from '@neat-measure/contract';
import {
  articleAccountSchema,
  articleSchema,
  articlesSchema,
  bookingSchema,
  countExplainedPath,
  deliveryPath,
  docketShelvesPath,
  docketShelvesSchema,
  docketStockPath,
  docketStockSchema,
  freeSchema,
  hireCalendarSchema,
  inspectionPath,
  keptGarmentSchema,
  keptGarmentsSchema,
  needsSchema,
  orderAskedPath,
  orderClosedPath,
  orderSchema,
  orderSentPath,
  ordersSchema,
  pieceSchema,
  putBackPath,
  reservedCalledPath,
  reservationsSchema,
  renamedPath,
  roomSchema,
  roomsSchema,
  scannedSchema,
  scanPath,
  stockCountSchema,
  stockTableSchema,
  STORES,
  warningsSchema,
  type Article,
  type ArticleAccount,
  type ArticleSave,
  type BookingSave,
  type CountSave,
  type Delivery,
  type DocketShelves,
  type DocketStock,
  type Free,
  type HireBooking,
  type HireCalendar,
  type Inspection,
  type KeepingSave,
  type KeptGarment,
  type Move,
  type Order,
  type OrderSave,
  type Piece,
  type Reservation,
  type ReserveSave,
  type Receipt,
  type Room,
  type Scanned,
  type StockCount,
  type StockImport,
  type StockNeed,
  type StockQuery,
  type Warning,
} from '@neat-measure/contract/stores';
import type { Observable } from 'rxjs';
import { Api } from './api';

/** The stores: what lies where, what is hired and what is ordered. What is saved has an id of the caller's, so that trying again does nothing twice. */
@Injectable({ providedIn: 'root' })
export class StoresService {
  private readonly api = inject(Api);

  rooms(): Observable<Room[]> {
    return this.api.get(STORES.rooms, roomsSchema);
  }

  saveRoom(id: string, name: string, version: number): Observable<Room> {
    return this.api.put(pathOf(STORES.rooms, id), { name, version }, roomSchema);
  }

  kept(): Observable<KeptGarment[]> {
    return this.api.get(STORES.keeping, keptGarmentsSchema);
  }

  keep(seriesId: string, save: KeepingSave): Observable<KeptGarment> {
    return this.api.put(pathOf(STORES.keeping, seriesId), save, keptGarmentSchema);
  }

  list(query: StockQuery): Observable<Page<Article>> {
    return this.api.get(listPath(STORES.stock, query), articlesSchema);
  }

  account(id: string): Observable<ArticleAccount> {
    return this.api.get(pathOf(STORES.articles, id), articleAccountSchema);
  }

  saveArticle(id: string, save: ArticleSave): Observable<Article> {
    return this.api.put(pathOf(STORES.articles, id), save, articleSchema);
  }

  rename(id: string, batchId: string, label: string | null): Observable<void> {
    return this.api.put(renamedPath(id), { label, batchId });
  }

  receive(id: string, receipt: Receipt): Observable<Article> {
    return this.api.put(pathOf(STORES.receipts, id), receipt, articleSchema);
  }

  importTable(id: string, table: StockImport): Observable<void> {
    return this.api.put(pathOf(STORES.receipts, id), table);
  }

  table(): Observable<string[][]> {
    return this.api.get(STORES.table, stockTableSchema);
  }

  move(id: string, move: Move): Observable<Article> {
    return this.api.put(pathOf(STORES.movements, id), move, articleSchema);
  }

  inspect(pieceId: string, id: string, inspection: Inspection): Observable<Piece> {
    return this.api.put(inspectionPath(pieceId, id), inspection, pieceSchema);
  }

  count(id: string, count: CountSave): Observable<StockCount> {
    return this.api.put(pathOf(STORES.counts, id), count, stockCountSchema);
  }

  explain(
    id: string,
    batchId: string,
    reasons: readonly { readonly articleId: string; readonly reason: string }[],
  ): Observable<StockCount> {
    return this.api.put(countExplainedPath(id), { batchId, reasons }, stockCountSchema);
  }

  scan(code: string): Observable<Scanned> {
    return this.api.get(scanPath(code), scannedSchema);
  }

  warnings(): Observable<Warning[]> {
    return this.api.get(STORES.warnings, warningsSchema);
  }

  onShelvesFor(docketId: string): Observable<DocketShelves> {
    return this.api.get(docketShelvesPath(docketId), docketShelvesSchema);
  }

  forDocket(docketId: string, until: string | null): Observable<DocketStock> {
    const days = until === null ? '' : `?until=${until}`;
    return this.api.get(`${docketStockPath(docketId)}${days}`, docketStockSchema);
  }

  calendar(from: string, until: string): Observable<HireCalendar> {
    return this.api.get(`${STORES.bookings}?from=${from}&until=${until}`, hireCalendarSchema);
  }

  book(id: string, booking: BookingSave): Observable<HireBooking> {
    return this.api.put(pathOf(STORES.bookings, id), booking, bookingSchema);
  }

  booking(id: string): Observable<HireBooking> {
    return this.api.get(pathOf(STORES.bookings, id), bookingSchema);
  }

  reservations(): Observable<Reservation[]> {
    return this.api.get(STORES.reserved, reservationsSchema);
  }

  reserve(id: string, save: ReserveSave): Observable<void> {
    return this.api.put(pathOf(STORES.reserved, id), save);
  }

  called(id: string, called: boolean): Observable<void> {
    return this.api.put(reservedCalledPath(id), { called });
  }

  putBack(id: string, batchId: string): Observable<void> {
    return this.api.put(putBackPath(id), { batchId });
  }

  free(series: string, from: string, until: string): Observable<Free> {
    return this.api.get(`${STORES.free}?series=${series}&from=${from}&until=${until}`, freeSchema);
  }

  needs(): Observable<StockNeed[]> {
    return this.api.get(STORES.needs, needsSchema);
  }

  orders(): Observable<Order[]> {
    return this.api.get(STORES.orders, ordersSchema);
  }

  order(id: string): Observable<Order> {
    return this.api.get(pathOf(STORES.orders, id), orderSchema);
  }

  saveOrder(id: string, order: OrderSave): Observable<Order> {
    return this.api.put(pathOf(STORES.orders, id), order, orderSchema);
  }

  /** @param byHand whether somebody has sent it outside of here, so that no desk is sent it */
  send(id: string, byHand = false): Observable<Order> {
    return this.api.put(orderSentPath(id), { byHand }, orderSchema);
  }

  ask(id: string): Observable<Order> {
    return this.api.put(orderAskedPath(id), {}, orderSchema);
  }

  close(id: string, batchId: string, lines: readonly number[]): Observable<Order> {
    return this.api.put(orderClosedPath(id), { batchId, lines }, orderSchema);
  }

  deliver(id: string, deliveryId: string, delivery: Delivery): Observable<Order> {
    return this.api.put(deliveryPath(id, deliveryId), delivery, orderSchema);
  }
}
