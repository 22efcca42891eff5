import {
  allowedDifference,
  formatLength,
  inches,
  micrometres,
  settleReadings,
  type Agreement,
} from '../index';

const settle = (...readings: number[]): Agreement => settleReadings('chest-girth', readings.map(inches));

describe('settleReadings', () => {
  it('allows twice the error times root two', () => {
    // 2 x 1.41421 x 7 mm = 19.798 mm.
    expect(allowedDifference('chest-girth') as number).toBe(19_798);
    expect(formatLength(allowedDifference('chest-girth'), 'in/8')).toBe('3/4 in');
  });

  it('goes on with one, and takes the mean of two that agree', () => {
    expect(settle()).toEqual({ state: 'none', value: null });
    expect(settle(41.5)).toEqual({ state: 'one', value: inches(41.5) });
    expect(settle(41.5, 41.25)).toEqual(
      jasmine.objectContaining({ state: 'agreed', value: inches(41.375), difference: inches(0.25) }),
    );
  });

  it('wants a third where two disagree, and takes the median', () => {
    expect(settle(41, 43).state).toBe('third-wanted');
    expect(settle(41, 43, 42.75)).toEqual(
      jasmine.objectContaining({ state: 'agreed', value: inches(42.75) }),
    );
    expect(settle(41, 43, 41.25)).toEqual(
      jasmine.objectContaining({ state: 'agreed', value: inches(41.25) }),
    );
  });

  it('has no value while three disagree, and can be settled by reading again', () => {
    expect(settle(38, 40, 42)).toEqual(jasmine.objectContaining({ state: 'disagree', value: null }));
    expect(settle(38, 40, 42, 42.25)).toEqual(
      jasmine.objectContaining({ state: 'agreed', value: inches(42) }),
    );
  });
});

describe('what is just allowed', () => {
  it('agrees, two of two and two of three; a micrometre more does not', () => {
    const allowed = allowedDifference('chest-girth');
    const state = (...readings: number[]) => settleReadings('chest-girth', readings.map(micrometres)).state;
    expect(state(980_000, 980_000 + allowed)).toBe('agreed');
    expect(state(980_000, 980_001 + allowed)).toBe('third-wanted');
    expect(state(980_000, 980_000 + allowed, 1_200_000)).toBe('agreed');
    expect(state(980_000, 980_001 + allowed, 1_200_000)).toBe('disagree');
  });
});
