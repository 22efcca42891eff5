import { compileChart, isMade, judge, labelOf, micrometres, nearestMade } from '../index';
import { labelReadTwice, sizesOfLabel } from './label-reading';
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

describe('sizesOfLabel', () => {
  /** A chart that was let in before labels were looked at. */
  const labelled = (label: string, sheet: Parameters<typeof wholeSheet>[0]) => ({
    ...wholeSheet(sheet),
    label,
  });

  it('is labelOf the other way round', () => {
    const sheet = trousers({ '34': ['32'], '36': ['30'] });
    expect(sizesOfLabel(sheet, '34x32')).toEqual({ waist: '34', leg: '32' });
    expect(sizesOfLabel(sheet, '34x30')).withContext('not made').toBeNull();
    expect(sizesOfLabel(sheet, '34x3')).toBeNull();
  });

  it('tries each size that a label may begin with', () => {
    const [bands, cups] = [
      ['3', '34', '340'],
      ['40', '0', 'D'],
    ];
    const sheet = labelled('{band}{cup}', {
      parts: [
        scale('band', 'underbust-girth', bands, {}, ['30', '34', '38']),
        scale('cup', 'bust-girth', cups, {}, ['1', '2', '3']),
      ],
    });
    expect(sizesOfLabel(sheet, '34D')).toEqual({ band: '34', cup: 'D' });
    expect(sizesOfLabel(sheet, '3400')).toEqual({ band: '340', cup: '0' });
    expect(labelReadTwice(sheet)?.label).toBe('340');
  });

  it('ends soon for a label that can be read in more ways than anybody counts', () => {
    const letters = Array.from({ length: 24 }, (_, at) => 'a'.repeat(at + 1));
    const cells = letters.map((_, at) => String(20 + at));
    const codes = [...'bcdefghi'];
    const parts = codes.map((code) => scale(code, 'chest-girth', letters, {}, cells));
    const label = codes.map((code) => `{${code}}`).join('');
    // Of the last two nothing is made together: no reading is right, and all would be tried.
    const combinations = [{ parts: ['h', 'i'] as [string, string], made: {} }];
    const sheet = labelled(label, { parts, combinations });
    const began = performance.now();
    for (const text of ['a'.repeat(96), `${'a'.repeat(96)}b`]) expect(sizesOfLabel(sheet, text)).toBeNull();
    // It took longer than anybody waited; no more than a halt of the machine is allowed for.
    expect(performance.now() - began).toBeLessThan(5_000);
    expect(labelReadTwice({ ...sheet, combinations: [] })).not.toBeNull();
  });

  it('is told of labels that stand for two sizes, and only of such', () => {
    expect(labelReadTwice(trousers(null))).toBeNull();
    expect(labelReadTwice(trousers(null, '{waist}{leg}'))).toBeNull();
    const pair = (made: Record<string, string[]> | null) =>
      labelled('{one}{two}', {
        parts: [
          scale('one', 'trouser-waist-girth', ['1', '12'], {}, ['30', '32']),
          scale('two', 'inside-leg-length', ['2', '22'], {}, ['30', '32']),
        ],
        combinations: made === null ? [] : [{ parts: ['one', 'two'], made }],
      });
    expect(labelReadTwice(pair(null))).toEqual({
      label: '122',
      readings: [
        { one: '12', two: '2' },
        { one: '1', two: '22' },
      ],
    });
    expect(labelReadTwice(pair({ '1': ['2'], '12': ['2', '22'] })))
      .withContext('one is not made')
      .toBeNull();
  });

  it('reads back every label of charts by chance, and finds every clash that going through all of them finds', () => {
    const random = seededRandom(31);
    const draw = (most: number) => Math.floor(random() * most);
    let clashes = 0;
    for (let round = 0; round < 300; round++) {
      const sizes = () => [
        ...new Set(
          Array.from({ length: 3 }, () => Array.from({ length: 1 + draw(3) }, () => 'ab'[draw(2)]).join('')),
        ),
      ];
      const [ones, twos, threes] = [sizes(), sizes(), sizes()];
      const between = ['', '-', 'a'][draw(3)];
      const part = (code: string, all: string[]) =>
        scale(
          code,
          'chest-girth',
          all,
          {},
          all.map((_, at) => `${20 + 4 * at}-${24 + 4 * at}`),
        );
      const made = Object.fromEntries(ones.map((k) => [k, twos.filter(() => draw(3) > 0)]));
      const combinations = draw(2) === 0 ? [] : [{ parts: ['k', 'l'] as [string, string], made }];
      const sheet = labelled(`{k}{l}${between}{m}`, {
        combinations,
        parts: [part('k', ones), part('l', twos), part('m', threes)],
      });
      const seen = new Map<string, number>();
      for (const k of ones)
        for (const l of twos)
          for (const m of threes) {
            const label = labelOf(sheet, { k, l, m })!;
            if (!isMade(sheet, { k, l, m })) continue;
            seen.set(label, (seen.get(label) ?? 0) + 1);
            expect(labelOf(sheet, sizesOfLabel(sheet, label) ?? {})).toBe(label);
          }
      const clash = labelReadTwice(sheet);
      expect(clash === null).toBe([...seen.values()].every((many) => many === 1));
      if (clash !== null) clashes += 1;
      for (const reading of clash?.readings ?? []) expect(labelOf(sheet, reading)).toBe(clash!.label);
    }
    expect(clashes).toBeGreaterThan(50);
  });
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
