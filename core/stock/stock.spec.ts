import fc from 'fast-check';
import { scale, wholeSheet } from '../testing/whole-sheet';
import { sizesOfLabel } from '../chart/label-reading';
import { goneLabelNow, labelNow, madeLabels, nearestLabels } from './article';
import {
  balances,
  COMPARTMENTS,
  countAt,
  MOVEMENT_KINDS,
  placeKey,
  placeOf,
  refuseMovement,
  type Movement,
  type MovementKind,
  type Whereabouts,
} from './movement';
import { sayMovementRefusal } from './say-movement-refusal';

const at = (roomId: string, compartment: (typeof COMPARTMENTS)[number] = 'shelf'): Whereabouts => ({
  in: 'room',
  roomId,
  compartment,
});
const RENAMING: Whereabouts = { in: 'renaming' };
const MAKER: Whereabouts = { in: 'maker' };
const WEARER: Whereabouts = { in: 'wearer' };
const WASTE: Whereabouts = { in: 'waste' };
const DIFFERENCE: Whereabouts = { in: 'difference' };
const PLACES: readonly Whereabouts[] = [
  ...['boathouse', 'hall'].flatMap((room) => COMPARTMENTS.map((one) => at(room, one))),
  MAKER,
  WEARER,
  WASTE,
  DIFFERENCE,
  RENAMING,
];

describe('madeLabels', () => {
  const trousers = (more: object = {}) =>
    wholeSheet({
      label: '{waist}x{leg}',
      parts: [
        scale('waist', 'trouser-waist-girth', ['32', '34', '36']),
        scale('leg', 'inside-leg-length', ['30', '32']),
      ],
      ...more,
    });

  it('lists what a chart makes, and only that', () => {
    expect(madeLabels(trousers())).toEqual({
      labels: ['32x30', '32x32', '34x30', '34x32', '36x30', '36x32'],
      whole: true,
    });
    const made = { parts: ['waist', 'leg'], made: { 32: ['30'], 34: ['30', '32'], 36: ['32'] } };
    expect(madeLabels(trousers({ combinations: [made] })).labels).toEqual([
      '32x30',
      '34x30',
      '34x32',
      '36x32',
    ]);
  });

  it('reads every label that it makes back into its sizes, and nothing else', () => {
    const sheet = trousers();
    for (const label of madeLabels(sheet).labels) {
      const [waist, leg] = label.split('x');
      expect(sizesOfLabel(sheet, label)).toEqual({ waist: waist!, leg: leg! });
    }
    for (const none of ['32', '32x', 'x30', '38x30', '32x30 ', '', '32 x 30'])
      expect(sizesOfLabel(sheet, none)).toBeNull();
    const close = wholeSheet({
      label: '{a}{b}',
      parts: [scale('a', 'chest-girth', ['4', '42']), scale('b', 'waist-girth', ['1', '7'])],
    });
    expect(sizesOfLabel(close, '427'))
      .withContext('one size begins as another does')
      .toEqual({ a: '42', b: '7' });
  });

  it('finds the nearest of those that are to be had, the larger of two first', () => {
    const found = nearestLabels(trousers(), { waist: '34', leg: '30' }, [
      '32x30',
      '36x32',
      '36x30',
      '34x30',
      'nonsense',
    ]);
    expect(found.map(({ label, steps }) => [label, steps])).toEqual([
      ['36x30', 1],
      ['32x30', 1],
      ['36x32', 2],
    ]);
  });

  it('says where it is not all', () => {
    const sizes = Array.from({ length: 60 }, (_, one) => `${20 + one}`);
    const panels = wholeSheet({
      label: '{a}-{b}-{c}',
      parts: ['chest-girth', 'waist-girth', 'hip-girth'].map((code, one) => scale('abc'[one]!, code, sizes)),
    });
    const { labels, whole } = madeLabels(panels);
    expect([labels.length, whole]).toEqual([2_000, false]);
  });

  it('knows what a size of an old version is called now, also where its label has come back since', () => {
    const of = (label: string, to: string, since: number) => ({ seriesId: 'cap', label, to, since });
    const renames = [of('S', '21', 5), of('21', 'S', 2), of('21', 'XS', 7)];
    const now = (label: string, version: number, seriesId = 'cap') =>
      labelNow(renames, { seriesId, label, version });
    expect([now('21', 1), now('S', 2), now('S', 4)]).toEqual(['XS', 'XS', 'XS']);
    expect([now('21', 2), now('S', 5), now('21', 7)]).toEqual(['XS', 'S', '21']);
    expect([now('22', 1), now('21', 1, 'hat')]).toEqual(['22', '21']);
    const gone = (label: string) => goneLabelNow(renames, { seriesId: 'cap', label });
    expect([gone('21'), gone('S'), gone('M')]).toEqual(['XS', 'XS', 'M']);
  });
});

describe('refuseMovement', () => {
  const refused = (kind: MovementKind, from: Whereabouts, to: Whereabouts, more: object = {}, there = 5) =>
    refuseMovement({ kind, from, to, count: 2, reason: null, ...more }, there)?.code ?? null;

  it('moves whole pieces, one or more', () => {
    const counts = [-1, 0, 0.5, 1, 2, NaN].map((count) =>
      refused('received', PLACES[0]!, PLACES[0]!, { count }),
    );
    expect(counts.map((code) => code === 'no-count')).toEqual([true, true, true, false, false, true]);
  });

  it('wants a reason for what goes for good, and for what was counted otherwise', () => {
    const kinds = MOVEMENT_KINDS.filter((kind) =>
      PLACES.some((from) => PLACES.some((to) => refused(kind, from, to) === 'reason-missing')),
    );
    expect(kinds).toEqual(['written-off', 'counted']);
  });

  it('lets each kind go its own way and no other', () => {
    const ways = MOVEMENT_KINDS.map((kind) =>
      PLACES.flatMap((from) =>
        PLACES.filter((to) => refused(kind, from, to, { reason: 'So it is' }) === null).map(
          (to) => `${placeKey(from)} > ${placeKey(to)}`,
        ),
      ),
    );
    const counted = (kind: MovementKind) => ways[MOVEMENT_KINDS.indexOf(kind)]!;
    expect(counted('issued')).toEqual([
      'boathouse/shelf > wearer',
      'boathouse/reserved > wearer',
      'hall/shelf > wearer',
      'hall/reserved > wearer',
    ]);
    expect(counted('received').every((way) => way.startsWith('maker > '))).toBeTrue();
    expect(counted('released')).toContain('hall/drying > boathouse/shelf');
    expect(counted('released').some((way) => way.includes('/shelf >'))).toBeFalse();
    expect(counted('written-off').every((way) => way.endsWith(' > waste'))).toBeTrue();
    expect(counted('counted').length).toBe(16);
    // Between compartments and rooms: from aside onto no shelf, and to what is reserved from shelves alone.
    expect(counted('moved').length).toBe(36);
    expect(counted('moved')).not.toContain('hall/quarantine > hall/reserved');
    expect(counted('moved')).not.toContain('hall/reserved > hall/shelf');
    expect(counted('released')).toContain('hall/reserved > hall/shelf');
    expect(counted('moved')).not.toContain('hall/quarantine > boathouse/shelf');
    expect(counted('returned').length).toBe(7);
    expect(counted('returned')).not.toContain('wearer > hall/reserved');
    expect(counted('undone').length).toBe(13);
    expect(counted('renamed').length).toBe(18);
  });

  it('lets nothing that was set aside get onto a shelf, by any way round, unless somebody says what was found', () => {
    const reached = new Set([placeKey(at('hall', 'quarantine'))]);
    // Undoing puts a garment back where it had come from, and a count is a word of its own.
    for (const from of reached)
      for (const to of PLACES)
        for (const kind of MOVEMENT_KINDS)
          if (kind !== 'undone' && kind !== 'renamed' && refused(kind, placeOf(from), to, {}) === null)
            reached.add(placeKey(to));
    expect([...reached].sort()).toEqual(['boathouse/quarantine', 'hall/quarantine']);
    expect(refused('moved', at('hall', 'quarantine'), at('hall', 'drying'))).toBe('not-looked-at');
    expect(
      refused('moved', at('hall', 'quarantine'), at('hall', 'drying'), { reason: 'Only wet' }),
    ).toBeNull();
  });

  it('says each refusal with what to do, and reads a place from its text', () => {
    for (const place of PLACES) expect(placeOf(placeKey(place))).toEqual(place);
    const said = [
      { code: 'no-count' },
      { code: 'other-way', kind: 'moved' },
      { code: 'nowhere' },
      { code: 'reason-missing' },
      { code: 'not-looked-at' },
      { code: 'not-out', there: 0 },
      { code: 'not-out', there: 1 },
      { code: 'too-few', there: 0 },
      { code: 'too-few', there: 1 },
      { code: 'too-few', there: 3 },
    ] as const;
    expect(new Set(said.map((one) => sayMovementRefusal(one, 'Cap 7'))).size).toBe(said.length);
    expect(sayMovementRefusal({ code: 'too-few', there: 0 }, 'Cap 7')).toContain('None of Cap 7');
  });

  it('takes nothing from where it is not, and asks why where something goes for good', () => {
    expect(refused('issued', at('hall'), WEARER, {}, 1)).toBe('too-few');
    expect(refused('issued', at('hall'), WEARER, { count: 0 })).toBe('no-count');
    expect(refused('issued', at('hall'), WEARER, { count: 1.5 })).toBe('no-count');
    expect(refused('written-off', at('hall'), WASTE)).toBe('reason-missing');
    expect(refused('counted', DIFFERENCE, at('hall'), { reason: 'Found behind the rail' }, 0)).toBeNull();
    expect(refused('moved', at('hall'), at('hall'))).toBe('nowhere');
    expect(refused('returned', WEARER, at('hall', 'drying'), { count: 2 }, 1)).toBe('not-out');
    expect(refused('released', at('hall', 'quarantine'), at('hall'))).toBe('not-looked-at');
    expect(refused('released', at('hall', 'drying'), at('hall'))).toBeNull();
  });
});

describe('a ledger of movements', () => {
  it('adds up after any walk: nothing comes from nowhere, and no place has less than nothing', () => {
    const step = fc.record({
      kind: fc.constantFrom(...MOVEMENT_KINDS),
      from: fc.constantFrom(...PLACES),
      to: fc.constantFrom(...PLACES),
      count: fc.integer({ min: 0, max: 9 }),
      articleId: fc.constantFrom('jacket M', 'jacket L', 'waders 42'),
      reason: fc.constantFrom(null, 'So it is'),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 200 }), (steps) => {
        const done: Movement[] = [];
        for (const one of steps)
          if (refuseMovement(one, countAt(done, one.articleId, one.from)) === null)
            done.push({ ...one, pieceId: null, id: `${done.length}` });
        for (const own of balances(done).values()) {
          const sum = [...own.values()].reduce((all, count) => all + count, 0);
          if (sum !== 0) return false;
          for (const [place, count] of own) if (place.includes('/') && count < 0) return false;
        }
        return true;
      }),
      { numRuns: 60 },
    );
  });

  it('is the same in whatever order it is summed', () => {
    const some: Movement[] = [
      {
        id: '1',
        kind: 'received',
        articleId: 'a',
        from: MAKER,
        to: at('hall'),
        count: 5,
        reason: null,
        pieceId: null,
      },
      {
        id: '2',
        kind: 'issued',
        articleId: 'a',
        from: at('hall'),
        to: WEARER,
        count: 2,
        reason: null,
        pieceId: null,
      },
    ];
    expect(countAt(some, 'a', at('hall'))).toBe(3);
    expect(countAt([...some].reverse(), 'a', at('hall'))).toBe(3);
    expect(countAt(some, 'b', at('hall'))).toBe(0);
  });
});
