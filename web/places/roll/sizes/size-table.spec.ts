import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { provideRouter, Router } from '@angular/router';
import { SIZINGS, sizingDecisionPath, sizingDecisionsPath } from '@neat-measure/contract';
import type { SizingView } from '@neat-measure/contract/musters';
import { VERDICTS } from '@neat-measure/core';
import { EVERYBODY } from '@neat-measure/core/group';
import { v7 as uuidv7 } from 'uuid';
import { SizesStore } from '../../../data/musters/sizes-store';
import { SessionService } from '../../../data/session-service';
import { PlaceOrders } from '../orders/place-orders';
import { DecideMany } from './decide-many';
import { SizeTable } from './size-table';
import { SizeTotals } from './size-totals';

const MUSTER = uuidv7();
const NAMES = ['Ada Tern', 'Bo Çelik', 'Cy Oake', 'Dee Lund'];
const IDS = NAMES.map(() => uuidv7());
const DOCKETS = NAMES.map(() => uuidv7());
const of = (...verdicts: (typeof VERDICTS)[number][]) => verdicts.map((one) => VERDICTS.indexOf(one));

function viewOf(changes: object = {}): SizingView {
  const head = { version: 1, maker: 'Ostrel Workwear', protects: false };
  const jacket = {
    ...{ ...head, chartId: uuidv7(), seriesId: uuidv7(), garment: 'Field jacket' },
    labels: ['M', 'L'],
    // Settled, at an edge, missing, and decided.
    ...{
      verdicts: of('settled', 'edge', 'incomplete', 'between'),
      sizes: [0, 0, -1, 1],
      stands: [0, 0, 0, 1],
    },
    ...{ odds: { 1: [0, 700, 1, 300] }, others: { 1: [1] } },
  };
  return {
    progress: {
      ...{ id: uuidv7(), state: 'done', done: 1, steps: 1, by: 'Odalys Wren', wearers: 4 },
      madeAt: '2026-12-01T08:00:00.000Z',
    },
    sizing: {
      ...{ habits: 1, wearerIds: IDS, docketIds: DOCKETS, rests: [0, 1, 3, 0], acts: [5, 4, 0, 9] },
      garments: [jacket],
      ...changes,
    },
    wearers: NAMES.map((name, at) => ({ id: IDS[at]!, name, role: 'Warden', number: `H-${at}` })),
    groups: [{ name: 'Squad 2', wearerIds: [IDS[1]!, IDS[2]!] }],
    stock: [{ seriesId: jacket.seriesId, lines: [{ label: 'M', there: 1, coming: 0 }] }],
  };
}

describe('the sizes of a muster', () => {
  let http: HttpTestingController;
  let store: SizesStore;

  function open(view = viewOf()) {
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        provideRouter([]),
        SizesStore,
        { provide: SessionService, useValue: { may: (what: string) => what !== 'lead-muster' } },
      ],
    });
    http = TestBed.inject(HttpTestingController);
    store = TestBed.inject(SizesStore);
    store.open(MUSTER);
    http.expectOne(`${SIZINGS}?of=${MUSTER}`).flush([view.progress]);
    http.expectOne(`${SIZINGS}/${view.progress.id}`).flush(view);
    return view;
  }
  const names = () => store.rows().map((row) => store.nameAt(row));

  it('are everybody by name, or some by name, role and number, by group, garment, doubt and pair', () => {
    open();
    expect(names()).toEqual(NAMES);
    const filtered = (change: object) => {
      store.filter.set({ ...EVERYBODY, ...change });
      return names();
    };
    expect(filtered({ search: 'celik WARDEN' })).toEqual(['Bo Çelik']);
    expect(filtered({ search: 'h-3' })).toEqual(['Dee Lund']);
    expect(filtered({ group: 'Squad 2' })).toEqual(['Bo Çelik', 'Cy Oake']);
    expect(filtered({ garment: 0, shows: 'doubtful' })).toEqual(['Bo Çelik']);
    expect(store.pairs()).toEqual([{ pair: [0, 1], count: 1 }]);
    expect(filtered({ garment: 0, between: [0, 1] })).toEqual(['Bo Çelik']);
    expect(filtered({ garment: 0, sortBy: 0 }))
      .withContext('by size, whoever has none last')
      .toEqual(['Ada Tern', 'Bo Çelik', 'Dee Lund', 'Cy Oake']);
  });

  it('keep what is looked at when they are sized anew, and let go of a garment that is gone', () => {
    const view = open();
    store.filter.set({ ...EVERYBODY, search: 'o', garment: 0, between: [0, 1], sortBy: 0 });
    const anew = (next: SizingView) => {
      store.open(MUSTER);
      http.expectOne(`${SIZINGS}?of=${MUSTER}`).flush([next.progress, view.progress]);
      http.expectOne(`${SIZINGS}/${next.progress.id}`).flush(next);
    };
    const [jacket] = view.sizing.garments;
    const boots = { ...jacket!, chartId: uuidv7(), garment: 'Boots' };
    anew(viewOf({ garments: [boots, jacket] }));
    expect(store.filter()).toEqual({ ...EVERYBODY, search: 'o', garment: 1, between: [0, 1], sortBy: 1 });
    anew(viewOf({ garments: [boots] }));
    expect(store.filter()).toEqual({ ...EVERYBODY, search: 'o' });
    expect(store.earlier()!.id).toBe(view.progress.id);
  });

  it('stand in a table that is walked by keys, and open the docket of whoever has one', async () => {
    open();
    const router = TestBed.inject(Router);
    const went = spyOn(router, 'navigate').and.resolveTo(true);
    const fixture = TestBed.createComponent(SizeTable);
    const host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    fixture.detectChanges();
    await fixture.whenStable();
    await new Promise(requestAnimationFrame);
    fixture.detectChanges();
    expect(host.textContent).toContain('4 of 4 wearers');
    const row = host.querySelectorAll('[data-at]')[1]!;
    expect(row.textContent!.replace(/\s/g, '')).toContain('BoÇelikWardenfromtherecordM70%');
    const press = (key: string) => document.dispatchEvent(new KeyboardEvent('keydown', { key }));
    press('ArrowDown');
    press('Enter');
    expect(went).toHaveBeenCalledOnceWith(['/bench', DOCKETS[1]]);
    press('ArrowDown');
    press('Enter');
    expect(went).withContext('nobody has opened a docket').toHaveBeenCalledTimes(1);
    host.remove();
  });

  it('are totalled by size against the shelves, of those who are shown', () => {
    open();
    const fixture = TestBed.createComponent(SizeTotals);
    fixture.detectChanges();
    http.match('/api/stores/rooms').forEach((one) => one.flush([]));
    fixture.detectChanges();
    const rows = () =>
      [...(fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr')].map((row) =>
        [...row.querySelectorAll('th, td.num')].map((cell) => cell.textContent!.trim()),
      );
    expect(rows()).toEqual([
      ['M', '2', '1.7', '1', '0', '1'],
      ['L', '1', '1.3', '0', '0', '1'],
    ]);
    store.filter.set({ ...EVERYBODY, search: 'Ada' });
    fixture.detectChanges();
    expect(rows()).toEqual([['M', '1', '1.0', '1', '0', '–']]);
    // Of one size another number is kept in reserve.
    fixture.componentInstance['keepSpares'](store.sizing()!.garments[0]!.seriesId, 'M', 3);
    fixture.detectChanges();
    expect(rows()).toEqual([['M', '1', '1.0', '1', '0', '3']]);
    expect((fixture.nativeElement as HTMLElement).textContent).toContain(
      'Of the 1 wearer shown in the table',
    );
  });

  it('are fetched once more when what is short was ordered: it is not ordered twice', () => {
    const view = open();
    const fixture = TestBed.createComponent(SizeTotals);
    fixture.detectChanges();
    http.match('/api/stores/rooms').forEach((one) => one.flush([]));
    const orders = fixture.debugElement.query(By.directive(PlaceOrders)).componentInstance as PlaceOrders;
    expect(orders.wanted().map(({ label, count }) => [label, count])).toEqual([
      ['M', 1],
      ['L', 1],
    ]);
    orders.made.emit(1);
    const { seriesId } = view.stock[0]!;
    const lines = [
      { label: 'M', there: 1, coming: 1 },
      { label: 'L', there: 0, coming: 1 },
    ];
    http.expectOne(`${SIZINGS}/${view.progress.id}`).flush({ ...view, stock: [{ seriesId, lines }] });
    fixture.detectChanges();
    const text = (fixture.nativeElement as HTMLElement).textContent!;
    expect(text).toContain('1 order created.');
    expect([...(fixture.nativeElement as HTMLElement).querySelectorAll('td.num b')].length).toBe(0);
  });

  it('are decided for many at once, of those who can be, and taken back together', () => {
    const view = open();
    store.filter.set({ ...EVERYBODY, garment: 0 });
    const fixture = TestBed.createComponent(DecideMany);
    const host = fixture.nativeElement as HTMLElement;
    const button = (name: RegExp) =>
      [...host.querySelectorAll('button')].find((one) => name.test(one.textContent!.trim()))!;
    fixture.detectChanges();
    // One has no docket, and one is decided.
    expect(host.textContent).toContain('2 wearers of those shown are left out');
    button(/^Decide for 2 wearers$/).click();
    const sent = http.expectOne(sizingDecisionsPath(view.progress.id));
    const body = sent.request.body as { id: string; docketIds: string[]; label: string | null };
    expect([body.docketIds, body.label]).toEqual([[DOCKETS[0]!, DOCKETS[1]!], null]);
    sent.flush({ done: 1, left: [{ docketId: DOCKETS[1], why: 'Sized otherwise by now.' }] });
    fixture.detectChanges();
    expect(host.textContent).toContain('Decided: 1.');
    expect(host.textContent).toContain('Bo Çelik');
    button(/^Undo$/).click();
    http.expectOne(sizingDecisionPath(view.progress.id, body.id)).flush({ done: 1, left: [] });
    fixture.detectChanges();
    expect(host.textContent).toContain('Undone: 1.');
  });
});
