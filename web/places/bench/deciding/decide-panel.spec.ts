import { TestBed } from '@angular/core/testing';
import { pathOf, ROUTES } from '@neat-measure/contract';
import { Journal } from '../../../data/journal/journal';
import { benchFor, onShelf, readingOf, watchCoat } from '../../../testing/watch-coat';
import { forgetDevice, Wire } from '../../../testing/wire';
import { DocketStore } from '../docket-store';
import { handleKey } from '../../../parts/shortcuts/keys';
import { CursorStore } from '../measuring/cursor-store';
import { ShelvesHere } from '../shelves/shelves-here';
import { DecidePanel } from './decide-panel';
import { DecidingStore } from './deciding-store';

describe('DecidePanel', () => {
  beforeEach(forgetDevice);
  afterEach(forgetDevice);

  /** Deciding the coat for somebody of whom chest and waist were each read twice, in cm. */
  function decide(chest: string, waist: string) {
    const wire = new Wire([DocketStore, CursorStore, DecidingStore, ShelvesHere]);
    const readings = [
      readingOf('chest-girth', chest),
      readingOf('chest-girth', chest),
      readingOf('waist-girth', waist),
      readingOf('waist-girth', waist),
    ];
    const bench = benchFor(onShelf(watchCoat()), readings);
    const store = TestBed.inject(DocketStore);
    store.open(bench.id, () => undefined);
    wire.http.expectOne(pathOf(ROUTES.dockets, bench.id)).flush(bench);
    const fixture = TestBed.createComponent(DecidePanel);
    fixture.componentRef.setInput('garment', store.garments()[0]);
    fixture.componentRef.setInput('shown', true);
    fixture.componentRef.setInput('count', 1);
    fixture.componentRef.setInput('at', 0);
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const press = (key: string) => {
      const handled = handleKey(
        fixture.componentInstance.commands,
        key,
        new KeyboardEvent('keydown', { key }),
      );
      fixture.detectChanges();
      return handled;
    };
    const journal = TestBed.inject(Journal);
    const sent = () => {
      const act = journal.waiting().at(-1)?.act;
      return act?.kind === 'garment-decided' && act.docketId === bench.id ? act : undefined;
    };
    const proposed = () => host.querySelector('[data-proposed]')!.textContent.trim();
    const chosen = () =>
      host.querySelector('nm-size-choice [data-chosen] > span:last-child')?.firstChild?.textContent?.trim();
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
    expect(host.querySelector('.note:not(.good)')!.textContent).toMatch(/more than chest/);
    expect(host.querySelector('.note:not(.good)')!.textContent).toContain('returns to the reading');
    press('Enter');
    expect(sent()).toBeUndefined();
  });

  it('accepts together what is settled and nothing else, and takes that back', () => {
    const split = decide('98', '93');
    expect(split.press('a')).withContext('a split is looked at by itself').toBeFalse();
    const { press, sent } = decide('98', '86');
    expect(press('u')).withContext('nothing to take back yet').toBeFalse();
    press('a');
    expect(sent()).toEqual(jasmine.objectContaining({ outcome: 'accepted', sizes: { size: 'M' } }));
    const accepted = sent()!.id;
    press('u');
    expect(sent()).toEqual(
      jasmine.objectContaining({ outcome: 'later', reason: 'Taken back', after: accepted }),
    );
  });

  it('puts a garment off', () => {
    const { press, sent } = decide('98', '93');
    press('l');
    expect(sent()).toEqual(jasmine.objectContaining({ outcome: 'later', reason: null }));
  });
});
