import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { provideRouter } from '@angular/router';
import type { OrderAheadView } from '@neat-measure/contract/musters';
import { v7 as uuidv7 } from 'uuid';
import { MusterStore } from '../../../data/musters/muster-store';
import { PlaceOrders } from '../orders/place-orders';
import { OrderAheadDesk } from './order-ahead-desk';

const SERIES = uuidv7();
const ROOM = uuidv7();
const line = (label: string, order: number, there: number, coming: number) => ({
  ...{ label, mean: order - 1, from: 0, to: order, quarter: 0, median: 0, threeQuarters: 1 },
  ...{ order, there, coming },
});
const VIEW: OrderAheadView = {
  chance: 0.94,
  garments: [
    {
      ...{ seriesId: SERIES, maker: 'Ostrel Workwear', garment: 'Field jacket' },
      lines: [line('M', 10, 3, 2), line('L', 4, 6, 0)],
      ...{ chance: 0.953, ordered: 14, leftOver: 4.2, leftOverAtMost: 6, beyond: 1.2, untold: 0 },
      ...{ reckoned: ['inside-leg-length'], members: 11 },
    },
  ],
  restsOn: { measured: 4, own: 0, nothing: 7, grown: 1, worlds: 2_000 },
};

describe('OrderAheadDesk', () => {
  let fixture: ComponentFixture<OrderAheadDesk>;
  let http: HttpTestingController;
  const text = () => (fixture.nativeElement as HTMLElement).textContent!.replace(/\s+/g, ' ');
  const button = (name: string) =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find(
      (one) => one.textContent!.trim() === name,
    )!;

  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        provideRouter([]),
        { provide: MusterStore, useValue: { muster: () => ({ id: 'm' }) } },
      ],
    });
    fixture = TestBed.createComponent(OrderAheadDesk);
    http = TestBed.inject(HttpTestingController);
    fixture.detectChanges();
    http.expectOne('/api/kits').flush([]);
    button('Work out order').click();
    const asked = http.expectOne('/api/musters/m/order-ahead');
    expect(asked.request.body).toEqual({ chance: 0.95, over: 'all', others: [] });
    asked.flush(VIEW);
    fixture.detectChanges();
    http.expectOne('/api/stores/rooms').flush([{ id: ROOM, name: 'Main store', version: 1 }]);
    fixture.detectChanges();
  });

  it('says what it rests on, what is enough, and what was only estimated', () => {
    expect(text()).toContain('Rests on 4 wearers measured before and 7 wearers of whom nothing is known (');
    expect(text()).toContain('built like the 507 adults');
    expect(text()).toContain(
      '14 in all. With a chance of 95 % everybody who has a size gets it; about 4 left over',
    );
    expect(text()).toContain('Estimated from height or girth where not measured: inside leg.');
    expect(text()).toContain('About 1 wearer without a size in this chart.');
  });

  it('orders what is not there and not coming, as it was changed by hand', () => {
    const counts = [...(fixture.nativeElement as HTMLElement).querySelectorAll<HTMLInputElement>('.count')];
    expect(counts.map(({ value }) => value)).toEqual(['5', '0']);
    counts[1]!.value = '2';
    counts[1]!.dispatchEvent(new Event('change'));
    const orders = fixture.debugElement.query(By.directive(PlaceOrders)).componentInstance as PlaceOrders;
    orders.roomId.set(ROOM);
    fixture.detectChanges();
    button('Create 1 order').click();
    const sent = http.expectOne(({ url }) => url.startsWith('/api/stores/orders/'));
    expect(sent.request.body).toEqual({
      maker: 'Ostrel Workwear',
      roomId: ROOM,
      lines: [
        { seriesId: SERIES, label: 'M', count: 5, wantedFor: [] },
        { seriesId: SERIES, label: 'L', count: 2, wantedFor: [] },
      ],
    });
    sent.flush({ detail: 'The maker is unknown.' }, { status: 400, statusText: 'Bad Request' });
    fixture.detectChanges();
    // What was worked out stands where the order came to nothing.
    expect(counts[1]!.value).toBe('2');
    // Sent again it is the same order.
    button('Create 1 order').click();
    const again = http.expectOne(({ url }) => url.startsWith('/api/stores/orders/'));
    expect(again.request.url).toBe(sent.request.url);
  });
});
