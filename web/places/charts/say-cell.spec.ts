import { cm, type Cell } from '@neat-measure/core';
import { sayColumn } from './say-cell';

describe('sayColumn', () => {
  const at = (value: number): Cell => ({ kind: 'nominal', at: cm(value) });
  const range = (from: number, to: number): Cell => ({
    kind: 'interval',
    lower: { at: cm(from), edge: 'closed' },
    upper: { at: cm(to), edge: 'open' },
  });

  it('writes all numbers of a column to the same place', () => {
    expect(sayColumn([at(66), at(68.6)], 'cm')).toEqual(['66.0', '68.6']);
    expect(sayColumn([range(88, 92.5), range(92.5, 97)], 'cm')).toEqual(['88.0 – 92.5', '92.5 – 97.0']);
  });

  it('leaves whole numbers and fractions as they are', () => {
    expect(sayColumn([at(66), at(70)], 'cm')).toEqual(['66', '70']);
    expect(sayColumn([at(76.2), at(77.47)], 'in/8')).toEqual(['30', '30 1/2']);
  });
});
