import { measurement, planSteps } from '../index';

describe('planSteps', () => {
  it('takes each measurement once, and each stance together', () => {
    const steps = planSteps([
      'notch-to-belt-seated',
      'chest-girth',
      'nape-to-belt',
      'waist-girth',
      'chest-girth',
      'foot-length-left',
      'height',
    ]);
    expect(steps.length).toBe(6);
    const stances = steps.map((code) => measurement(code).stance);
    expect(stances).toEqual([...stances].sort((a, b) => stances.indexOf(a) - stances.indexOf(b)));
    expect(stances).toEqual(['standing', 'standing', 'standing', 'turned', 'seated', 'on-paper']);
  });
});
