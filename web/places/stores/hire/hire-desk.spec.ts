import { provideRouter, Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { pathOf, ROUTES } from '@neat-measure/contract';
import { STORES, type BookingSave, type HireBooking } from '@neat-measure/contract/stores';
import { addDays } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import { articleOf, pieceOf } from '../../../testing/stores';
import { benchFor, onShelf, readingOf, watchCoat } from '../../../testing/watch-coat';
import { until, Wire } from '../../../testing/wire';
import { StoresAccount, today } from '../stores-account';
import { HireDesk } from './hire-desk';

describe('HireDesk', () => {
  const seriesId = uuidv7();
  const inDays = (days: number) => addDays(today(), days);
  const piece = (serial: string) => ({ ...pieceOf(uuidv7(), serial), garment: 'Grebe dry suit', seriesId });
  const booking = (pieceId: string, changes: Partial<HireBooking>): HireBooking => ({
    id: uuidv7(),
    pieceId,
    docketId: null,
    chartId: null,
    docketNumber: null,
    who: 'Visitor',
    from: inDays(1),
    until: inDays(2),
    free: inDays(5),
    deposit: null,
    out: null,
    back: null,
    outcome: null,
    note: null,
    version: 1,
    late: 0,
    garment: 'Grebe dry suit',
    label: 'M',
    serial: 'G1',
    ...changes,
  });

  function open(pieces: ReturnType<typeof piece>[], bookings: HireBooking[], free: object[] = []) {
    const wire = new Wire([StoresAccount, provideRouter([])]);
    TestBed.inject(StoresAccount);
    wire.http.expectOne(STORES.rooms).flush([]);
    wire.http.expectOne(STORES.warnings).flush([]);
    const fixture = TestBed.createComponent(HireDesk);
    fixture.detectChanges();
    wire.http.expectOne(({ url }) => url.startsWith(STORES.bookings)).flush({ pieces, bookings });
    fixture.detectChanges();
    for (const one of wire.http.match(({ url }) => url.startsWith(STORES.free)))
      if (!one.cancelled) one.flush(free);
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const press = (name: string) => {
      [...host.querySelectorAll('button')].find((one) => one.textContent.trim().includes(name))!.click();
      fixture.detectChanges();
    };
    return { fixture, host, press, wire };
  }

  it('looks at the hire of what is scanned, and picks what is at nobody’s', () => {
    const [g1, g2] = [piece('G1'), piece('G2')];
    const hired = booking(g1.id, { from: inDays(-1), out: inDays(-1), who: 'Berrit Named' });
    const { fixture, host } = open([g1, g2], [hired]);
    const scans = (one: typeof g1) => {
      TestBed.inject(StoresAccount).taker()!({ article: articleOf({ seriesId }), piece: one });
      fixture.detectChanges();
    };
    scans(g1);
    expect(host.textContent).toContain('Berrit Named');
    expect(host.textContent).not.toContain('Book G1');
    scans(g2);
    expect(host.textContent).toContain('Book G2');
    expect(host.querySelector('.acts')?.textContent ?? '').not.toContain('Close');
    // Of what is not hired by the calendar the shelves tell.
    const navigates = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    scans(piece('X9'));
    expect(navigates).toHaveBeenCalledTimes(1);
  });

  it('draws a hire by its days, and what dries behind it', () => {
    const g1 = piece('G1');
    const { host } = open([g1], [booking(g1.id, {})]);
    const bar = host.querySelector<HTMLElement>('.bar')!;
    // Three days that are past, then today, are the first four columns.
    expect([bar.style.gridColumn, bar.className]).toEqual(['5 / 7', 'bar booked']);
    expect(host.querySelector<HTMLElement>('.drying')!.style.gridColumn).toBe('7 / 9');
  });

  it('draws what is out beyond its day as out until now', () => {
    const g1 = piece('G1');
    const past = { from: inDays(-9), until: inDays(-2), free: inDays(1), out: inDays(-9), late: 2 };
    const { host } = open([g1], [booking(g1.id, past)]);
    const bar = host.querySelector<HTMLElement>('.bar')!;
    expect([bar.style.gridColumn, bar.className]).toEqual(['1 / 5', 'bar late']);
    expect(bar.ariaLabel).toContain('2 days late');
  });

  it('draws who has a piece next below who has not returned it, and never over it', () => {
    const g1 = piece('G1');
    const late = { from: inDays(-3), until: inDays(-1), free: inDays(2), out: inDays(-3), late: 1 };
    const next = { from: inDays(0), until: inDays(1), free: inDays(3) };
    const after = { from: inDays(4), until: inDays(5), free: inDays(7) };
    const { host } = open([g1], [booking(g1.id, next), booking(g1.id, late), booking(g1.id, after)]);
    const bars = [...host.querySelectorAll<HTMLElement>('.bar')];
    expect(bars.map(({ style }) => [style.gridColumn, style.gridRow])).toEqual([
      ['1 / 5', '1'],
      ['4 / 6', '2'],
      ['8 / 10', '1'],
    ]);
  });

  it('books a piece that is free, for somebody', () => {
    const g1 = piece('G1');
    const { press, wire, host, fixture } = open(
      [g1],
      [],
      [{ label: 'M', pieces: [{ id: g1.id, serial: 'G1' }] }],
    );
    press('G1');
    press('Book G1');
    expect(host.querySelector('[role=alert]')!.textContent).toContain('Enter who the booking is for.');
    const who = host.querySelector<HTMLInputElement>('#hire-who')!;
    who.value = ' Maren ';
    who.dispatchEvent(new Event('input'));
    fixture.detectChanges();
    const deposit = () => host.querySelector<HTMLInputElement>('#hire-deposit')!;
    deposit().value = '40';
    deposit().dispatchEvent(new Event('input'));
    press('Book G1');
    const booked = wire.http.expectOne(
      ({ url, method }) => method === 'PUT' && url.startsWith(STORES.bookings),
    );
    const save = booked.request.body as BookingSave;
    expect([save.who, save.from, save.until, save.pieceId, save.deposit]).toEqual([
      'Maren',
      today(),
      inDays(2),
      g1.id,
      40,
    ]);
    expect([save.cancelled, save.version]).toEqual([false, 0]);
    booked.flush(booking(g1.id, { who: 'Maren' }));
    fixture.detectChanges();
    // The next wearer has neither the name nor the deposit of the one before.
    press('G1');
    const asked = ['#hire-who', '#hire-deposit'].map(
      (one) => host.querySelector<HTMLInputElement>(one)!.value,
    );
    expect(asked).toEqual(['', '']);
  });

  it('says of what is free how likely it is theirs, and ties the booking to their docket', async () => {
    const chart = onShelf(watchCoat());
    const bench = benchFor(chart, [readingOf('chest-girth', '98'), readingOf('waist-girth', '86')]);
    const coat = (serial: string, label: string) => ({
      ...pieceOf(uuidv7(), serial),
      label,
      garment: 'Watch coat',
      seriesId: chart.seriesId,
    });
    const [m, l] = [coat('W1', 'M'), coat('W2', 'L')];
    const free = [m, l].map(({ id, serial, label }) => ({ label, pieces: [{ id, serial }] }));
    const { press, wire, host, fixture } = open([m, l], [], free);
    const words = host.querySelector<HTMLInputElement>('#hire-docket')!;
    words.value = 'maren';
    words.dispatchEvent(new Event('input'));
    const summary = { id: bench.id, number: 12, wearer: bench.wearer, occasion: '', garments: [] };
    const dockets = { items: [{ ...summary, openedAt: new Date().toISOString() }], total: 1 };
    await until(() => {
      const asked = wire.http.match(({ url }) => url.includes('maren'));
      asked.forEach((one) => one.flush(dockets));
      return asked.length > 0;
    });
    fixture.detectChanges();
    press('Maren Okonjo');
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush(bench);
    fixture.detectChanges();
    const text = host.textContent.replace(/\s+/g, ' ');
    expect(text).toContain('docket 12: no size is decided yet.');
    expect(text).toMatch(/M ?fits in 8\d % of cases W1/);
    expect(text).toMatch(/L ?fits in 1\d % of cases W2/);
    press('W1');
    // A docket's booking is its wearer's, and no other name stands on it.
    const named = host.querySelector<HTMLInputElement>('#hire-who')!;
    expect([named.value, named.disabled]).toEqual(['Maren Okonjo', true]);
    press('Book W1');
    const { body } = wire.http.expectOne(
      ({ url, method }) => method === 'PUT' && url.startsWith(STORES.bookings),
    ).request;
    const { docketId, chartId, who } = body as BookingSave;
    expect([docketId, chartId, who]).toEqual([bench.id, chart.id, 'Maren Okonjo']);
  });

  it('opens a booking from its warning, far from today, and books it for other days', () => {
    const g1 = piece('G1');
    const far = booking(g1.id, { from: inDays(60), until: inDays(61), free: inDays(64) });
    const { fixture, wire, press, host } = open([g1], []);
    fixture.componentRef.setInput('hire', far.id);
    fixture.detectChanges();
    wire.http.expectOne(({ url, method }) => method === 'GET' && url.endsWith(far.id)).flush(far);
    fixture.detectChanges();
    const asked = wire.http.expectOne(({ url }) => url.startsWith(`${STORES.bookings}?`));
    expect(asked.request.url).toContain(`from=${inDays(57)}`);
    asked.flush({ pieces: [{ ...g1, place: 'waste' }], bookings: [far] });
    fixture.detectChanges();
    expect(host.textContent).toContain('G1 for Visitor');
    const ends = host.querySelector<HTMLInputElement>('#hire-until')!;
    ends.value = inDays(63);
    ends.dispatchEvent(new Event('change'));
    fixture.detectChanges();
    press('Book for the dates below');
    const { body } = wire.http.expectOne(
      ({ url, method }) => method === 'PUT' && url.endsWith(far.id),
    ).request;
    const { from, until, pieceId, version } = body as BookingSave;
    expect([from, until, pieceId, version]).toEqual([inDays(60), inDays(63), g1.id, 1]);
  });

  it('gives another piece of the size in the place of one that is not back', () => {
    const [g1, g2] = [piece('G1'), piece('G2')];
    const own = booking(g1.id, {});
    const { press, wire } = open([g1, g2], [own], [{ label: 'M', pieces: [{ id: g2.id, serial: 'G2' }] }]);
    press('Visitor');
    for (const one of wire.http.match(({ url }) => url.startsWith(STORES.free)))
      if (!one.cancelled) one.flush([{ label: 'M', pieces: [{ id: g2.id, serial: 'G2' }] }]);
    TestBed.tick();
    press('Change to G2');
    const { body } = wire.http.expectOne(
      ({ url, method }) => method === 'PUT' && url.endsWith(own.id),
    ).request;
    expect((body as BookingSave).pieceId).toBe(g2.id);
  });
});
