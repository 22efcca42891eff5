import {
  cm,
  codesOfCoverage,
  partCoverage,
  valueIn,
  type Length,
  type MeasurementCode,
} from '../../testing/all';
import { compiledOf } from '../../testing/charts';

describe('partCoverage', () => {
  const chart = compiledOf('size,chest-girth (cm),waist-girth (cm)\nS,86-94,74-82\nM,94-102,84-92');
  const bodies = (
    [
      [90, 78],
      [90, 83],
      [90, 88],
      [110, 88],
      [90, null],
    ] as const
  ).map(
    ([chest, waist]) =>
      new Map<MeasurementCode, Length>([
        ['chest-girth', cm(chest)],
        ...(waist === null ? [] : [['waist-girth', cm(waist)] as const]),
      ]),
  );

  it('says how each body is held, by everything that decides, and by what', () => {
    const covered = partCoverage(chart, 'size', bodies);
    expect(covered.map(({ held }) => held)).toEqual(['inside', 'between', 'between', 'outside', 'unknown']);
    const columns = [{ code: 'chest-girth' }, { code: 'waist-girth' }] as const;
    expect(valueIn(covered[0]!, columns, 'waist-girth')).toBe(cm(78));
    expect(valueIn(covered[4]!, columns, 'waist-girth')).toBeNull();
    expect(valueIn(covered[0]!, columns, 'height')).toBeNull();
    expect(codesOfCoverage(chart)).toEqual(['chest-girth', 'waist-girth']);
  });

  it('goes on past one round', () => {
    const many = Array.from({ length: 2_500 }, (_, at) => bodies[at % bodies.length]!);
    const covered = partCoverage(chart, 'size', many);
    expect(covered.length).toBe(2_500);
    expect(covered.filter(({ held }) => held === 'inside').length).toBe(500);
  });
});
