import { formatLength } from './format-length';
import { kilograms, parseMeasure, type MeasureUnit } from './mass';
import { sayMeasureProblem } from './say-measure-problem';

const grams = (text: string, unit: MeasureUnit = 'kg') => {
  const read = parseMeasure(text, unit);
  return read.ok ? Number(read.value.length) : read.problem.code;
};

describe('parseMeasure of a mass', () => {
  it('reads kilograms, pounds and stones as whole grams', () => {
    expect(grams('72.5')).toBe(72_500);
    expect(grams('72,5 kg')).toBe(72_500);
    expect(grams('900 g')).toBe(900);
    expect(grams('160', 'lb')).toBe(72_575);
    expect(grams('160 lb')).toBe(72_575);
    expect(grams('11 st 4')).toBe(71_668);
    expect(grams('11st')).toBe(69_853);
  });

  it('says whether the number stood bare', () => {
    const bare = (text: string) => {
      const read = parseMeasure(text, 'kg');
      return read.ok && read.value.bare;
    };
    expect([bare('70'), bare('70 kg'), bare('11 st 4')]).toEqual([true, false, false]);
  });

  it('leaves lengths to the reader of lengths', () => {
    expect(grams('38 1/2', 'in')).toBe(977_900);
  });

  it('takes units written out, and stones alone', () => {
    expect(grams('70 kilos')).toBe(70_000);
    expect(grams('900 grams')).toBe(900);
    expect(grams('10 stone')).toBe(63_503);
    expect(grams('10 stone 13 pounds')).toBe(69_400);
    expect(grams('11', 'lb')).toBe(4_990);
  });

  it('refuses what is no mass, says which way, and what to write', () => {
    expect(grams('')).toBe('mass-empty');
    expect(grams('heavy')).toBe('mass-unreadable');
    expect(grams('72 cm')).toBe('mass-unknown-unit');
    expect(grams('1/0')).toBe('mass-improper-fraction');
    expect(grams('70 8/8')).toBe('mass-improper-fraction');
    expect(grams('11 st 14')).toBe('mass-pounds-not-below-a-stone');
    expect(grams('5000')).toBe('too-heavy');
    expect(grams('1000')).toBe(1_000_000);
    const said = (text: string) => {
      const read = parseMeasure(text, 'kg');
      return read.ok ? '' : sayMeasureProblem(read.problem);
    };
    for (const text of ['', 'heavy', '72 cm', '1/0', '11 st 14', '5000']) {
      expect(said(text))
        .withContext(text)
        .not.toMatch(/length|mm|inch/);
      expect(said(text)).withContext(text).toMatch(/\.$/);
    }
    expect(said('72 cm')).toBe(
      '“cm” in “72 cm” is not a unit of weight. Use kg, g, lb or st, or leave the unit out.',
    );
  });

  it('takes no name of an object for a unit', () => {
    for (const name of ['__proto__', 'constructor', 'toString', 'hasOwnProperty']) {
      expect(grams(`70 ${name}`)).toBe('mass-unknown-unit');
      const read = parseMeasure(`70 ${name}`, 'in');
      expect(read.ok ? '' : read.problem.code).toBe('unknown-unit');
    }
  });

  it('is written to a tenth, with its unit', () => {
    expect(formatLength(kilograms(72.46), 'kg')).toBe('72.5 kg');
    expect(formatLength(kilograms(72), 'kg')).toBe('72 kg');
    expect(formatLength(kilograms(72.575), 'lb')).toBe('160 lb');
  });
});
