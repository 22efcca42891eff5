import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { SessionService } from '../../data/session-service';
import { DocketStore } from './docket-store';
import { changedJustNow } from './just-now';

describe('changedJustNow', () => {
  const [own, other] = [
    { id: 'odalys', name: 'Odalys Wren' },
    { id: 'tiernan', name: 'Tiernan Oakes' },
  ];
  const lastHand = signal<typeof own | null>(null);
  const size = signal('');

  function watched() {
    lastHand.set(own);
    size.set('');
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        { provide: DocketStore, useValue: { lastHand } },
        { provide: SessionService, useValue: { fitter: signal(own) } },
      ],
    });
    const ask = TestBed.runInInjectionContext(() => changedJustNow(() => size()));
    TestBed.tick();
    size.set('M');
    TestBed.tick();
    return ask;
  }
  beforeEach(() => jasmine.clock().install().mockDate());
  afterEach(() => jasmine.clock().uninstall());

  it('names who has changed what was about to be answered, for as long as nobody can have looked', () => {
    const ask = watched();
    expect(ask()).withContext('it came to be seen').toBeNull();
    lastHand.set(other);
    size.set('L');
    expect(ask()).withContext('before it is drawn').toBe('Tiernan Oakes');
    TestBed.tick();
    expect(ask()).toBe('Tiernan Oakes');
    jasmine.clock().tick(800);
    expect(ask()).withContext('it was there to be looked at').toBeNull();
  });

  it('names nobody where one’s own hand has changed it, or another has done something else', () => {
    const ask = watched();
    size.set('L');
    TestBed.tick();
    expect(ask()).toBeNull();
    lastHand.set(other);
    TestBed.tick();
    expect(ask()).toBeNull();
  });
});
