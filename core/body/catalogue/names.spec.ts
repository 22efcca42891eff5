import { CATALOGUE, measurement } from '../../index';
import { ISO_8559_NAMES } from '../../reference/iso8559-names';

describe('the catalogue beside ISO 8559-1 (from memory)', () => {
  for (const { code, term, kind, places } of ISO_8559_NAMES) {
    it(`takes “${term}” from where to where the standard does`, () => {
      const own = measurement(code);
      expect(own.kind).toBe(kind);
      for (const place of places) expect(own.place).toMatch(place);
    });
  }

  it('names each of its measurements once', () => {
    expect(new Set(ISO_8559_NAMES.map(({ code }) => code)).size).toBe(ISO_8559_NAMES.length);
    expect(new Set(ISO_8559_NAMES.map(({ term }) => term)).size).toBe(ISO_8559_NAMES.length);
    expect(new Set(CATALOGUE.map(({ name }) => name)).size).toBe(CATALOGUE.length);
    expect(new Set(CATALOGUE.map(({ short }) => short)).size).toBe(CATALOGUE.length);
  });
});
