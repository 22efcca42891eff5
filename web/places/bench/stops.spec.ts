import { SHIPPED_PROTOCOLS } from '@neat-measure/contract';
import { planOf } from '@neat-measure/contract';
import { stopsOf } from './stops';

const protocol = (id: string) => SHIPPED_PROTOCOLS.find((one) => one.id === id)!;
const keys = (...ids: string[]) =>
  stopsOf(planOf({ charts: [], protocols: ids.map(protocol), docket: { extraCodes: [] } })).map(
    ({ key }) => key,
  );

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
});
