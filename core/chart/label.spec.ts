import { compileChart, isMade, judge, labelOf, micrometres, nearestMade } from '../index';
import { seededRandom } from '../testing/random';
import { scale, wholeSheet } from '../testing/whole-sheet';

const WAISTS = ['28', '30', '32', '34', '36', '38'];
const LEGS = ['28', '30', '32', '34'];
const trousers = (made: Record<string, string[]> | null, label: string | null = '{waist}x{leg}') =>
  wholeSheet({
    label,
    parts: [scale('waist', 'trouser-waist-girth', WAISTS), scale('leg', 'inside-leg-length', LEGS)],
    combinations: made === null ? [] : [{ parts: ['waist', 'leg'], made }],
  });

describe('labelOf', () => {
  it('fills the template, or parts the sizes by spaces', () => {
    expect(labelOf(trousers(null), { waist: '34', leg: '32' })).toBe('34x32');
    expect(labelOf(trousers(null, null), { waist: '34', leg: '32' })).toBe('34 32');
  });
  it('is nothing while a part has no size', () =>
    expect(labelOf(trousers(null), { waist: '34' })).toBeNull());
});

describe('isMade', () => {
  it('takes a size for what is written of it, whatever every object has under its name', () => {
    const named = ['constructor', 'toString', 'valueOf'];
    const sheet = wholeSheet({
      parts: [
        scale('waist', 'trouser-waist-girth', named, {}, ['28', '30', '32']),
        scale('leg', 'inside-leg-length', LEGS, { offered: { by: 'waist', sizes: { constructor: ['30'] } } }),
      ],
      combinations: [{ parts: ['waist', 'leg'], made: { toString: ['28'], constructor: ['30'] } }],
    });
    expect(named.map((waist) => isMade(sheet, { waist, leg: '30' }))).toEqual([true, false, false]);
    expect(isMade(sheet, { waist: 'toString', leg: '28' })).toBeTrue();
    const girths = new Map([
      ['trouser-waist-girth', 32],
      ['inside-leg-length', 30],
    ] as const);
    const body = new Map(
      [...girths].map(([code, inches]) => [
        code,
        { value: micrometres(inches * 25_400), standardError: 1_000 },
      ]),
    );
    expect(judge(compileChart(sheet), body).verdict).toBe('not-made');
  });
});

describe('nearestMade', () => {
  it('names what is made nearest, what can be worn first, of equals the larger', () => {
    const sheet = trousers({ '32': ['30', '32'], '34': ['32'], '36': ['28'] });
    expect(isMade(sheet, { waist: '34', leg: '34' })).toBeFalse();
    expect(nearestMade(sheet, { waist: '34', leg: '34' }).map((sizes) => labelOf(sheet, sizes))).toEqual([
      '34x32',
      '36x28',
      '32x32',
      '32x30',
    ]);
  });

  it('is empty where nothing at all is made', () =>
    expect(nearestMade(trousers({}), { waist: '34', leg: '34' })).toEqual([]));

  it('finds what going through every combination finds', () => {
    const random = seededRandom(5);
    for (let chart = 0; chart < 60; chart++) {
      const made = Object.fromEntries(WAISTS.map((waist) => [waist, LEGS.filter(() => random() < 0.3)]));
      const sheet = trousers(made);
      const asked = {
        waist: WAISTS[Math.floor(random() * WAISTS.length)]!,
        leg: LEGS[Math.floor(random() * LEGS.length)]!,
      };
      if (made[asked.waist]!.includes(asked.leg)) continue;
      const away = (waist: string, leg: string) => [
        WAISTS.indexOf(waist) - WAISTS.indexOf(asked.waist),
        LEGS.indexOf(leg) - LEGS.indexOf(asked.leg),
      ];
      const all = WAISTS.flatMap((waist) => made[waist]!.map((leg) => [waist, leg] as const)).map(
        ([waist, leg]) => {
          const [a, b] = away(waist, leg) as [number, number];
          // Too tight a waist does not do, too short a leg may, all else is altered.
          const worn = a < 0 ? 2 : b < 0 ? 1 : 0;
          return { steps: Math.abs(a) + Math.abs(b), larger: a + b, worn };
        },
      );
      const within = (reach: number) => all.filter(({ steps }) => steps <= reach);
      const reach = [1, 2, 3, 4, 5].find(
        (one) => within(one).length >= 4 && within(one).some(({ worn }) => worn === 0),
      );
      const plainly = within(reach ?? 6)
        .sort((one, other) => one.worn - other.worn || one.steps - other.steps || other.larger - one.larger)
        .slice(0, 4)
        .map(({ steps, larger }) => ({ steps, larger }));
      const found = nearestMade(sheet, asked).map(({ waist, leg }) => {
        const [a, b] = away(waist!, leg!) as [number, number];
        return { steps: Math.abs(a) + Math.abs(b), larger: a + b };
      });
      expect(found).withContext(`chart ${chart}`).toEqual(plainly);
    }
  });
});
