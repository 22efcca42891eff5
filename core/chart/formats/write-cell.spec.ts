import fc from 'fast-check';
import { micrometres, parseCell, WORKING_UNITS, writeCell, type Cell } from '../../testing/all';

const edge = fc.constantFrom('printed', 'closed', 'open');
const at = fc.integer({ min: -3_000_000, max: 99_999_999 }).map(micrometres);
const bound = fc.option(fc.record({ at, edge }));
const cell: fc.Arbitrary<Cell> = fc.oneof(
  fc.record({ kind: fc.constant('nominal' as const), at }),
  fc.record({ kind: fc.constant('interval' as const), lower: bound, upper: bound }).map((one) => {
    const { lower, upper } = one;
    // What is upside down, or holds nothing, is refused by its reader and written all the same.
    if (lower === null || upper === null || lower.at < upper.at) return one;
    return lower.at === upper.at ? { ...one, upper: null } : { ...one, lower: upper, upper: lower };
  }),
);

describe('writeCell', () => {
  it('writes every cell so that it is read again as it was, in every unit', () => {
    fc.assert(
      fc.property(cell, fc.constantFrom(...WORKING_UNITS), (one, unit) => {
        expect(parseCell(writeCell(one, unit), unit)).toEqual({ ok: true, value: one });
      }),
      { numRuns: 3_000 },
    );
  });

  it('writes ends of every kind as people read them', () => {
    const written = (text: string) => {
      const read = parseCell(text, 'cm');
      return read.ok ? writeCell(read.value, 'cm') : read.problem.code;
    };
    for (const text of [
      '86-90',
      '>=86 <90',
      '86-<90',
      '>86-90',
      '86-<=90',
      '86-*',
      '*-90',
      '*',
      '<82',
      '>=130',
      '90',
      '(-3)-2',
    ])
      expect(written(text)).withContext(text).toBe(text);
    expect(written('-82')).withContext('up to 82, or below nothing?').toBe('unreadable');
    expect(written('86 to 90')).toBe('86-90');
    expect(written('>90-86')).toBe('upside-down');
    expect(written('90-90')).toBe('empty-interval');
    expect(written('>=90 <=90')).toBe('>=90 <=90');
    expect(written('>=90 <90')).toBe('empty-interval');
  });
});
