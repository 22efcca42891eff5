import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { docketRunsPath, pathOf, ROUTES } from '@neat-measure/contract';
import { benchFor, onShelf, readingOf, watchCoat } from '../../../testing/watch-coat';
import { forgetDevice, Wire } from '../../../testing/wire';
import { DocketStore } from '../docket-store';
import { HandingStore } from './handing-store';
import { sameSource, takenFrom, WITHOUT_STORES } from './stock/source';

describe('HandingStore', () => {
  beforeEach(forgetDevice);
  afterEach(forgetDevice);

  /** A coat of some kind that was decided in M. */
  function begin(kind: 'jacket' | 'vest' | 'waders') {
    const wire = new Wire([DocketStore, HandingStore]);
    const chart = onShelf({ ...watchCoat(), kind });
    const bench = benchFor(chart, [readingOf('chest-girth', '98'), readingOf('waist-girth', '86')]);
    const store = TestBed.inject(DocketStore);
    store.open(bench.id, () => undefined);
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush(bench);
    wire.http.expectOne(docketRunsPath(bench.id)).flush([]);
    const readingIds = store.docket()!.readings.map((reading) => reading.id);
    const decided = store.does({
      kind: 'garment-decided',
      chartId: chart.id,
      outcome: 'accepted',
      sizes: { size: 'M' },
      reason: null,
      readingIds,
      after: null,
      habits: 0,
      found: null,
    });
    expect(decided).withContext(store.trouble()).toBeTrue();
    return { store, handing: TestBed.inject(HandingStore), id: chart.id };
  }
  const signed = { by: 'name', name: 'Maren Okonjo' } as const;

  it('hands a kind over as the house does, and as it is chosen', () => {
    const { store, handing, id } = begin('waders');
    const [one] = handing.garments();
    expect([one!.way, one!.taken, one!.size]).toEqual(['hired', true, 'M']);
    expect(one!.until).toMatch(/^\d{4}-\d\d-\d\d$/);
    handing.choose(id, { way: 'sold' });
    expect(handing.handOver(signed)).toBeTrue();
    const { way, until } = store.docket()!.handings[0]!;
    expect([way, until]).withContext('only a hire has an end').toEqual(['sold', null]);
    expect(handing.out().length).toBe(1);
    expect(handing.handOver(signed)).withContext('nothing is left').toBeFalse();
  });

  it('says of what must be looked at that it was not, and takes the reason along', () => {
    const { store, handing, id } = begin('vest');
    expect(handing.garments()[0]!.owed).toBeTrue();
    expect(handing.cautions()[0]).toContain('does not certify protection');
    expect(handing.handOver(signed)).toBeFalse();
    expect(store.trouble()).toContain('must be checked on the wearer before handing over');
    handing.choose(id, { untried: ' Posted to the outer station ' });
    expect(handing.handOver(signed)).toBeTrue();
    expect(store.docket()!.handings[0]!.untried).toBe('Posted to the outer station');
  });

  it('takes back with the reason, and leaves out what is not ticked', () => {
    const { handing, id } = begin('jacket');
    handing.choose(id, { taken: false });
    expect(handing.taken()).toEqual([]);
    handing.choose(id, { taken: true });
    handing.handOver(signed);
    expect(handing.takeBack(id, 'tight', null, '', 'stock'))
      .withContext('where?')
      .toBeFalse();
    expect(handing.takeBack(id, 'tight', 'chest', ' ', 'stock')).toBeTrue();
    expect(handing.garments()[0]!.handing!.back).toEqual(
      jasmine.objectContaining({ note: null, area: 'chest' }),
    );
    expect(handing.garments()[0]!.ready).toBeFalse();
  });

  it('hands over nothing of which none is there, unless somebody says where it is from', () => {
    const { store, handing, id } = begin('jacket');
    const roomId = '0198a4c0-0000-7000-8000-000000000001';
    const there = signal<{ roomId: string; room: string; count: number; pieces: never[] }[]>([]);
    const known = signal(false);
    const own = () => ({
      chartId: id,
      label: 'M',
      calledNow: null,
      numbered: false,
      there: there(),
      others: [],
      coming: 0,
      booked: null,
      reserved: null,
      orders: [],
    });
    handing.stock.set({
      known,
      of: () => own(),
      choicesOf: () => [
        ...there().map((one) => ({
          value: { roomId: one.roomId, pieceId: null },
          label: one.room,
          gone: `None is left at ${one.room}.`,
        })),
        { value: WITHOUT_STORES, label: 'not from the stores', gone: '' },
      ],
    });
    expect([handing.looked(), handing.taken().length]).withContext('nobody has answered').toEqual([false, 0]);
    known.set(true);
    expect([handing.garments()[0]!.from, handing.taken().length]).toEqual([null, 0]);
    there.set([{ roomId, room: 'Loft', count: 1, pieces: [] }]);
    expect([handing.garments()[0]!.from, handing.taken().length]).toEqual([{ roomId, pieceId: null }, 1]);
    const attic = '0198a4c0-0000-7000-8000-00000000000f';
    const [loft] = there();
    there.set([{ roomId: attic, room: 'Attic', count: 1, pieces: [] }, loft!]);
    expect(handing.garments()[0]!.from)
      .withContext('what was proposed stays where it is there, whatever is told first')
      .toEqual({ roomId, pieceId: null });
    handing.choose(id, { from: { roomId: attic, pieceId: null } });
    there.set([loft!]);
    expect([handing.garments()[0]!.from, handing.garments()[0]!.gone, handing.taken().length])
      .withContext('what was chosen and is gone is exchanged for nothing else')
      .toEqual([null, 'None is left at Attic.', 1]);
    handing.choose(id, { from: { roomId, pieceId: null } });
    expect(handing.garments()[0]!.gone).toBe('');
    expect(handing.handOver(signed)).toBeTrue();
    expect(store.docket()!.handings[0]!.from).toEqual({ roomId, pieceId: null });
    expect(handing.takeBack(id, 'changed-mind', null, '', 'stock')).toBeTrue();
    expect(store.docket()!.handings[0]!.back!.to).withContext('back to where it was taken from').toBe(roomId);
  });

  it('hires out what was booked for this wearer, for as long as it was booked', () => {
    const { handing, id } = begin('jacket');
    const pieceId = '0198a4c0-0000-7000-8000-000000000002';
    const booked = signal<{ pieceId: string; until: string; label: string; serial: string } | null>(null);
    handing.stock.set({
      known: signal(true),
      of: () => ({
        chartId: id,
        label: 'M',
        calledNow: null,
        numbered: true,
        there: [],
        others: [],
        coming: 0,
        booked: booked(),
        reserved: null,
        orders: [],
      }),
      choicesOf: () => [],
    });
    expect(handing.garments()[0]!.way).toBe('issued');
    booked.set({ pieceId, until: '2026-06-10', label: 'M', serial: 'G1' });
    const [one] = handing.garments();
    expect([one!.way, one!.until]).toEqual(['hired', '2026-06-10']);
    handing.choose(id, { until: '2026-06-08' });
    expect(handing.garments()[0]!.until).withContext('what somebody says goes before it').toBe('2026-06-08');
  });

  it('keeps to the piece that stood there when the days change, and says where it is gone', () => {
    const { handing, id } = begin('jacket');
    const roomId = '0198a4c0-0000-7000-8000-000000000001';
    const told = signal({ label: 'M', serials: ['G2', 'G1'] });
    handing.stock.set({
      known: signal(true),
      of: () => ({
        chartId: id,
        label: told().label,
        calledNow: null,
        numbered: true,
        there: [{ roomId, room: 'Loft', count: told().serials.length, pieces: [] }],
        others: [],
        coming: 0,
        booked: null,
        reserved: null,
        orders: [],
      }),
      choicesOf: () =>
        told().serials.map((serial) => ({
          value: { roomId, pieceId: serial },
          label: serial,
          gone: `${serial} is gone.`,
        })),
    });
    const stands = () => handing.garments().map(({ from, gone }) => [takenFrom(from)?.pieceId, gone])[0];
    expect(stands()).toEqual(['G2', '']);
    // Of other days another comes first: what is in the hand is still the one that stood there.
    told.set({ label: 'M', serials: ['G1', 'G2'] });
    expect(stands()).toEqual(['G2', '']);
    told.set({ label: 'M', serials: ['G1'] });
    expect(stands()).toEqual([undefined, 'G2 is gone.']);
    // In another size it is another piece from the first.
    told.set({ label: 'L', serials: ['G7', 'G8'] });
    expect(stands()).toEqual(['G7', '']);
  });

  it('knows a source again by its room and piece, as the stores tell them in new objects', () => {
    const source = { roomId: 'room', pieceId: 'piece' };
    expect(sameSource(source, { ...source })).toBeTrue();
    expect(sameSource(source, { ...source, pieceId: null })).toBeFalse();
    expect(sameSource(source, WITHOUT_STORES)).toBeFalse();
    expect([sameSource(null, undefined), sameSource(null, WITHOUT_STORES)]).toEqual([true, false]);
    expect([takenFrom(null), takenFrom(WITHOUT_STORES), takenFrom(source)]).toEqual([
      undefined,
      undefined,
      source,
    ]);
  });
});
