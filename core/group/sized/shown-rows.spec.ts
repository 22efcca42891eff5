import {
  isShown,
  keptGarment,
  pairsAmong,
  SHOWS,
  shownRows,
  sizedOne,
  type GroupSize,
  type Shows,
  type Sizing,
  type ToKeep,
} from '.';

const HEAD = { chartId: 'c', seriesId: 's', version: 1, garment: 'Jacket', maker: 'Ostrel', protects: false };
const cell = (
  verdict: GroupSize['verdict'],
  proposed: string | null,
  odds: Record<string, number>,
  changes: Partial<ToKeep> = {},
  alternates: readonly string[] = [],
): ToKeep => ({
  size: {
    verdict,
    proposed,
    odds: Object.entries(odds).map(([label, chance]) => ({ label, chance })),
    alternates,
  },
  ...{ stands: 'open', decided: null },
  ...changes,
});
const CELLS: readonly (ToKeep | null)[] = [
  cell('settled', 'M', { M: 1 }),
  cell('edge', 'M', { M: 0.7, L: 0.3 }),
  cell('edge', 'L', { L: 0.6, M: 0.4 }),
  cell('overlap', 'M', { M: 1 }, {}, ['L']),
  cell('between', 'XL', { L: 0.5, XL: 0.5 }, {}, ['L']),
  cell('beyond', null, {}),
  cell('incomplete', null, {}),
  cell('between', null, { M: 0.5, L: 0.5 }, { stands: 'decided', decided: 'M' }),
  cell('settled', 'M', { M: 1 }, { stands: 'in-hand', decided: 'M' }),
  null,
];
const jacket = keptGarment(HEAD, ['M', 'L', 'XL'], CELLS);
const sizing: Sizing = {
  habits: 1,
  wearerIds: CELLS.map((_, at) => `w${at}`),
  docketIds: CELLS.map(() => ''),
  rests: CELLS.map(() => 0),
  acts: CELLS.map(() => 0),
  garments: [
    jacket,
    keptGarment(
      { ...HEAD, seriesId: 'boots' },
      ['42'],
      CELLS.map(() => null),
    ),
  ],
};
const shown = (shows: Shows, garment: number | null = 0, between: readonly [number, number] | null = null) =>
  shownRows(sizing, { garment, shows, between });

describe('what of a group is looked at', () => {
  it('is everybody who gets the garment, or some by what is said of them', () => {
    expect(shown('all')).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    expect(shown('all', null).length).toBe(10);
    expect(shown('flagged')).toEqual([4, 5]);
    expect(shown('doubtful')).toEqual([1, 2, 4, 5]);
    expect(shown('certain')).toEqual([0, 3]);
    expect(shown('unknown')).toEqual([6]);
    expect(shown('decided')).toEqual([7]);
    expect(shown('in-hand')).toEqual([8]);
    expect(shown('flagged', null)).withContext('in any garment').toEqual([4, 5]);
    expect(shown('all', 1)).toEqual([]);
  });

  it('leaves nobody out: whoever gets the garment is in one of the parts', () => {
    for (let row = 0; row < CELLS.length - 1; row++) {
      const one = sizedOne(jacket, row)!;
      const parts = SHOWS.filter((shows) => shows !== 'all' && isShown(one, shows));
      expect(parts.length).withContext(`row ${row}: ${parts.join()}`).toBeGreaterThan(0);
    }
  });

  it('is whoever lies between two sizes, whichever of them is likelier', () => {
    expect(shown('all', 0, [0, 1])).toEqual([1, 2, 3]);
    expect(shown('doubtful', 0, [0, 1])).toEqual([1, 2]);
    expect(pairsAmong(jacket, shown('all'))).toEqual([
      { pair: [0, 1], count: 3 },
      { pair: [1, 2], count: 1 },
    ]);
  });

  it('is nobody who was erased', () => {
    const left = { ...sizing, wearerIds: sizing.wearerIds.map((id, at) => (at === 4 ? '' : id)) };
    expect(shownRows(left, { garment: null, shows: 'flagged', between: null })).toEqual([5]);
  });
});
