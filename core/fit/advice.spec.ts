import {
  adviseFit,
  fitChecksOf,
  RIGHT,
  sayContradiction,
  sayOddsDiffer,
  sayWay,
  type ChartSheet,
  type Seen,
  type Trial,
} from '../testing/all';
import { scale, wholeSheet } from '../testing/whole-sheet';

const CHESTS = ['36', '38', '40', '42'];
const BLAZER = wholeSheet({
  kind: 'jacket',
  label: '{chest}{length}',
  parts: [
    { ...scale('chest', 'chest-girth', CHESTS), name: 'Chest' },
    { ...scale('length', 'height', ['S', 'R', 'L'], {}, ['64', '68', '72']), name: 'Length' },
  ],
  combinations: [
    { parts: ['chest', 'length'], made: { 36: ['S', 'R'], 38: ['R', 'L'], 40: ['R', 'L'], 42: ['R'] } },
  ],
});
const TROUSERS = wholeSheet({
  kind: 'trousers',
  label: '{waist}x{leg}',
  parts: [
    { ...scale('waist', 'trouser-waist-girth', ['32', '34', '36']), name: 'Waist' },
    { ...scale('leg', 'inside-leg-length', ['30', '32', '34']), name: 'Leg' },
  ],
});
const seen = (answers: Readonly<Record<string, string | null>>): Seen[] =>
  Object.entries(answers).map(([check, answer]) => ({ check, answer }));
const blazer = (label: string, answers: Readonly<Record<string, string | null>>): Trial => ({
  sizes: { chest: label.slice(0, 2), length: label.slice(2) },
  seen: seen(answers),
});
const allRight = (sheet: ChartSheet) =>
  Object.fromEntries(fitChecksOf(sheet).map(({ code }) => [code, RIGHT]));

describe('adviseFit', () => {
  it('has nothing to do where all is right, and says what was not looked at yet', () => {
    const done = adviseFit(BLAZER, [blazer('40R', allRight(BLAZER))]);
    expect(done).toEqual(
      jasmine.objectContaining({ faults: [], contradictions: [], next: null, ways: [], open: [], owed: [] }),
    );
    const begun = adviseFit(BLAZER, [blazer('40R', { button: RIGHT, lapels: null })]);
    expect(begun.open.map(({ code }) => code)).toEqual(['shoulder', 'cuff', 'hem']);
    expect(adviseFit(BLAZER, []).open.length).toBe(5);
  });

  it('notes a long arm that ends below a hem over the seat, and finds no fault with the size', () => {
    const long = adviseFit(BLAZER, [blazer('40R', { ...allRight(BLAZER), hem: 'arm' })]);
    expect([long.faults, long.next, long.noted.map(({ code }) => code)]).toEqual([[], null, ['arm']]);
    const bare = adviseFit(BLAZER, [blazer('40R', { ...allRight(BLAZER), hem: 'small' })]);
    expect(bare.next?.label).toBe('40L');
  });

  it('leads to the next size of the part that sizes what is wrong, each part by itself and all together', () => {
    const { next, faults } = adviseFit(BLAZER, [blazer('38R', { button: 'small', hem: 'small' })]);
    expect(next).toEqual(jasmine.objectContaining({ label: '40L', insteadOf: null }));
    expect(faults.map(({ ways }) => ways.map(sayWay))).toEqual([
      ['try 40R: a larger chest'],
      ['try 38L: a longer one'],
    ]);
  });

  it('asks for one size up however many things ask for it', () => {
    const { next } = adviseFit(BLAZER, [
      blazer('38R', { button: 'small', lapels: 'small', shoulder: 'small' }),
    ]);
    expect(next?.label).toBe('40R');
  });

  it('takes the nearest that is made and goes the same way, and says what was asked for', () => {
    const { next } = adviseFit(BLAZER, [blazer('40L', { button: 'small' })]);
    expect(next).toEqual(jasmine.objectContaining({ label: '42R', insteadOf: '42L' }));
  });

  it('comes to made to measure where the part has no size beyond', () => {
    const { next, ways } = adviseFit(BLAZER, [blazer('42R', { button: 'small' })]);
    expect(next).toBeNull();
    expect(ways.map(sayWay)).toEqual(['made to measure']);
  });

  it('alters a hem that is rather too long, and goes to the shorter leg where it folds more than once', () => {
    const hem = (answer: string, leg = '32') =>
      adviseFit(TROUSERS, [{ sizes: { waist: '34', leg }, seen: seen({ waist: RIGHT, hem: answer }) }]);
    const rather = hem('rather');
    expect([rather.next, rather.ways.map(sayWay)]).toEqual([null, ['shorten the leg', 'made to measure']]);
    expect(hem('large').ways.map(sayWay)).toEqual([
      'try 34x30: a shorter leg',
      'shorten the leg',
      'made to measure',
    ]);
    // The shortest that there is: it is shortened before anything is made to measure.
    expect(hem('large', '30').ways.map(sayWay)).toEqual(['shorten the leg', 'made to measure']);
    const coat = adviseFit(BLAZER, [blazer('40R', { ...allRight(BLAZER), hem: 'rather' })]);
    expect([coat.next, coat.ways.map(sayWay)]).toEqual([null, ['shorten the length', 'made to measure']]);
  });

  it('never proposes a size again that was tried', () => {
    const { next, ways, contradictions } = adviseFit(TROUSERS, [
      { sizes: { waist: '34', leg: '32' }, seen: seen({ waist: 'small' }) },
      { sizes: { waist: '36', leg: '32' }, seen: seen({ waist: 'large' }) },
    ]);
    expect(next).toBeNull();
    expect(contradictions.map(sayContradiction)).toEqual([
      'In 34 “there is less”, in 36 “there is more”: no size lies between. What is too large can be taken in: take the larger, and alter the waist.',
    ]);
    expect(ways.map(sayWay)).toEqual(['take in the waist', 'made to measure']);
  });

  it('holds against a size only what was seen of that size', () => {
    const { next, contradictions } = adviseFit(BLAZER, [
      blazer('42R', { button: 'large' }),
      blazer('38R', { button: 'small' }),
    ]);
    expect([next?.label, contradictions]).toEqual(['40R', []]);
  });

  it('holds against a size of one part nothing that was seen of another', () => {
    const { contradictions } = adviseFit(TROUSERS, [
      { sizes: { waist: '36', leg: '32' }, seen: seen({ hem: 'large' }) },
      { sizes: { waist: '34', leg: '32' }, seen: seen({ waist: 'small' }) },
    ]);
    expect(contradictions).toEqual([]);
  });

  it('says what contradicts, and goes the way the trade goes', () => {
    const cases = [
      // A shoulder cannot be mended, and neither can a chest be let out.
      [{ button: 'small', shoulder: 'large' }, 'neither', null],
      [{ shoulder: 'small', button: 'large' }, 'larger-altered', '40R'],
    ] as const;
    for (const [answers, rule, next] of cases) {
      const advice = adviseFit(BLAZER, [blazer('38R', answers)]);
      expect(advice.contradictions.map((one) => one.rule)).toEqual([rule]);
      expect(advice.next?.label ?? null).toBe(next);
    }
    const [first] = adviseFit(BLAZER, [blazer('38R', cases[0][0])]).contradictions;
    expect(sayContradiction(first!)).toBe(
      '“it pulls at the button” asks for a larger chest, “it stands out and collapses” for a smaller. A tailor cannot alter either well: use another cut of this garment, or made to measure.',
    );
  });

  it('mends what is mended where two things contradict each other', () => {
    const { contradictions, ways } = adviseFit(BLAZER, [
      blazer('38R', { shoulder: 'small', button: 'large' }),
    ]);
    expect(contradictions[0]!.rule).toBe('larger-altered');
    expect(ways.filter(({ does }) => does === 'alter').map(sayWay)).toEqual([
      'take in the chest',
      'take in the waist',
    ]);
  });

  it('tries no size again for being the nearest that is made', () => {
    const worn = [blazer('38L', { button: 'large' }), blazer('36R', { hem: 'small' })];
    const { next } = adviseFit(BLAZER, worn);
    expect(next?.label).withContext('36L is not made, 38L was on').not.toBe('38L');
  });

  it('goes on with the other parts where one contradicts itself', () => {
    const { next } = adviseFit(BLAZER, [blazer('38R', { button: 'small', shoulder: 'large', hem: 'small' })]);
    expect(next?.label).toBe('38L');
  });

  it('puts coverage before comfort on a vest, and alters nothing', () => {
    const panels = wholeSheet({
      kind: 'vest',
      parts: [{ ...scale('panel', 'chest-girth', ['36', '40', '44']), name: 'Panels' }],
    });
    const { next, contradictions, ways } = adviseFit(panels, [
      { sizes: { panel: '40' }, seen: seen({ overlap: 'small', bind: 'large' }) },
    ]);
    expect(next?.label).toBe('44');
    expect(contradictions[0]!.rule).toBe('coverage');
    expect(sayContradiction(contradictions[0]!)).toContain('Coverage comes before comfort: take the larger');
    expect(ways.some(({ does }) => does === 'alter')).toBeFalse();
  });

  describe('of a protective length', () => {
    const vest = wholeSheet({
      kind: 'vest',
      parts: [
        { ...scale('panel', 'chest-girth', ['1', '2'], {}, ['90-100', '100-110']), name: 'Chest panel' },
        { ...scale('front', 'abdominal-girth', ['S', 'R'], {}, ['80-90', '90-100']), name: 'Front' },
        {
          ...scale('front-length', 'notch-to-belt-seated', ['14', '15', '16'], {}, [
            '33-35',
            '35-38',
            '38-41',
          ]),
          name: 'Front length',
        },
      ],
    });
    const worn = (
      length: string,
      answers: Readonly<Record<string, string | null>>,
      carrier: string | null = null,
    ): Trial => ({
      sizes: { panel: '1', front: 'S', 'front-length': length },
      seen: seen(answers),
      carrier,
    });

    it('that is wanted longer and shorter at once, says that it is the wrong cut, and proposes no longer one', () => {
      const advice = adviseFit(vest, [worn('15', { 'gap-seated': 'throat', bare: 'small' })]);
      const { next, ways, contradictions } = advice;
      expect(sayOddsDiffer(advice, '15', [{ label: '14', chance: 0.9 }]))
        .withContext('the odds argue for no size that leaves somebody bare')
        .toBe('');
      expect(next).toBeNull();
      expect(ways.map(sayWay)[0]).toBe('made to measure');
      expect(contradictions.map(sayContradiction)).toEqual([
        '“the front is bare” asks for a longer front length, “it rises to the throat” for a shorter. This cut is wrong for this wearer: use another chart, or made to measure. In doubt take the longer one, which covers, and have a trained person check it again.',
      ]);
    });

    it('goes back to the one that covers where neither of two is right, and never on with the bare one', () => {
      const long = worn('15', { 'gap-seated': 'large' });
      const short = worn('14', { bare: 'small' });
      const bare = adviseFit(vest, [long, short]);
      expect(bare.next).toEqual(jasmine.objectContaining({ again: true, sizes: long.sizes }));
      expect(sayWay(bare.next!)).toMatch(/^go back to .*15: a longer front/);
      expect(bare.contradictions.map(sayContradiction)[0]).toContain('In doubt take 15, which covers');
      // Once it is on again, there is no third.
      expect(adviseFit(vest, [long, short, long]).next).toBeNull();
    });

    it('may come down over the belt in an outer carrier: that is noted, and no fault', () => {
      const carried = adviseFit(vest, [
        worn('15', { 'gap-seated': 'large', 'gap-standing': 'large' }, 'Dune carrier'),
      ]);
      expect([carried.faults, carried.next]).toEqual([[], null]);
      expect(carried.noted.map(({ says }) => says)).toEqual(['It rests on the belt', 'There is none']);
      const throat = adviseFit(vest, [worn('15', { 'gap-seated': 'throat' }, 'Dune carrier')]);
      expect(throat.next?.sizes['front-length']).toBe('14');
      const without = adviseFit(vest, [worn('15', { 'gap-seated': 'large' })]);
      expect([without.noted, without.next?.sizes['front-length']]).toEqual([[], '14']);
    });

    it('finds the front by its name, though another part is called a panel', () => {
      const { next } = adviseFit(vest, [worn('15', { overlap: 'small' })]);
      expect(next?.sizes).toEqual({ panel: '1', front: 'R', 'front-length': '15' });
    });
  });

  it('goes back to the larger where that is the one to alter', () => {
    const trousers = (waist: string, answer: string): Trial => ({
      sizes: { waist, leg: '32' },
      seen: seen({ waist: answer }),
    });
    const { next } = adviseFit(TROUSERS, [trousers('36', 'large'), trousers('34', 'small')]);
    expect([next?.label, next?.again]).toEqual(['36x32', true]);
  });

  it('owes what must be looked at until it was answered or left out with a reason', () => {
    const panels = wholeSheet({ kind: 'vest', parts: [scale('panel', 'chest-girth', ['36', '40'])] });
    const owed = (answers: Readonly<Record<string, string | null>>) =>
      adviseFit(panels, [{ sizes: { panel: '36' }, seen: seen(answers) }]).owed.map(({ code }) => code);
    expect(owed({ 'gap-standing': RIGHT })).toEqual(['gap-seated', 'overlap', 'order']);
    expect(owed({ 'gap-seated': RIGHT, order: null })).toEqual(['overlap']);
  });

  it('moves band and cup of a bra together', () => {
    const bra = wholeSheet({
      kind: 'bra',
      label: '{band}{cup}',
      parts: [
        { ...scale('band', 'underbust-girth', ['32', '34']), name: 'Band' },
        { ...scale('cup', 'bust-girth', ['B', 'C'], {}, ['34', '36']), name: 'Cup' },
      ],
    });
    const { next, ways } = adviseFit(bra, [
      { sizes: { band: '34', cup: 'B' }, seen: seen({ band: 'large' }) },
    ]);
    expect(next?.label).toBe('32C');
    expect(ways.map(sayWay)).toEqual([
      'try 32C: a smaller band and a larger cup',
      'first measure underbust and bust again',
      'made to measure',
    ]);
    const tight = adviseFit(bra, [{ sizes: { band: '32', cup: 'C' }, seen: seen({ band: 'small' }) }]);
    expect(tight.next?.label).withContext('the letter goes the other way').toBe('34B');
    const dig = adviseFit(bra, [{ sizes: { band: '32', cup: 'C' }, seen: seen({ straps: 'dig' }) }]);
    expect([dig.next, sayWay(dig.ways[0]!)]).toEqual([
      null,
      'lengthen the straps; if they still dig, measure again',
    ]);
    // At the end of one of the two there is no such size.
    const none = adviseFit(bra, [{ sizes: { band: '34', cup: 'C' }, seen: seen({ band: 'large' }) }]);
    expect([none.next, none.ways.map(sayWay)]).toEqual([
      null,
      ['first measure underbust and bust again', 'made to measure'],
    ]);
  });

  it('takes a fault that this version does not know for none', () => {
    const { faults, next } = adviseFit(BLAZER, [blazer('38R', { button: 'burst', bow: 'small' })]);
    expect([faults, next]).toEqual([[], null]);
  });
});
