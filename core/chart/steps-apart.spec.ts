import { chartSheetSchema, ONE_STEP, stepsApart } from '../testing/all';

const trousers = chartSheetSchema.parse({
  ...{ maker: 'Ostrel', garment: 'Trousers', unit: 'cm', rule: 'closest', label: '{waist}/{leg}' },
  parts: [
    {
      ...{ code: 'waist', name: 'Waist', sizes: ['30', '32', '34'] },
      columns: [{ code: 'waist-girth', unit: 'cm', cells: ['74-78', '78-82', '82-86'] }],
    },
    {
      ...{ code: 'leg', name: 'Leg', sizes: ['R', 'L'] },
      columns: [{ code: 'inside-leg-length', unit: 'cm', cells: ['70-79', '79-88'] }],
    },
  ],
});

describe('how many sizes two labels lie apart', () => {
  it('is summed over the parts, whichever of them comes first', () => {
    const steps = stepsApart(trousers);
    expect(steps('30/R', '34/R')).toBe(2);
    expect(steps('30/R', '30/L')).toBe(1);
    expect(steps('34/L', '30/R')).toBe(3);
    expect(steps('32/R', '32/R')).toBe(0);
  });

  it('is one for a label of another version, and at least one for two that are written otherwise', () => {
    const steps = stepsApart(trousers);
    expect(steps('30/R', '36/R')).toBe(1);
    expect(steps('36/R', '38/R')).toBe(1);
    expect([ONE_STEP('a', 'a'), ONE_STEP('a', 'b')]).toEqual([0, 1]);
  });
});
