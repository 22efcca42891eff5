import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { pathOf, ROUTES, type DecisionSave } from '@neat-measure/contract';
import { benchFor, onShelf, watchCoat } from '../../testing/watch-coat';
import { asTaken } from './bench-view';
import { BenchStore } from './bench-store';
import { DecidePanel } from './decide-panel';
import { toReading } from './taken';

describe('DecidePanel', () => {
  beforeEach(() => localStorage.clear());
  afterEach(() => localStorage.clear());

  /** Deciding the coat for somebody of whom chest and waist were each read twice, in cm. */
  function decide(chest: string, waist: string) {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), BenchStore],
    });
    const bench = benchFor(onShelf(watchCoat()));
    const way = { tension: 'skin', clothing: 'close-fitting', instrument: 'tape' } as const;
    const readings = (['chest-girth', 'waist-girth'] as const).flatMap((code) => {
      const typed = code === 'chest-girth' ? chest : waist;
      return ['a', 'b'].flatMap((nth) =>
        asTaken(`${code}-${nth}`, toReading(bench.docket.id, code, { typed, unit: 'cm' }, way)),
      );
    });
    const http = TestBed.inject(HttpTestingController);
    const store = TestBed.inject(BenchStore);
    store.open(bench.docket.id);
    // Ids as the server's.
    const kept = readings.map((one, at) => ({
      ...one,
      id: `01900000-0000-7000-8000-00000000000${at}`,
      fitterId: bench.wearer.id,
    }));
    http.expectOne(pathOf(ROUTES.dockets, bench.docket.id)).flush({ ...bench, readings: kept });
    const fixture = TestBed.createComponent(DecidePanel);
    fixture.componentRef.setInput('garment', store.garments()[0]);
    fixture.componentRef.setInput('count', 1);
    fixture.componentRef.setInput('at', 0);
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const press = (key: string) => {
      const handled = fixture.componentInstance.onKey(key, new KeyboardEvent('keydown', { key }));
      fixture.detectChanges();
      return handled;
    };
    const sent = () => {
      const [request] = http.match(({ url }) => url.startsWith(ROUTES.decisions));
      return request?.request.body as DecisionSave | undefined;
    };
    const proposed = () => host.querySelector('[data-proposed]')!.textContent.trim();
    const chosen = () =>
      host.querySelector<HTMLInputElement>('nm-size-choice input:checked')?.parentElement?.textContent.trim();
    return { host, press, sent, proposed, chosen };
  }

  it('accepts the proposal with one key, on the readings that were seen', () => {
    const { press, sent, proposed } = decide('98', '86');
    expect(proposed()).toBe('M');
    expect(press('Enter')).toBeTrue();
    const decision = sent()!;
    expect(decision).toEqual(jasmine.objectContaining({ outcome: 'accepted', sizes: { size: 'M' } }));
    expect(decision.readingIds.length).toBe(4);
  });

  it('offers the size above and below, and takes neither without a reason', () => {
    const { host, press, sent, chosen } = decide('98', '86');
    press('ArrowUp');
    expect(chosen()).toBe('L');
    press('Escape');
    expect(host.querySelector('nm-size-choice')).toBeNull();
    press('ArrowDown');
    expect(chosen()).toBe('S');
    expect(press('Enter')).withContext('the choice has its own keys').toBeFalse();
    expect(sent()).toBeUndefined();
  });

  it('starts another size of a split from what the other measurement says', () => {
    const { press, proposed, chosen } = decide('98', '93');
    expect(proposed()).toBe('L');
    press('o');
    expect(chosen()).toBe('M');
  });

  it('accepts nothing beyond the range, names what the maker needs, and starts from the nearest size', () => {
    for (const [chest, waist, nearest] of [
      ['80', '70', 'S'],
      ['120', '96', undefined],
    ] as const) {
      const { host, press, sent, proposed, chosen } = decide(chest, waist);
      expect(proposed()).toBe('made to measure');
      expect(host.textContent).toContain(
        `Made to measure needs: chest ${chest} cm, natural waist ${waist} cm.`,
      );
      press('Enter');
      expect(sent()).withContext(`chest ${chest}`).toBeUndefined();
      if (nearest !== undefined) {
        press('o');
        expect(chosen()).toBe(nearest);
        press('Escape');
      }
      press('m');
      expect(sent()).toEqual(jasmine.objectContaining({ outcome: 'made-to-measure', reason: null }));
    }
  });

  it('says why a garment is suspect, and where to go from there', () => {
    const { host, press, sent } = decide('90', '97');
    expect(host.querySelector('.doubts')!.textContent).toMatch(/more than chest/);
    expect(host.querySelector('.doubts')!.textContent).toContain('goes back to the tape');
    press('Enter');
    expect(sent()).toBeUndefined();
  });

  it('puts a garment off', () => {
    const { press, sent } = decide('98', '93');
    press('l');
    expect(sent()).toEqual(jasmine.objectContaining({ outcome: 'later', reason: null }));
  });
});
