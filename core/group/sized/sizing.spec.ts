import {
  withoutWearer,
  keptGarment,
  pairOf,
  NO_SPARES,
  sizeChanges,
  sizedOne,
  sparesOf,
  tallyOf,
  type GroupSize,
  type Sizing,
  type ToKeep,
} from '.';

const HEAD = {
  chartId: 'jacket-2',
  seriesId: 'jacket',
  version: 2,
  garment: 'Field jacket',
  maker: 'Ostrel',
  protects: false,
};
const LABELS = ['S', 'M', 'L', 'XL'];
const size = (
  verdict: GroupSize['verdict'],
  proposed: string | null,
  odds: Record<string, number> = {},
): GroupSize => ({
  verdict,
  proposed,
  odds: Object.entries(odds).map(([label, chance]) => ({ label, chance })),
  alternates: [],
});
const open = (one: GroupSize): ToKeep => ({ size: one, stands: 'open', decided: null });
const M = open(size('settled', 'M', { M: 1 }));
const EDGE = open({ ...size('edge', 'M', { M: 0.7, L: 0.296, XL: 0.004 }), alternates: ['L'] });
const BETWEEN = open({ ...size('between', null, { M: 0.5, L: 0.5 }), alternates: ['M', 'L'] });
const DECIDED: ToKeep = { size: size('between', null, { M: 0.5, L: 0.5 }), stands: 'decided', decided: 'L' };
const IN_HAND: ToKeep = { size: size('settled', 'S', { S: 1 }), stands: 'in-hand', decided: 'S' };
const MISSING = open(size('incomplete', null));
const BEYOND = open(size('beyond', null));

describe('a garment of a group', () => {
  const kept = keptGarment(HEAD, LABELS, [M, EDGE, BETWEEN, DECIDED, IN_HAND, MISSING, BEYOND, null]);

  it('is kept in a list a thing, and read again for each', () => {
    // As it comes back from where it is kept.
    const again = JSON.parse(JSON.stringify(kept)) as typeof kept;
    expect(sizedOne(again, 0)).toEqual({
      verdict: 'settled',
      stands: 'open',
      size: 'M',
      odds: [{ label: 'M', chance: 1 }],
      others: [],
    });
    expect(sizedOne(again, 1)).toEqual({
      ...{ verdict: 'edge', stands: 'open', size: 'M', others: ['L'] },
      odds: [
        { label: 'M', chance: 0.7 },
        { label: 'L', chance: 0.296 },
      ],
    });
    expect(sizedOne(again, 3)).toEqual({
      verdict: 'between',
      stands: 'decided',
      size: 'L',
      odds: [{ label: 'L', chance: 1 }],
      others: [],
    });
    expect(sizedOne(again, 5)!.odds).toEqual([]);
    expect(sizedOne(again, 7)).toBeNull();
    expect(sizedOne(again, 99)).toBeNull();
  });

  it('keeps how likely it is that no size goes, and counts that for none', () => {
    const near = open({
      ...size('edge', 'XL', { XL: 0.8 }),
      odds: [
        { label: 'XL', chance: 0.8 },
        { label: null, chance: 0.2 },
      ],
    });
    const garment = keptGarment(HEAD, LABELS, [near]);
    expect(sizedOne(garment, 0)!.odds).toEqual(near.size.odds);
    expect(tallyOf([garment], NO_SPARES).lines.map(({ expected }) => expected)).toEqual([0, 0, 0, 0.8]);
    expect(pairOf(garment, 0)).toBeNull();
  });

  it('names a size that was decided by an earlier version of its chart', () => {
    const old = keptGarment(HEAD, LABELS, [{ ...DECIDED, decided: 'XXL' }]);
    expect([old.labels.at(-1), sizedOne(old, 0)!.size]).toEqual(['XXL', 'XXL']);
  });

  it('is tallied by what is decided, by proposals and by the odds, without what is in hand', () => {
    const { lines, ...rest } = tallyOf([kept], { percent: 10, least: 1, bySize: { XL: 2 } });
    expect(rest).toEqual({ served: 1, without: 2, unknown: 1 });
    expect(lines.map(({ label, wanted, certain, spares }) => [label, wanted, certain, spares])).toEqual([
      ['S', 0, 0, 0],
      ['M', 2, 1, 1],
      ['L', 1, 1, 1],
      ['XL', 0, 0, 2],
    ]);
    // Whoever lies between two counts half for each.
    expect(lines.map(({ expected }) => Number(expected.toFixed(3)))).toEqual([0, 2.2, 1.796, 0]);
    expect(tallyOf([kept], NO_SPARES, [1]).lines.map(({ wanted }) => wanted)).toEqual([0, 1, 0, 0]);
  });

  it('is tallied with another version of its chart: nobody is counted twice, and nothing on the shelf either', () => {
    const newer = keptGarment(
      { ...HEAD, chartId: 'jacket-3', version: 3 },
      [...LABELS, 'XXL'],
      [...Array.from({ length: 7 }, () => null), M],
    );
    const { lines } = tallyOf([newer, kept], NO_SPARES);
    expect(lines.map(({ label, wanted }) => [label, wanted])).toEqual([
      ...[
        ['S', 0],
        ['M', 3],
        ['L', 1],
        ['XL', 0],
        ['XXL', 0],
      ],
    ]);
  });

  it('orders nothing for whoever is beyond the range, even where a nearest size is named', () => {
    const beyond = open({ ...size('beyond', 'XL', { XL: 0.1 }), alternates: ['L'] });
    const { lines, without } = tallyOf([keptGarment(HEAD, LABELS, [beyond])], NO_SPARES);
    expect([without, lines.reduce((sum, { wanted, expected }) => sum + wanted + expected, 0)]).toEqual([
      1, 0,
    ]);
  });

  it('keeps no spares by a label that a table of everything would have', () => {
    expect(sparesOf(NO_SPARES, 'constructor', 3)).toBe(0);
  });
});

describe('two sizings', () => {
  const sizing = (
    changes: Partial<Sizing>,
    cells: readonly (ToKeep | null)[],
    head: object = {},
  ): Sizing => ({
    ...{ habits: 1, wearerIds: ['ada', 'ben'], docketIds: ['1', '2'], rests: [0, 0], acts: [4, 4] },
    garments: [keptGarment({ ...HEAD, ...head }, LABELS, cells)],
    ...changes,
  });
  const before = sizing({}, [M, EDGE]);
  const why = (after: Sizing) => sizeChanges(before, after).map((one) => [one.wearerId, one.why]);

  it('tell who is sized otherwise, and why', () => {
    expect(why(before)).toEqual([]);
    expect(why(sizing({ acts: [4, 9] }, [M, M]))).toEqual([['ben', 'measured']]);
    // Whoever was measured and comes to the same is no change.
    expect(why(sizing({ acts: [9, 9] }, [M, EDGE]))).toEqual([]);
    expect(why(sizing({ acts: [4, 5] }, [M, DECIDED]))).toEqual([['ben', 'decided']]);
    expect(why(sizing({}, [M, BETWEEN], { chartId: 'jacket-3' }))).toEqual([['ben', 'chart']]);
    expect(why(sizing({ habits: 2 }, [M, BETWEEN]))).toEqual([['ben', 'habits']]);
    expect(why(sizing({}, [M, BETWEEN]))).toEqual([['ben', 'record']]);
    expect(why(sizing({}, [null, EDGE]))).toEqual([['ada', 'gone']]);
    expect(why(sizing({ wearerIds: ['ben', 'cay'], acts: [4, 1] }, [EDGE, M]))).toEqual([
      ['cay', 'added'],
      ['ada', 'gone'],
    ]);
  });

  it('leave nothing of somebody who was erased, and everybody else in their row', () => {
    const left = withoutWearer(before, 'ben');
    expect([left.wearerIds, sizedOne(left.garments[0]!, 1)]).toEqual([['ada', ''], null]);
    expect(left.garments[0]!.odds).toEqual({});
    expect(sizedOne(left.garments[0]!, 0)).toEqual(sizedOne(before.garments[0]!, 0));
    expect(withoutWearer(before, 'cay')).toBe(before);
  });

  it('compare a garment with itself by its series, and one that is new with nothing', () => {
    const other = sizing({}, [M, M], { seriesId: 'boots', garment: 'Boots' });
    expect(sizeChanges(before, other).map(({ garment, why: reason }) => [garment, reason])).toEqual([
      ['Boots', 'added'],
      ['Field jacket', 'gone'],
      ['Boots', 'added'],
      ['Field jacket', 'gone'],
    ]);
  });
});
