import { keptGarment, type ToKeep } from '../sized';
import { placingCase } from './placing-case';
import type { LabelChance, Verdict } from '../../testing/all';

describe('who could wear what', () => {
  const one = (
    verdict: Verdict,
    size: string | null,
    odds: readonly LabelChance[],
    others: readonly string[] = [],
  ): ToKeep => ({
    size: { verdict, proposed: size, odds, alternates: others },
    stands: 'open',
    decided: null,
  });
  const garment = (found: readonly (ToKeep | null)[], protects = false) =>
    keptGarment(
      { chartId: 'c', seriesId: 's', version: 1, garment: 'Jacket', maker: 'Ostrel', protects },
      ['S', 'M', 'L'],
      found,
    );
  const choicesOf = (found: ToKeep, { protects = false, pin = '' } = {}) => {
    const pins = new Map(pin === '' ? [] : [[0, pin]]);
    const { people, apart, labels } = placingCase([garment([found], protects)], new Map(), [0], pins, {
      leastPercent: 10,
    });
    return people.length === 0
      ? apart[0]!.why
      : people[0]!.choices.map(({ label, misfit }) => `${labels[label]} ${misfit}`).join(', ') +
          (people[0]!.pinned === null ? '' : `, held to ${labels[people[0]!.pinned]}`);
  };
  const even = [
    { label: 'M', chance: 0.48 },
    { label: 'L', chance: 0.52 },
  ];

  it('is the proposal first, though another were as likely, and whatever is likely enough', () => {
    expect(choicesOf(one('edge', 'M', even))).toBe('M 480, L 481');
    expect(
      choicesOf(
        one('edge', 'M', [
          { label: 'M', chance: 0.95 },
          { label: 'L', chance: 0.05 },
        ]),
      ),
    ).toBe('M 50');
    expect(choicesOf(one('settled', 'M', [{ label: 'M', chance: 1 }]))).toBe('M 0');
  });

  it('counts how far off a size would be, by the odds of each other one', () => {
    const wide = one('split', 'M', [
      { label: 'M', chance: 0.4 },
      { label: 'S', chance: 0.35 },
      { label: 'L', chance: 0.2 },
      { label: null, chance: 0.05 },
    ]);
    const misfits = (stepsOf?: Parameters<typeof placingCase>[5]) =>
      placingCase([garment([wide])], new Map(), [0], new Map(), { leastPercent: 10 }, stepsOf).people[0]!
        .choices;
    const told = (all: ReturnType<typeof misfits>) =>
      all.map(({ label, misfit, chance }) => [label, misfit, chance]);
    expect(told(misfits())).toEqual([
      [1, 600, 400],
      [0, 650, 350],
      [2, 800, 200],
    ]);
    // From S to L it is two sizes.
    const order = ['S', 'M', 'L'];
    const apart = (first: string, second: string) => Math.abs(order.indexOf(first) - order.indexOf(second));
    expect(told(misfits(() => apart))).toEqual([
      [1, 600, 400],
      [0, 850, 350],
      [2, 1_150, 200],
    ]);
  });

  it('where the chart says that two sizes hold somebody, both do', () => {
    expect(choicesOf(one('overlap', 'M', [{ label: 'M', chance: 1 }], ['L']))).toBe('M 0, L 1');
    // Pulled two ways, what one measurement asks for does not fit.
    expect(choicesOf(one('split', 'L', [{ label: 'L', chance: 1 }], ['S']))).toBe('L 0');
  });

  it('of what protects is only the proposal, whoever wishes for another', () => {
    expect(choicesOf(one('edge', 'M', even), { protects: true, pin: 'L' })).toBe('M 520');
    expect(choicesOf(one('edge', 'M', even), { pin: 'S' })).toBe('M 480, L 481, S 1000, held to S');
  });

  it('nobody is placed of whom no size is known, or none is made', () => {
    expect(choicesOf(one('incomplete', null, []))).toBe('unknown');
    expect(choicesOf(one('suspect', null, []))).toBe('unknown');
    expect(choicesOf(one('beyond', 'L', [{ label: null, chance: 1 }]))).toBe('no-size');
    expect(choicesOf(one('not-made', null, [], ['M']))).toBe('no-size');
    const served = placingCase(
      [garment([{ ...one('settled', 'M', []), stands: 'in-hand', decided: 'M' }])],
      new Map(),
      [0],
      new Map(),
      { leastPercent: 10 },
    );
    expect(served.apart).toEqual([{ row: 0, why: 'served' }]);
  });

  it('what is decided stands, and takes from what there is', () => {
    const { people } = placingCase(
      [garment([{ ...one('settled', 'M', []), stands: 'decided', decided: 'L' }, null])],
      new Map([['L', 2]]),
      [0, 1],
      new Map([[0, 'M']]),
      { leastPercent: 10 },
    );
    expect(people).toEqual([
      { row: 0, choices: [{ label: 2, misfit: 0, chance: 1_000 }], pinned: 2, decided: true },
    ]);
  });
});
