import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import {
  orderSentPath,
  STORES,
  type Order,
  type OrderSave,
  type StockNeed,
} from '@neat-measure/contract/stores';
import { v7 as uuidv7 } from 'uuid';
import { Wire } from '../../../testing/wire';
import { StoresAccount } from '../stores-account';
import { OrderDesk } from './order-desk';

describe('OrderDesk', () => {
  const seriesId = uuidv7();
  const maker = 'Pindlemere Mill';
  const need = (label: string, total: number): StockNeed => ({
    seriesId,
    garment: 'Marsh hat',
    maker,
    label,
    wanted: total,
    there: 0,
    coming: 0,
    minimum: 0,
    forWearers: total,
    forShelf: 0,
    spares: 0,
    total,
    wantedFor: [],
  });

  it('orders what was typed, and goes by nothing of it when the same size is needed again', () => {
    const roomId = uuidv7();
    const wire = new Wire([StoresAccount, provideRouter([])]);
    const fixture = TestBed.createComponent(OrderDesk);
    fixture.detectChanges();
    wire.http.expectOne(STORES.rooms).flush([{ id: roomId, name: 'Loft', version: 1 }]);
    wire.http.match(STORES.warnings).forEach((one) => one.flush([]));
    const host = fixture.nativeElement as HTMLElement;
    const tell = (needs: readonly StockNeed[]) => {
      wire.http.expectOne(STORES.needs).flush(needs);
      wire.http.match(STORES.orders).forEach((one) => one.flush([]));
      fixture.detectChanges();
    };
    const counts = () =>
      [...host.querySelectorAll<HTMLInputElement>('.maker input.short')].map(({ value }) => value);
    tell([need('7', 2), need('8', 1)]);
    const field = host.querySelector<HTMLInputElement>('.maker input.short')!;
    field.value = '5';
    field.dispatchEvent(new Event('input'));
    fixture.detectChanges();
    expect(counts()).toEqual(['5', '1']);
    const press = () =>
      [...host.querySelectorAll('button')]
        .find((one) => one.textContent.includes(`Order from ${maker}`))!
        .click();
    // What could not be ordered stands as it was typed.
    press();
    wire.http
      .expectOne(({ url }) => url.startsWith(`${STORES.orders}/`))
      .flush(
        { type: 'stock-refused', title: 'Refused', status: 409, detail: 'Not now.' },
        { status: 409, statusText: 'Conflict' },
      );
    wire.http.match(STORES.warnings).forEach((one) => one.flush([]));
    tell([need('7', 2), need('8', 1)]);
    expect(counts()).toEqual(['5', '1']);
    press();
    const saved = wire.http.expectOne(({ url }) => url.startsWith(`${STORES.orders}/`));
    const body = saved.request.body as OrderSave;
    expect(body.lines.map(({ label, count }) => [label, count])).toEqual([
      ['7', 5],
      ['8', 1],
    ]);
    const id = saved.request.url.split('/').at(-1)!;
    const order: Order = {
      id,
      number: 3,
      maker,
      roomId,
      at: '2026-11-29T09:00:00.000Z',
      stage: 'draft',
      promised: null,
      late: false,
      silentSince: null,
      byHand: false,
      lines: [],
      story: [],
    };
    saved.flush(order);
    wire.http.expectOne(orderSentPath(id)).flush({ ...order, stage: 'sent' });
    fixture.detectChanges();
    wire.http.match(STORES.warnings).forEach((one) => one.flush([]));
    tell([need('7', 1)]);
    expect(counts()).withContext('one is needed, whatever was typed for the order before').toEqual(['1']);
  });
});
