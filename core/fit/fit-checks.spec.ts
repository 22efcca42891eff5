import {
  FIT_AREAS,
  FIT_POSES,
  fitChecksOf,
  GARMENT_KINDS,
  partOfPlace,
  RIGHT,
  sayOtherwise,
} from '../testing/all';
import { scale, wholeSheet } from '../testing/whole-sheet';

const ALL = GARMENT_KINDS.flatMap((kind) =>
  fitChecksOf({ kind, fitChecks: [] }).map((check) => ({ kind, check })),
);

describe('fitChecksOf', () => {
  it('knows what to look at for every kind of garment but the unnamed', () => {
    const without = GARMENT_KINDS.filter((kind) => fitChecksOf({ kind, fitChecks: [] }).length === 0);
    expect(without).toEqual(['other']);
  });

  it('has of every check what may be wrong, each told apart, and where each leads', () => {
    for (const { kind, check } of ALL) {
      const where = `${kind} ${check.code}`;
      const codes = check.answers.map(({ code }) => code);
      expect(check.look).withContext(where).not.toMatch(/\.$/);
      expect(codes.length).withContext(where).toBeGreaterThan(0);
      expect(codes).withContext(where).not.toContain(RIGHT);
      expect(new Set(codes).size).withContext(where).toBe(codes.length);
      for (const { moves, says, tells, ofBuild } of check.answers) {
        if (ofBuild === true) expect([moves, tells]).withContext(`${where}: ${says}`).toEqual([[], null]);
        else expect(moves.length).withContext(`${where}: ${says}`).toBeGreaterThan(0);
        expect(says).not.toMatch(/\.$/);
      }
    }
  });

  it('has no two checks of a kind by the same code, and uses every area and every way to stand', () => {
    for (const kind of GARMENT_KINDS) {
      const codes = fitChecksOf({ kind, fitChecks: [] }).map(({ code }) => code);
      expect(new Set(codes).size).withContext(kind).toBe(codes.length);
    }
    const areas = new Set(
      ALL.flatMap(({ check }) => [
        ...check.places,
        ...check.answers.flatMap(({ moves }) =>
          moves.flatMap((move) => (move.does === 'shift' ? move.shifts.map(({ place }) => place) : [])),
        ),
      ]),
    );
    // Seals are no size of any chart: what is wrong with one tells nothing of a size.
    expect(FIT_AREAS.filter((one) => !areas.has(one))).toEqual(['seals']);
    const poses = new Set(ALL.map(({ check }) => check.pose));
    expect(FIT_POSES.filter((one) => !poses.has(one))).toEqual([]);
  });

  it('lets no vest go before it was looked at seated, its overlap and its order asked; no dry suit before its seals', () => {
    const musts = ALL.filter(({ check }) => check.must).map(({ kind, check }) => `${kind} ${check.code}`);
    expect(musts).toEqual(['vest gap-seated', 'vest overlap', 'vest order', 'dry-suit seals']);
    expect(ALL.find(({ check }) => check.code === 'gap-seated')!.check.pose).toBe('seated');
  });
});

describe('fitChecksOf, with checks of the maker', () => {
  const sheet = wholeSheet({
    kind: 'outerwear',
    parts: [scale('size', 'chest-girth', ['36', '38']), scale('hood', 'head-girth', ['22', '23'])],
    fitChecks: [
      { look: 'The hood clears the eyes', otherwise: 'The other hood.' },
      {
        look: 'The hood turns with the head',
        otherwise: 'Another hood.',
        pose: 'seated',
        must: true,
        answers: [
          { says: 'It stays behind', part: 'hood', leads: 'down' },
          { says: 'It is torn' },
          { says: 'No hood goes', leads: 'made-to-measure' },
        ],
      },
    ],
  });

  it('puts them last, in the maker’s words, and follows where the chart says they lead', () => {
    const [plain, led] = fitChecksOf(sheet).slice(-2);
    expect(plain!.answers).toEqual([{ code: 'own-1-not', says: 'Not so', tells: null, moves: [] }]);
    expect([plain!.must, plain!.pose])
      .withContext('where the chart does not say')
      .toEqual([false, 'standing']);
    expect(sayOtherwise(sheet, plain!)).toBe('The other hood.');
    expect(led).toEqual(jasmine.objectContaining({ pose: 'seated', must: true, places: ['part:hood'] }));
    expect(led!.answers.map(({ tells, moves }) => [tells, moves])).toEqual([
      [{ place: 'part:hood', is: 'large' }, [{ does: 'shift', shifts: [{ place: 'part:hood', by: -1 }] }]],
      [null, []],
      [null, [{ does: 'made-to-measure' }]],
    ]);
    expect(partOfPlace(sheet, 'part:hood')?.code).toBe('hood');
  });

  it('refuses a chart whose check leads to a part it does not have', () => {
    const strange = {
      look: 'It hangs',
      otherwise: 'No.',
      answers: [{ says: 'No', part: 'cape', leads: 'up' }],
    };
    expect(() => wholeSheet({ ...sheet, fitChecks: [strange] })).toThrowError(/leads to “cape”/);
  });
});
