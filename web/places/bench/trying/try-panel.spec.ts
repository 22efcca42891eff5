import { TestBed } from '@angular/core/testing';
import { docketRunsPath, pathOf, ROUTES } from '@neat-measure/contract';
import { docketShelvesPath, type DocketShelves } from '@neat-measure/contract/stores';
import { subjectOf, type Act, type ChartSheet, type Doing } from '@neat-measure/core';
import { Subject } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { DocketService, type Heard } from '../../../data/docket-service';
import { Journal } from '../../../data/journal/journal';
import { handleKey } from '../../../parts/shortcuts/keys';
import { actOn, benchFor, keptAct, onShelf, readingOf, watchCoat } from '../../../testing/watch-coat';
import { forgetDevice, Wire } from '../../../testing/wire';
import { DocketStore } from '../docket-store';
import { ShelvesHere } from '../shelves/shelves-here';
import { TryingStore } from './trying-store';
import { TryPanel } from './try-panel';

describe('TryPanel', () => {
  beforeEach(forgetDevice);
  afterEach(forgetDevice);

  /** A coat of some kind that was proposed in M, on its way onto somebody. */
  function begin(
    kind: 'jacket' | 'vest' | 'trousers' = 'jacket',
    sizes: DocketShelves[number]['sizes'] = [],
    other: ChartSheet | null = null,
  ) {
    const wire = new Wire([DocketStore, TryingStore, ShelvesHere]);
    const readings = ['98', '98'].map((one) => readingOf('chest-girth', one));
    const waists = ['86', '86'].map((one) => readingOf('waist-girth', one));
    const more = other === null ? [] : [onShelf(other)];
    const asked = more.map(({ id }): Doing => ({ kind: 'garment-asked', chartId: id }));
    const chart = onShelf({ ...watchCoat(), kind });
    const bench = benchFor(chart, [...asked, ...readings, ...waists], { charts: [chart, ...more] });
    const heard = new Subject<Heard>();
    (TestBed.inject(DocketService).hear as jasmine.Spy).and.returnValue(heard);
    const store = TestBed.inject(DocketStore);
    store.open(bench.id, () => undefined);
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush(bench);
    wire.http.expectOne(docketRunsPath(bench.id)).flush([]);
    const fixture = TestBed.createComponent(TryPanel);
    fixture.detectChanges();
    const shelves = wire.http.expectOne(docketShelvesPath(bench.id));
    shelves.flush(sizes.length === 0 ? [] : [{ chartId: bench.charts[0]!.id, sizes }]);
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const press = (...keys: readonly string[]) => {
      const handled = keys.map((key) => {
        const done = handleKey(
          fixture.componentInstance.commands,
          key,
          new KeyboardEvent('keydown', { key }),
        );
        fixture.detectChanges();
        return done;
      });
      return handled.at(-1);
    };
    const acts = () =>
      TestBed.inject(Journal)
        .waiting()
        .map(({ act }) => act)
        .filter((act): act is Act => subjectOf(act) === bench.id);
    const text = () => host.textContent.replace(/\s+/g, ' ');
    const write = (words: string) => {
      const field = host.querySelector<HTMLInputElement>('#why')!;
      field.value = words;
      field.dispatchEvent(new Event('input'));
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      fixture.detectChanges();
    };
    /** Somebody else puts a size on, and the server tells. */
    const theirs = (size: string) => {
      const tiernan = { id: uuidv7(), name: 'Tiernan Oake' };
      const chartId = store.docket()!.garments[0]!.chartId;
      const tried: Doing = {
        kind: 'garment-tried',
        chartId,
        sizes: { size },
        carrier: null,
        found: { size },
      };
      for (const act of [...acts(), actOn(bench.id, tried, tiernan)]) heard.next({ kept: keptAct(act) });
      fixture.detectChanges();
    };
    return { host, press, acts, text, write, theirs };
  }

  it('puts garments on in the order in which they are worn, whatever they were asked for in', () => {
    const pier = { ...watchCoat(), kind: 'jacket', garment: 'Pier jacket' } as const;
    const { host, press } = begin('trousers', [], pier);
    const trying = TestBed.inject(TryingStore);
    const head = () => host.querySelector('header')!.textContent.replace(/\s+/g, ' ').trim();
    expect(head()).toMatch(/^Trying on · 2 of 2 ?Watch coat/);
    press('ArrowRight');
    expect(head()).toMatch(/^Trying on · 1 of 2 ?Pier jacket/);
    press('ArrowLeft');
    // Both are on: it is begun with the jacket, and once that is kept the trousers are next.
    press('Enter', 'ArrowLeft', 'Enter');
    trying.begin(0);
    TestBed.tick();
    expect(head()).toMatch(/^Trying on · 1 of 2 ?Pier jacket/);
    press('a', 'Enter');
    expect(head()).toMatch(/^Trying on · 2 of 2 ?Watch coat/);
    press('a', 'Enter');
    trying.begin(1);
    expect(trying.at()).withContext('nothing is left to try').toBe(1);
  });

  it('puts nothing on that is on no shelf, before somebody says that it is here', () => {
    const [m, l] = ['M', 'L'].map((label) => ({ label, count: label === 'M' ? 0 : 2, coming: 3 }));
    const { press, acts, text, host } = begin('jacket', [m!, l!]);
    expect(text()).toContain('None of M is in stock. 3 on order. There: 2 of L.');
    press('Enter', 'Enter');
    expect([acts(), host.querySelector('[role=alert]')?.textContent]).toEqual([
      [],
      jasmine.stringContaining('None of M is in stock to try on.'),
    ]);
    press('y');
    expect(acts().map(({ kind }) => kind)).toEqual(['garment-tried']);
    expect(text()).not.toContain('None of M');
  });

  it('puts on in its place what is there', () => {
    const { press, acts, host } = begin('jacket', [{ label: 'L', count: 2, coming: 0 }]);
    press('Enter');
    [...host.querySelectorAll('button')].find((one) => one.textContent.includes('Put on L'))!.click();
    expect(acts().map((act) => act.kind === 'garment-tried' && act.sizes)).toEqual([{ size: 'L' }]);
  });

  it('puts the proposal on, asks check by check, and keeps it where all is right', () => {
    const { press, acts, text } = begin();
    expect(text()).toContain('Put on M');
    press('Enter');
    expect(text()).toContain('Closed at the middle button');
    press('Enter', 'ArrowDown', 'ArrowUp');
    expect(text()).toContain('The lapels lie flat');
    press('a');
    expect(text()).toContain('Nothing is wrong with M.');
    press('Enter');
    expect(text()).toContain('Kept: M.');
    expect(acts().map(({ kind }): string => kind)).toEqual([
      'garment-tried',
      ...Array.from({ length: 5 }, () => 'fit-checked'),
      'garment-fitted',
    ]);
  });

  it('leads to the next size, says what was wrong with the one before, and asks why where it is kept so', () => {
    const { press, acts, text, write } = begin();
    press('Enter', '1', 'a');
    expect(text()).toContain('Try L: a size up.');
    expect(text()).toMatch(/By readings and fitting: *[ML] \d+ %/);
    press('Enter');
    expect(text()).toContain('M was on: it pulls at the button.');
    press('2', 'a', 'k');
    expect(text()).toContain('Why is this size kept?');
    expect(press('k')).withContext('no key while something is asked').toBeFalse();
    write('');
    expect(text()).toContain('Enter a reason');
    write('The wearer wants it so');
    expect(text()).toContain('Kept: L. The wearer wants it so.');
    expect(acts().at(-1)).toEqual(jasmine.objectContaining({ kind: 'garment-fitted', outcome: 'kept' }));
  });

  it('keeps by Enter nothing that is not right: what is done is chosen, or noted as altered', () => {
    const { press, acts, text } = begin();
    // M pulls and L hangs like a box: the larger, altered. Enter goes to what is altered and keeps nothing.
    press('Enter', '1', 'a', 'Enter', '2', 'a');
    expect(text()).toContain('Note what is altered');
    const before = acts().length;
    press('Enter');
    expect(acts().length).toBe(before);
  });

  it('keeps no panel by Enter that leaves somebody bare, and says what may be done', () => {
    const { press, acts, text } = begin('vest');
    press('Enter', 'a');
    // Whatever is answered wrong at the first check that must be seen, with nothing left to be put on.
    for (let at = 0; at < 12 && !/By tape and trial|No other size|Put on/.test(text()); at++) press('1', 'a');
    const before = acts().filter(({ kind }) => kind === 'garment-fitted').length;
    press('Enter');
    expect(acts().filter(({ kind }) => kind === 'garment-fitted').length).toBe(before);
  });

  it('leaves out a required check with a reason alone, and answers none of it with the rest', () => {
    const { press, acts, text, write } = begin('vest');
    expect(text()).toContain('Outer carrier');
    press('Enter', 'a');
    expect(text()).toContain('Seated: that gap just closes');
    press('x');
    expect(acts().at(-1)!.kind).toBe('fit-checked');
    const before = acts().length;
    write('The chair is broken');
    expect(acts().length).toBe(before + 1);
    expect(acts().at(-1)).toEqual(jasmine.objectContaining({ answer: null, reason: 'The chair is broken' }));
    expect(text()).toContain('The sides overlap');
    press('Enter', 'Enter');
    expect(text()).toContain('skipped: The chair is broken');
  });

  it('takes no answer in the moment in which somebody else has put another size on', () => {
    jasmine.clock().install().mockDate(new Date('2026-05-04T08:00:00Z'));
    try {
      const { press, acts, text, theirs } = begin();
      press('Enter');
      theirs('L');
      expect(text()).toContain('M was on: nothing was wrong');
      press('Enter');
      expect(acts().map(({ kind }): string => kind)).toEqual(['garment-tried']);
      jasmine.clock().mockDate(new Date('2026-05-04T08:00:01Z'));
      press('Enter');
      expect(acts().at(-1)!.kind).toBe('fit-checked');
    } finally {
      jasmine.clock().uninstall();
    }
  });

  it('opens again what it came to, and takes another size', () => {
    const { host, press, text } = begin();
    press('Enter', 'a', 'Enter');
    expect(press('k')).withContext('kept already').toBeFalse();
    press('e');
    expect(text()).toContain('Nothing is wrong with M.');
    press('o');
    expect(host.querySelector('nm-size-choice')).not.toBeNull();
    press('Escape');
    expect(host.querySelector('nm-size-choice')).toBeNull();
  });
});
