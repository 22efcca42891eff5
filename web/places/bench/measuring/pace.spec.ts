import { readingOf } from '../../../testing/watch-coat';
import { minutesLeft, paceOf } from './pace';
import type { Step } from '@neat-measure/core';

describe('the pace of a fitter', () => {
  /** Steps whose readings came after so many seconds each. */
  const steps = (...seconds: number[]): Step[] => {
    let at = Date.parse('2026-05-04T09:00:00Z');
    const readings = seconds.map((gap) => ({
      ...readingOf('chest-girth', '98'),
      takenAt: new Date((at += gap * 1_000)).toISOString(),
    }));
    return [{ readings } as unknown as Step];
  };

  it('is shown by a docket once enough was read, pauses left out', () => {
    expect(paceOf([])).toBeNull();
    expect(paceOf(steps(0, 60, 60))).toBeNull();
    expect(paceOf(steps(0, 60, 60, 60, 60))).toBe(60_000);
    expect(paceOf(steps(0, 10, 10, 2_000, 10, 10, 10))).toBe(10_000);
  });

  it('is never faster than hands are, whatever keys are', () => {
    const pace = paceOf(steps(0, 1, 1, 1, 1, 1));
    expect(minutesLeft(114, pace)).toBe(7);
  });

  it('says how long the rest takes: a usual pace until one is known, and never no time', () => {
    expect(minutesLeft(166, null)).toBe(22);
    expect(minutesLeft(6, 60_000)).toBe(6);
    expect(minutesLeft(2, null)).toBe(1);
    expect(minutesLeft(0, null)).toBe(0);
  });
});
