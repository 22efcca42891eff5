import { readingOf } from '../../../testing/watch-coat';
import { minutesLeft } from './pace';
import type { Step } from './steps';

describe('minutesLeft', () => {
  /** Steps whose readings came after so many seconds each. */
  const steps = (...seconds: number[]): Step[] => {
    let at = Date.parse('2026-05-04T09:00:00Z');
    const readings = seconds.map((gap) => ({
      ...readingOf('chest-girth', '98'),
      takenAt: new Date((at += gap * 1_000)).toISOString(),
    }));
    return [{ readings } as unknown as Step];
  };

  it('goes by a usual pace until this docket shows its own', () => {
    expect(minutesLeft([], 6)).toBe(2);
    expect(minutesLeft(steps(0, 60, 60), 6)).toBe(2);
    expect(minutesLeft(steps(0, 60, 60, 60, 60), 6)).toBe(6);
  });

  it('leaves out pauses, and never says that what is left takes no time', () => {
    expect(minutesLeft(steps(0, 10, 10, 2_000, 10, 10, 10), 12)).toBe(2);
    expect(minutesLeft(steps(0, 1, 1, 1, 1, 1), 2)).toBe(1);
    expect(minutesLeft(steps(0, 60, 60, 60, 60), 0)).toBe(0);
  });
});
