import {
  cm,
  onlyPart,
  PartPlacer,
  VERDICTS,
  type CompiledPart,
  type FitPreference,
  type HouseRule,
} from '../../index';
import { compiledOf } from '../../testing/charts';

/** Chest and waist; a gap in the waist between M and L, an overlap in the chest between L and XL. */
const TABLE =
  'size,chest-girth (cm),waist-girth (cm)\nS,86-94,74-82\nM,94-102,82-88\nL,102-112,92-98\nXL,110-118,98-106';

describe('PartPlacer', () => {
  const part = (rule: HouseRule, changes: Partial<CompiledPart> = {}): CompiledPart => ({
    ...onlyPart(compiledOf(TABLE, { rule, key: 'waist-girth' })),
    ...changes,
  });
  const placed = (
    rule: HouseRule,
    values: readonly number[],
    preference: FitPreference = 'regular',
    changes: Partial<CompiledPart> = {},
  ) => {
    const whole = part(rule, changes);
    const some = { ...whole, deciding: whole.deciding.slice(0, values.length) };
    const placer = new PartPlacer(some, { rule, key: whole.key, preference });
    placer.place(Float64Array.from(values, cm));
    return {
      size: placer.size < 0 ? null : whole.sizes[placer.size]!,
      verdict: VERDICTS[placer.verdict],
    };
  };
  const size = (rule: HouseRule, chest: number, waist: number, preference?: FitPreference) =>
    placed(rule, [chest, waist], preference).size;

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

  it('tells equal misfits by no last bit: a third and a sixth of a step are a half', () => {
    // Steps of 3, 7 and 9 cm; in fractions 1/3 + 2/7 against 2/9 + 25/63: both 39/63.
    const csv =
      'size,chest-girth (mm),waist-girth (mm),hip-girth (mm)\nS,800-810,700-710,900-910\nM,830-840,770-780,990-1000\nL,860-870,840-850,1080-1090';
    const three = onlyPart(compiledOf(csv, { rule: 'closest' }));
    expect(three.deciding.map(({ step }) => step)).toEqual([30_000, 70_000, 90_000]);
    const placer = new PartPlacer(three, { rule: 'closest', key: three.key, preference: 'regular' });
    for (let off = 0; off <= 20_000; off += 1_000) {
      // As far above S as below M on the waist, and the chest and hip in the middle between both.
      placer.place(Float64Array.of(820_000, 740_000, 950_000));
      expect(placer.size).withContext(`${off}`).toBe(1);
    }
    // One micrometre nearer to S.
    placer.place(Float64Array.of(820_000, 739_999, 950_000));
    expect(placer.size).toBe(0);
  });

  it('compares misfits exactly however odd the steps are', () => {
    const prime = [10_007, 10_009, 10_037, 10_039, 10_061];
    const codes = ['chest-girth', 'waist-girth', 'hip-girth', 'neck-girth', 'wrist-girth'];
    const micro = (at: number) => String(at / 1_000);
    const rows = [0, 1].map((row) =>
      prime.map((step) => `${micro(800_000 + row * step)}-${micro(800_500 + row * step)}`).join(),
    );
    const csv = `size,${codes.map((code) => `${code} (mm)`).join()}\nS,${rows[0]!}\nM,${rows[1]!}`;
    const five = onlyPart(compiledOf(csv, { rule: 'closest' }));
    const placer = new PartPlacer(five, { rule: 'closest', key: five.key, preference: 'regular' });
    // Three columns in S, two in M: M is nearer by what three steps are more than two, whatever the last bits.
    const at = (inM: readonly number[]) =>
      Float64Array.from(prime, (step, column) => 800_250 + (inM.includes(column) ? step : 0));
    placer.place(at([0, 1]));
    expect(placer.size).toBe(0);
    placer.place(at([0, 1, 2]));
    expect(placer.size).toBe(1);
  });

  it('goes among several common sizes by preference, and a part that leans by its lean', () => {
    const chestOnly = (preference: FitPreference, lean: CompiledPart['lean'] = null) =>
      placed('widest-decides', [110.3], preference, { lean }).size;
    expect(placed('widest-decides', [111, 98]).size).toBe('XL');
    expect(['close', 'regular', 'roomy'].map((liked) => chestOnly(liked as FitPreference))).toEqual([
      'L',
      'L',
      'XL',
    ]);
    expect(chestOnly('close', 'larger')).toBe('XL');
    expect(chestOnly('roomy', 'smaller')).toBe('L');
  });

  it('says how the values stand together, the worst first', () => {
    const verdict = (...values: number[]) => placed('widest-decides', values).verdict;
    expect(verdict(60, 90)).toBe('beyond');
    expect(verdict(88, 90)).toBe('between');
    expect(verdict(88, 85)).toBe('split');
    expect(verdict(98, 85)).toBe('settled');
    expect(verdict(111)).toBe('overlap');
  });
});
