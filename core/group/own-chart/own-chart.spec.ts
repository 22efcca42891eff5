import { cm, compileChart, judge, type Length } from '../../testing/all';
import { drawFrom } from '../../testing/random-chart';
import { seededRandom } from '../../testing/random';
import {
  draftPairs,
  draftSizes,
  sheetOfPairs,
  sheetOfSizes,
  shareOf,
  type PairsRule,
  type SizesRule,
} from '.';

const HEAD = { maker: 'Own', garment: 'Smock', kind: 'other', unit: 'cm', from: 'From 4 wearers.' } as const;

/** The least people left out and the least misfit of all ways to lay sizes on the grid, one after the other. */
function byTrying(values: readonly number[], { count, span, grid }: SizesRule): [number, number] {
  const steps = values.map((value) => value / grid);
  const [first, last] = [Math.floor(Math.min(...steps)), Math.floor(Math.max(...steps)) + 1];
  const most = Math.floor(span / grid);
  let best: [number, number] = [Infinity, Infinity];
  const lay = (from: number, sizes: readonly (readonly [number, number])[]): void => {
    let [left, misfit] = [0, 0];
    for (const value of values) {
      const own = sizes.find(([start, end]) => start * grid <= value && value < end * grid);
      if (own === undefined) left += 1;
      else misfit += Math.abs(value - ((own[0] + own[1]) * grid) / 2);
    }
    if (left < best[0] || (left === best[0] && misfit < best[1])) best = [left, misfit];
    if (sizes.length === count) return;
    for (let start = from; start < last; start++)
      for (let end = start + 1; end <= Math.min(last, start + most); end++)
        lay(end, [...sizes, [start, end]]);
  };
  lay(first, []);
  return best;
}

function choices<One>(all: readonly One[], count: number): One[][] {
  if (count === 0) return [[]];
  return all.flatMap((one, at) => choices(all.slice(at + 1), count - 1).map((rest) => [one, ...rest]));
}

/** The least cost of any middles at all. */
function leastCost(
  people: readonly (readonly [number, number])[],
  { count, spans, grids }: PairsRule,
): number {
  const middles = [
    ...new Map(
      people.map((person) => {
        const own = [0, 1].map((at) => Math.round(person[at]! / grids[at]!) * grids[at]!);
        return [own.join(), own] as const;
      }),
    ).values(),
  ];
  const costs = choices(middles, Math.min(count, middles.length)).map((chosen) =>
    people.reduce((sum, person) => {
      const own = chosen.map((middle) => {
        const off = [0, 1].map((at) => person[at]! - middle[at]!);
        const isIn = off.every((one, at) => 2 * one >= -spans[at]! && 2 * one < spans[at]!);
        return isIn
          ? off.reduce((all, one, at) => all + Math.abs(one) / spans[at]! / 2, 0)
          : people.length + 1;
      });
      return sum + Math.min(...own);
    }, 0),
  );
  return Math.min(...costs);
}

describe('a chart from people', () => {
  it('by one measurement is as good as the best of all ways there are', () => {
    const draw = drawFrom(seededRandom(5));
    for (let at = 0; at < 120; at++) {
      const values = Array.from({ length: 1 + draw(9) }, () => cm(90) + draw(100) * 1_000);
      const rule: SizesRule = { count: 1 + draw(2), span: cm(1 + draw(3)), grid: cm(1), widths: 'any' };
      const { left, misfit } = draftSizes(values, rule);
      const [out, sum] = byTrying(values, rule);
      expect(left).withContext(`case ${at}`).toBe(out);
      expect(misfit * (values.length - left))
        .withContext(`case ${at}`)
        .toBeCloseTo(sum, 3);
    }
  });

  it('holds steps that are equal, or a maker’s', () => {
    const values = [90, 91, 95, 96, 97, 103, 104].map((one) => cm(one));
    const widthsOf = (widths: SizesRule['widths'], count = 3) =>
      draftSizes(values, { count, span: cm(6), grid: cm(1), widths }).sizes.map(
        ({ from, until }) => (until - from) / 10_000,
      );
    const equal = widthsOf('equal');
    expect(new Set(equal).size).toBe(1);
    expect(widthsOf([cm(4), cm(5), cm(6)])).toEqual([4, 5, 6]);
    const graded = draftSizes(values, { count: 3, span: cm(6), grid: cm(1), widths: [cm(4), cm(5), cm(6)] });
    expect(graded.sizes[1]!.from).toBe(graded.sizes[0]!.until);
    expect(graded.left).toBe(0);
  });

  it('never leaves more out with a further size', () => {
    const draw = drawFrom(seededRandom(6));
    const values = Array.from({ length: 200 }, () => cm(80) + draw(400) * 1_000);
    const left = [1, 2, 3, 4, 5, 6].map(
      (count) => draftSizes(values, { count, span: cm(6), grid: cm(1), widths: 'any' }).left,
    );
    expect(left).toEqual([...left].sort((one, other) => other - one));
  });

  it('by two measurements is within a twentieth of the best there is', () => {
    const draw = drawFrom(seededRandom(7));
    for (let at = 0; at < 60; at++) {
      const people = Array.from({ length: 4 + draw(8) }, (): [number, number] => {
        const chest = cm(90) + draw(24) * 10_000;
        return [chest, chest - cm(14) + draw(8) * 10_000];
      });
      const rule: PairsRule = { count: 1 + draw(3), spans: [cm(8), cm(8)], grids: [cm(2), cm(2)] };
      const { cost } = draftPairs(people, rule);
      expect(cost)
        .withContext(`case ${at}`)
        .toBeLessThanOrEqual(leastCost(people, rule) * 1.05 + 1e-9);
    }
  });

  it('as a chart holds whom it says it holds', () => {
    const values = [88, 93, 97, 99, 106].map((one) => cm(one));
    const drafted = draftSizes(values, { count: 2, span: cm(8), grid: cm(1), widths: 'any' });
    const chart = compileChart(sheetOfSizes('chest-girth', drafted, HEAD));
    const held = values.filter(
      (value) => judge(chart, new Map([['chest-girth', { value, standardError: 0 }]])).verdict === 'settled',
    );
    expect(held.length).toBe(values.length - drafted.left);
    expect(chart.sheet.notes).toBe('From 4 wearers.');

    const people = values.map((value): [Length, Length] => [value, (value - cm(12)) as Length]);
    const spans = [cm(8), cm(8)] as const;
    const pairs = draftPairs(people, { count: 2, spans, grids: [cm(2), cm(2)] });
    const both = compileChart(sheetOfPairs(['chest-girth', 'waist-girth'], pairs, spans, HEAD));
    const inside = people.filter(([chest, waist]) => {
      const { verdict } = judge(
        both,
        new Map([
          ['chest-girth', { value: chest, standardError: 0 }],
          ['waist-girth', { value: waist, standardError: 0 }],
        ]),
      );
      return verdict === 'settled' || verdict === 'overlap';
    });
    expect(inside.length).toBe(people.length - pairs.left);
  });

  it('of nobody, and of one, has its answer', () => {
    const rule: SizesRule = { count: 3, span: cm(6), grid: cm(1), widths: 'any' };
    expect(draftSizes([], rule)).toEqual({ sizes: [], left: 0, misfit: 0 });
    expect(draftSizes([cm(98)], rule).sizes.length).toBe(1);
    expect(draftPairs([], { count: 2, spans: [cm(8), cm(8)], grids: [cm(1), cm(1)] }).left).toBe(0);
    expect(() => draftSizes([0, cm(100_000)], rule)).toThrowError(RangeError);
  });

  it('tells a share with how far it may be off', () => {
    expect(shareOf(0, 0)).toEqual({ share: 0, low: 0, high: 1 });
    const { low, high } = shareOf(81, 263);
    // Newcombe (1998), Statistics in Medicine 17, table I, from memory: 81 of 263 is 0.2553 to 0.3662.
    expect([low.toFixed(4), high.toFixed(4)]).toEqual(['0.2553', '0.3662']);
    expect(shareOf(10, 10).high).toBeCloseTo(1, 12);
    expect(shareOf(10, 10).low).toBeLessThan(0.75);
  });
});
