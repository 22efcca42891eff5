import { GARMENT_KINDS, trialOrder } from '../index';

describe('the order of trial', () => {
  it('puts on what goes beneath first, a jacket before its trousers, and boots before what is hemmed over them', () => {
    expect(trialOrder(['outerwear', 'trousers', 'boots', 'jacket', 'shirt'])).toEqual([4, 3, 2, 1, 0]);
    expect(trialOrder(['vest', 'trousers', 'trousers'])).toEqual([1, 2, 0]);
    expect(trialOrder([])).toEqual([]);
  });

  it('knows every kind', () => {
    for (const kind of GARMENT_KINDS)
      expect(trialOrder(['shirt', kind]).indexOf(1))
        .withContext(kind)
        .toBe(kind === 'bra' ? 0 : 1);
  });
});
