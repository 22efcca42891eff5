import {
  cm,
  commonSizes,
  onlyPart,
  place,
  propose,
  standing,
  type CompiledPart,
  type FitPreference,
  type HouseRule,
} from '../index';
import { compiledOf } from '../testing/charts';

/** Chest and waist; a gap in the waist between M and L, an overlap in the chest between L and XL. */
const TABLE =
  'size,chest-girth (cm),waist-girth (cm)\nS,86-94,74-82\nM,94-102,82-88\nL,102-112,92-98\nXL,110-118,98-106';

describe('propose', () => {
  const part = (rule: HouseRule, changes: Partial<CompiledPart> = {}): CompiledPart => ({
    ...onlyPart(compiledOf(TABLE, { rule, key: 'waist-girth' })),
    ...changes,
  });
  const placed = (chest: number, waist: number) => {
    const [first, second] = part('closest').deciding;
    return [place(first!, cm(chest)), place(second!, cm(waist))];
  };
  const size = (
    rule: HouseRule,
    chest: number,
    waist: number,
    preference: FitPreference = 'regular',
    changes: Partial<CompiledPart> = {},
  ) => {
    const proposed = propose(part(rule, changes), placed(chest, waist), preference);
    return proposed === null ? null : part(rule).sizes[proposed];
  };

  it('takes the one size that holds everything, whatever the rule', () => {
    for (const rule of ['widest-decides', 'key-decides', 'closest'] as const)
      expect(size(rule, 98, 85))
        .withContext(rule)
        .toBe('M');
  });

  it('lets the widest decide: in a gap the upper, below the range the smallest, above it none', () => {
    expect(size('widest-decides', 88, 85)).toBe('M');
    expect(size('widest-decides', 98, 90)).toBe('L');
    expect(size('widest-decides', 60, 70)).toBe('S');
    expect(size('widest-decides', 120, 85)).toBeNull();
    expect(size('widest-decides', 98, 110)).toBeNull();
  });

  it('lets the key decide alone, its gap by what the wearer likes or by the nearer bound', () => {
    expect(size('key-decides', 117, 85)).toBe('M');
    expect(size('key-decides', 98, 89.9, 'close')).toBe('M');
    expect(size('key-decides', 98, 88.1, 'roomy')).toBe('L');
    expect([89, 90, 91].map((waist) => size('key-decides', 98, waist))).toEqual(['M', 'L', 'L']);
    expect(size('key-decides', 98, 70)).toBe('S');
    expect(size('key-decides', 98, 107)).toBeNull();
  });

  it('takes the closest by steps of each column, a tie to the larger', () => {
    // The chest is 4 cm outside S, the waist 8 cm outside M; a step is 8 cm for either.
    expect(size('closest', 98, 74)).toBe('S');
    expect(size('closest', 98, 79)).toBe('M');
    // 2 cm outside M by the waist, 2 cm outside L by the waist, and the chest in both.
    expect(size('closest', 102, 90)).toBe('L');
    expect(size('closest', 130, 130)).toBe('XL');
  });

  it('goes among several common sizes by preference, and a part that leans by its lean', () => {
    const both = (preference: FitPreference, lean: CompiledPart['lean'] = null) =>
      size('widest-decides', 111, 98, preference, { lean });
    expect(commonSizes(placed(111, 98)).map((at) => part('closest').sizes[at])).toEqual(['XL']);
    const chestOnly = (preference: FitPreference, lean: CompiledPart['lean'] = null) => {
      const one = part('widest-decides', { lean });
      const proposed = propose(one, placed(110.3, 95).slice(0, 1), preference);
      return one.sizes[proposed!];
    };
    expect(['close', 'regular', 'roomy'].map((liked) => chestOnly(liked as FitPreference))).toEqual([
      'L',
      'L',
      'XL',
    ]);
    expect(chestOnly('close', 'larger')).toBe('XL');
    expect(chestOnly('roomy', 'smaller')).toBe('L');
    expect(both('close', 'larger')).toBe('XL');
  });

  it('says how placements stand together, the worst first', () => {
    expect(standing(placed(60, 90))).toBe('beyond');
    expect(standing(placed(88, 90))).toBe('between');
    expect(standing(placed(88, 85))).toBe('split');
    expect(standing(placed(98, 85))).toBe('one');
    expect(standing(placed(111, 97).slice(0, 1))).toBe('overlap');
  });
});
