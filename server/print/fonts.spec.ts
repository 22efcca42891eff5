import { openSync, type Font } from 'fontkit';
import { FONTS, runsOf } from './fonts';
import { printPdf, words } from './print-pdf';

describe('runsOf', () => {
  /** Made-up names in the letters of many languages. */
  const NAMES = [
    'Zoë Łukasiewicz-Brännström',
    'Đặng Thị Ngọc Ánh',
    'Κωνσταντῖνος Ἀγγελής',
    'Ольга Ђорђевић',
    'Їжакевич Ґалаґан',
    'नवीन कुमार',
    'דּוֹרִית לוי',
    'ليلى حسن',
    'Ø’Niall “Tide” ¾ – № 7',
  ];
  for (const name of NAMES)
    it(`writes ${name} with letters that are there`, () => {
      const runs = runsOf(name);
      expect(runs.map(({ text }) => text).join('')).toBe(name.normalize('NFC'));
      for (const { font, text } of runs) {
        const file = openSync(FONTS[font]!.normal) as Font;
        for (const letter of text) expect(file.hasGlyphForCodePoint(letter.codePointAt(0)!)).toBeTrue();
        expect((openSync(FONTS[font]!.bold) as Font).characterSet.length).toBeGreaterThan(20);
      }
    });

  it('writes what it can in the application’s own font, and spaces with what they follow', () => {
    expect(runsOf('Zoë Łuk')[0]).toEqual({ font: 'Atkinson', text: 'Zoë ' });
    expect(runsOf('Ольга Б').length).toBe(1);
    // Taken apart as some keyboards send it, a letter is still one.
    expect(runsOf('Zoe\u0308')).toEqual([{ font: 'Atkinson', text: 'Zoë' }]);
  });

  it('tells a letter no font has by its number', () => {
    expect(
      runsOf('A 漢 😀')
        .map(({ text }) => text)
        .join(''),
    ).toBe('A [U+6F22] [U+1F600]');
    expect(runsOf('\u200e\ufeff\u0007')).toEqual([{ font: 'Atkinson', text: '' }]);
  });

  it('prints them all', async () => {
    const pdf = await printPdf(
      NAMES.map((name) => words(name, { bold: true })),
      NAMES.join(' '),
    );
    expect(Buffer.from(pdf).subarray(0, 5).toString()).toBe('%PDF-');
  });
});
