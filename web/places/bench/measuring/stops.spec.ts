import { SHIPPED_PROTOCOLS } from '@neat-measure/contract';
import { planOf, UNSETTLED } from '@neat-measure/core';
import { stepBefore, stopsOf } from './stops';

const stops = (...protocolIds: string[]) =>
  stopsOf(
    planOf(
      { garments: [], protocolIds, extraCodes: [], clothing: {}, tension: {}, waist: null },
      { charts: [], protocols: SHIPPED_PROTOCOLS, habits: UNSETTLED },
    ),
  );
const keys = (...ids: string[]) => stops(...ids).map(({ key }) => key);

describe('the stops of a docket', () => {
  it('begin with preparing, announce each change of stance, and end with deciding', () => {
    expect(keys('vest-c')).toEqual([
      'prepare',
      'chest-girth',
      'abdominal-girth',
      'notch-to-belt-standing',
      'stance:turned',
      'nape-to-belt',
      'stance:seated',
      'notch-to-belt-seated',
      'decide',
    ]);
  });

  it('take what two protocols share once, and leave out what is on demand', () => {
    const both = keys('vest-c', 'uniform-intake');
    expect(both.filter((key) => key === 'chest-girth').length).toBe(1);
    expect(both).not.toContain('waist-to-knee');
  });

  it('know the measurement before each, past a change of stance', () => {
    const all = stops('vest-c');
    const before = (key: string) => stepBefore(all, all.find((stop) => stop.key === key)!);
    expect(before('prepare')).toBeNull();
    expect(before('chest-girth')).toBeNull();
    expect(before('stance:seated')).toBe('nape-to-belt');
    expect(before('decide')).toBe('notch-to-belt-seated');
  });
});
