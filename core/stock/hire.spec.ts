import fc from 'fast-check';
import { addDays } from '../words/days';
import { freeAfter, freePieces, isFree, lateBy, refuseDays, type Booking } from './hire';

describe('the days of a hire', () => {
  const booked = (from: string, until: string, drying = 2): Booking => ({
    pieceId: 'a',
    from,
    until,
    free: freeAfter(until, drying),
  });

  it('last until it is clean and dry', () => {
    expect(freeAfter('2026-06-10', 0)).toBe('2026-06-11');
    expect(freeAfter('2026-06-10', 2)).toBe('2026-06-13');
  });

  it('touch without meeting', () => {
    const there = [booked('2026-06-10', '2026-06-12')];
    expect(isFree(there, { from: '2026-06-15', free: '2026-06-20' })).toBeTrue();
    expect(isFree(there, { from: '2026-06-14', free: '2026-06-20' }))
      .withContext('still drying')
      .toBeFalse();
    expect(isFree(there, { from: '2026-06-05', free: '2026-06-10' })).toBeTrue();
    expect(isFree(there, { from: '2026-06-05', free: '2026-06-11' }))
      .withContext('would not be dry by then')
      .toBeFalse();
    expect(isFree(there, { from: '2026-06-01', free: '2026-07-01' })).toBeFalse();
  });

  it('are refused where they end before they begin, or last a year', () => {
    expect(refuseDays('2026-06-10', '2026-06-10')).toBeNull();
    expect(refuseDays('2026-06-10', '2026-06-09')).toBe('ends-before');
    expect(refuseDays('2026-06-10', '2062-06-12')).toBe('too-long');
  });

  it('tell how late something is', () => {
    expect(lateBy('2026-06-10', '2026-06-10')).toBe(0);
    expect(lateBy('2026-06-10', '2026-06-08')).toBe(0);
    expect(lateBy('2026-06-10', '2026-06-13')).toBe(3);
  });

  it('never hold one piece twice on a day, however they are booked one after the other', () => {
    const hire = fc.record({ start: fc.nat(40), days: fc.nat(6), drying: fc.nat(3) });
    fc.assert(
      fc.property(fc.array(hire, { maxLength: 30 }), (hires) => {
        const pieces = [{ id: 'a' }, { id: 'b' }];
        const done: Booking[] = [];
        for (const { start, days, drying } of hires) {
          const [from, until] = [addDays('2026-06-01', start), addDays('2026-06-01', start + days)];
          const [free] = freePieces(pieces, done, { from, until }, drying);
          if (free !== undefined)
            done.push({ pieceId: free.id, from, until, free: freeAfter(until, drying) });
        }
        for (const { id } of pieces)
          for (let day = 0; day < 60; day++) {
            const on = addDays('2026-06-01', day);
            const held = done.filter((one) => one.pieceId === id && one.from <= on && on < one.free);
            if (held.length > 1) return false;
          }
        return true;
      }),
    );
  });
});
