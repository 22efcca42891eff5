import { endsInWords, rewriteCell } from './maker-cell';
import { parseCell } from './parse-cell';
import { writeCell } from './write-cell';

describe('rewriteCell', () => {
  const read = (text: string, thousands = false) => {
    const cell = parseCell(rewriteCell(text, 'cm', thousands), 'cm');
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
  ] as const)
    it(`takes “${text}” for ${meant}`, () => expect(read(text)).toBe(meant));

  it('parts thousands only where the column does', () => {
    expect(read('1,650', true)).toBe('1650');
    expect(read('1.650-1.750', true)).toBe('1650-1750');
    expect(read('1,650')).toBe('1.65');
  });

  for (const text of ['sold out', 'tbc', '06-Aug', '34 36', '86 in - 94 in'])
    it(`leaves “${text}” to be told`, () => expect(read(text)).toBe(`not read: ${text}`));

  it('knows ends in words from words', () => {
    expect(['up to 94', 'max. 94', 'ab 102', 'under94'].every(endsInWords)).toBeTrue();
    expect(['about 94', 'abdomen', 'Size 40', 'fromage'].some(endsInWords)).toBeFalse();
  });
});
