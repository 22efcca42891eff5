import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { lostAWhile } from './lost-a-while';

describe('what others do and is not heard', () => {
  beforeEach(() => jasmine.clock().install());
  afterEach(() => jasmine.clock().uninstall());

  it('is said once it lasts, and not while the whole page says that the server is away', () => {
    const [lost, away] = [signal(false), signal(false)];
    const said = TestBed.runInInjectionContext(() => lostAWhile(lost, away));
    const passes = (ms: number) => {
      TestBed.tick();
      jasmine.clock().tick(ms);
      return said();
    };
    expect(passes(60_000)).toBeFalse();
    lost.set(true);
    expect(passes(4_000)).toBeFalse();
    expect(passes(2_000)).toBeTrue();
    lost.set(false);
    expect(passes(0)).toBeFalse();
    // A stream that comes and goes is never lost for long.
    for (let times = 0; times < 5; times += 1) {
      lost.set(true);
      expect(passes(3_000)).toBeFalse();
      lost.set(false);
      expect(passes(3_000)).toBeFalse();
    }
    away.set(true);
    lost.set(true);
    expect(passes(60_000)).toBeFalse();
    away.set(false);
    expect(passes(4_000)).toBeFalse();
    expect(passes(2_000)).toBeTrue();
  });
});
