import { chartSheetSchema, cm, sayWearer, threeWearers } from '../testing/all';

const sheetOf = (cells: readonly string[], sizes = ['S', 'M', 'L', 'XL', 'XXL']) =>
  chartSheetSchema.parse({
    maker: 'Ostrel Workwear',
    garment: 'Watch coat',
    unit: 'cm',
    rule: 'widest-decides',
    parts: [
      {
        code: 'size',
        name: 'Size',
        sizes: sizes.slice(0, cells.length),
        columns: [{ code: 'chest-girth', unit: 'cm', cells }],
      },
    ],
  });

describe('three wearers', () => {
  it('are as people are, and each larger than the one before', () => {
    const three = threeWearers(sheetOf(['70-86', '86-98', '98-110', '110-122', '122-134']));
    expect(three.map(({ build }) => build)).toEqual(['small', 'middle', 'large']);
    const chests = three.map(({ values }) => values[0]!.value);
    expect(chests[0]! < chests[1]! && chests[1]! < chests[2]!).toBeTrue();
    expect(three.every(({ proposed }) => proposed !== null)).toBeTrue();
  });

  it('get no size from a table that was read wrongly', () => {
    // Half the way round, taken for the whole.
    const three = threeWearers(sheetOf(['45-50', '50-55', '55-60']));
    expect(three.map(({ proposed, verdict }) => [proposed, verdict])).toEqual([
      [null, 'beyond'],
      [null, 'beyond'],
      [null, 'beyond'],
    ]);
    expect(sayWearer(three[1]!, 'cm')).toMatch(
      /^A wearer of chest \d+(\.5)? cm gets no size: beyond the range\.$/,
    );
  });

  it('are beyond a chart that ends above them, too', () => {
    const [small] = threeWearers(sheetOf(['100-104', '104-112', '112-120']));
    expect([small!.proposed, small!.verdict]).toEqual([null, 'beyond']);
    expect(sayWearer({ ...small!, verdict: 'split', proposed: 'M' }, 'cm')).toMatch(/ gets M, split\.$/);
  });

  it('are told in the unit of the reader, feet in millimetres', () => {
    const wearer = { build: 'middle', verdict: 'settled', proposed: '42' } as const;
    expect(sayWearer({ ...wearer, values: [{ code: 'foot-length-left', value: cm(26) }] }, 'in')).toBe(
      'A wearer of left foot length 260 mm gets 42.',
    );
    expect(sayWearer({ ...wearer, values: [{ code: 'chest-girth', value: cm(96.5) }] }, 'in')).toBe(
      'A wearer of chest 38 in gets 42.',
    );
  });
});
