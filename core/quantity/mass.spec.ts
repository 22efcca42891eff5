import { formatLength } from './format-length';
import { kilograms, parseMeasure, type MeasureUnit } from './mass';

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

  it('leaves lengths to the reader of lengths', () => {
    expect(grams('38 1/2', 'in')).toBe(977_900);
  });

  it('refuses what is no mass, and says which way', () => {
    expect(grams('')).toBe('empty');
    expect(grams('heavy')).toBe('unreadable');
    expect(grams('72 cm')).toBe('unknown-unit');
    expect(grams('1/0')).toBe('zero-denominator');
    expect(grams('5000')).toBe('too-long');
  });

  it('is written to a tenth, with its unit', () => {
    expect(formatLength(kilograms(72.46), 'kg')).toBe('72.5 kg');
    expect(formatLength(kilograms(72), 'kg')).toBe('72 kg');
    expect(formatLength(kilograms(72.575), 'lb')).toBe('160 lb');
  });
});
