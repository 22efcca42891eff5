import { TestBed } from '@angular/core/testing';
import { docketRunsPath, pathOf, ROUTES } from '@neat-measure/contract';
import { benchFor, onShelf, readingOf, watchCoat } from '../../../testing/watch-coat';
import { forgetDevice, Wire } from '../../../testing/wire';
import { DocketStore } from '../docket-store';
import { HandingStore } from './handing-store';

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
    expect(store.trouble()).toContain('before it was looked at on the wearer');
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
});
