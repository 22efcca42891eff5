import { endsInWords, rewriteCell } from './maker-cell';
import { parseCell } from '../../formats/parse-cell';
import { writeCell } from '../../formats/write-cell';

describe('rewriteCell', () => {
  const read = (text: string, thousands = false) => {
    const cell = parseCell(rewriteCell(text, { unit: 'cm', thousands }).text, 'cm');
    return cell.ok ? writeCell(cell.value, 'cm') : `not read: ${text}`;
  };
  for (const [text, meant] of [
    ['86-94', '86-94'],
    ['86 – 94', '86-94'],
    ['86—94', '86-94'],
    ['86~94', '86-94'],
    ['86 / 94', '86-94'],
    ['34/36', '34-36'],
    ['86 to 94', '86-94'],
    ['from 86 to 94', '86-94'],
    ['von 86 bis 94 cm', '86-94'],
    ['de 86 à 94', '86-94'],
    ['desde 86 hasta 94', '86-94'],
    ['86 cm - 94 cm', '86-94'],
    ['86,5 - 94', '86.5-94'],
    ['up to 94', '<=94'],
    ['max. 94', '<=94'],
    ['bis 94', '<=94'],
    ['jusqu’à 94', '<=94'],
    ['hasta 94', '<=94'],
    ['under 94', '<94'],
    ['less than 94', '<94'],
    ['unter 94', '<94'],
    ['over 102', '>102'],
    ['more than 102', '>102'],
    ['über 102', '>102'],
    ['from 102', '>=102'],
    ['ab 102', '>=102'],
    ['min 102', '>=102'],
    ['102+', '>=102'],
    ['102 and over', '>=102'],
    ['102 or more', '>=102'],
    ['102 et plus', '>=102'],
    ['102 und mehr', '>=102'],
    ['102', '102'],
    ['86 94', '86-94'],
    ['86\n94', '86-94'],
    ['06-Aug', '6-8'],
    ['12-Oct', '10-12'],
    ['2026-08-06', '6-8'],
    ['86-94*', '86-94'],
    ['86-94 [1]', '86-94'],
    ['86-94 (a)', '86-94'],
    ['86-94²', '86-94'],
    ['86-94 (relaxed)', '86-94'],
    ['approx. 86-94', '86-94'],
    ['ca. 90', '90'],
    ['86.36000000001', '86.36'],
    ['102 or larger', '>=102'],
    ['82 or less', '<=82'],
    ['82 und weniger', '<=82'],
    ['greater than 102', '>102'],
    ['at least 102', '>=102'],
    ['plus de 102', '>102'],
    ['más de 102', '>102'],
    ['between 86 and 94', '86-94'],
    ['86...94', '86-94'],
    ['90±2', '88-92'],
    ['90 +/- 2,5', '87.5-92.5'],
    ['34 1/3', '34.3333'],
  ] as const)
    it(`takes “${text}” for ${meant}`, () => expect(read(text)).toBe(meant));

  it('makes metres centimetres, and feet inches', () => {
    const inUnit = (text: string, unit: 'm' | 'ft') => rewriteCell(text, { unit, thousands: false }).text;
    expect(inUnit('1,64-1,72 m', 'm')).toBe('164-172');
    expect(inUnit('1.645 m', 'm')).toBe('164.5');
    expect(inUnit('5\'7"-5\'9"', 'ft')).toBe('67-69');
    expect(inUnit('5’7½” – 5’9”', 'ft')).toBe('67 1/2 – 69');
    expect(inUnit('5 ft 7 in to 6 ft', 'ft')).toBe('67 - 72');
    expect(inUnit('under 5\'4"', 'ft')).toBe('<64');
  });

  it('says what it dropped, and what a spreadsheet had made a date of', () => {
    const rewritten = (text: string) => rewriteCell(text, { unit: 'cm', thousands: false });
    expect(rewritten('approx. 86-94 (relaxed)*').dropped).toBe('approx. (relaxed) *');
    expect(rewritten('06-Aug').wasDate).toBeTrue();
    expect(rewritten('86-*').text).withContext('our own end that is none').toBe('86-*');
  });

  it('parts thousands only where the column does', () => {
    expect(read('1,650', true)).toBe('1650');
    expect(read('1.650-1.750', true)).toBe('1650-1750');
    expect(read('1,650')).toBe('1.65');
  });

  for (const text of ['sold out', 'tbc', '86 in - 94 in'])
    it(`leaves “${text}” to be told`, () => expect(read(text)).toBe(`not read: ${text}`));

  it('knows ends in words from words', () => {
    expect(['up to 94', 'max. 94', 'ab 102', 'under94'].every(endsInWords)).toBeTrue();
    expect(['about 94', 'abdomen', 'Size 40', 'fromage'].some(endsInWords)).toBeFalse();
  });
});
