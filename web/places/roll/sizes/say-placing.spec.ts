import type { PlacingView } from '@neat-measure/contract/musters';
import { sayCost, sayPlaced } from './say-placing';

describe('placing in words', () => {
  const garment = (changes: Partial<PlacingView['garments'][number]>): PlacingView['garments'][number] => ({
    ...{ seriesId: 's', garment: 'Jacket', maker: 'Ostrel', otherwise: 0, isProven: true, gap: 0 },
    ...{ totals: { without: 0, misfit: 0, ordered: 0 }, moved: [], without: [], helps: null, pins: [] },
    lines: [{ label: 'M', given: 3, there: 3, ordered: 0 }],
    apart: { unknown: 0, 'no-size': 0, served: 0 },
    ...changes,
  });

  it('says who is placed, who is moved, who goes without, and what would help', () => {
    expect(sayPlaced(garment({}))).toEqual(['3 wearers placed, all in the size proposed.']);
    expect(
      sayPlaced(
        garment({
          moved: [{ wearerId: 'w', from: 'M', to: 'L', chance: 400 }],
          without: [{ wearerId: 'x', wearable: ['M', 'L'] }],
          totals: { without: 1, misfit: 600, ordered: 2 },
          apart: { unknown: 2, 'no-size': 1, served: 4 },
          helps: { label: 'L', count: 1 },
          otherwise: 2,
        }),
      ),
    ).toEqual([
      '3 wearers placed, 1 in another size than proposed, 1 without one, 2 to order.',
      'Left out: 2 wearers with something missing, 1 wearer without a size, 4 wearers already served.',
      'One more L helps most: 1 wearer could wear it.',
      'Not the only good way: 2 wearers could be placed otherwise with the same result.',
    ]);
  });

  it('says that nobody is there, and that time ran out', () => {
    expect(sayPlaced(garment({ lines: [] }))).toEqual(['Nobody to place.']);
    expect(sayPlaced(garment({ isProven: false, gap: 0.034 }))[1]).toContain('at most 4 % from the best');
  });

  it('says what a pin costs', () => {
    expect(sayCost({ without: 0, misfit: 0, ordered: 0 })).toBe('costs nothing');
    expect(sayCost({ without: 1, misfit: 250, ordered: -1 })).toBe(
      'costs 1 more without one, 1 fewer to order, 0.25 sizes more expected misfit',
    );
  });
});
