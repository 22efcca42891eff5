import highsLoader, { type Highs } from 'highs';
import { drawFrom } from '../../testing/random-chart';
import { seededRandom } from '../../testing/random';
import { AIMS, solveCase, type Aim, type PlacingRule, type Totals } from './solve-case';
import type { PlacingCase } from './placing-case';

const CASES = 500;
const ORDERS: readonly (readonly Aim[])[] = [
  ['without', 'misfit', 'ordered'],
  ['without', 'ordered', 'misfit'],
  ['ordered', 'without', 'misfit'],
  ['misfit', 'without', 'ordered'],
];

/** Every way to place everybody, counted: the best of them, and how many of a person's places occur in any best one. */
function byTrying(one: PlacingCase, { aims, mayOrder }: PlacingRule): Totals {
  const held = one.labels.map((_, label) => one.people.filter(({ pinned }) => pinned === label).length);
  let best: Totals | null = null;
  const place = (person: number, taken: readonly number[], without: number, misfit: number): void => {
    if (person === one.people.length) {
      const over = taken.map((count, label) => Math.max(0, count - one.stock[label]!));
      if (!mayOrder && over.some((count, label) => count > Math.max(0, held[label]! - one.stock[label]!)))
        return;
      const totals = { without, misfit, ordered: over.reduce((sum, count) => sum + count, 0) };
      if (best === null || isBetter(totals, best, aims)) best = totals;
      return;
    }
    const { choices, pinned } = one.people[person]!;
    for (const { label, misfit: own } of choices)
      if (pinned === null || pinned === label)
        place(person + 1, taken.with(label, taken[label]! + 1), without, misfit + own);
    if (pinned === null) place(person + 1, taken, without + 1, misfit);
  };
  place(
    0,
    one.labels.map(() => 0),
    0,
    0,
  );
  return best!;
}

function isBetter(one: Totals, other: Totals, aims: readonly Aim[]): boolean {
  const aim = aims.find((own) => one[own] !== other[own]);
  return aim !== undefined && one[aim] < other[aim];
}

describe('placing', () => {
  let highs: Highs;
  beforeAll(async () => (highs = await highsLoader()));

  const person = (
    choices: readonly (readonly [label: number, misfit: number])[],
    pinned: number | null = null,
  ) => ({
    ...{ row: 0, pinned, decided: false },
    choices: choices.map(([label, misfit]) => ({ label, misfit, chance: 0 })),
  });
  const two = (stock: readonly number[], people: PlacingCase['people']): PlacingCase => ({
    ...{ labels: ['M', 'L'], stock, apart: [] },
    people: people.map((one, row) => ({ ...one, row })),
  });
  const rule: PlacingRule = { aims: AIMS, mayOrder: false };
  const solve = (one: PlacingCase, changes: Partial<PlacingRule> = {}) =>
    solveCase(highs, one, { ...rule, ...changes }, { seconds: 10 });

  it('is as good as the best of all ways there are', () => {
    const draw = drawFrom(seededRandom(32));
    for (let at = 0; at < CASES; at++) {
      const labels = ['S', 'M', 'L', 'XL'].slice(0, 2 + draw(2));
      const people = Array.from({ length: draw(6) }, (_, row) => {
        const first = draw(labels.length - 1);
        const choices = [first, first + 1]
          .filter((label) => label < labels.length && (label === first || draw(3) > 0))
          .map((label) => ({ label, misfit: draw(1_000), chance: 0 }));
        const pinned = draw(7) === 0 ? choices.at(-1)!.label : null;
        return { row, choices, pinned, decided: pinned !== null && draw(1) === 0 };
      });
      const one = { labels, people, stock: labels.map(() => draw(3)), apart: [] };
      const own = { aims: ORDERS[draw(ORDERS.length - 1)]!, mayOrder: draw(1) === 0 };
      const found = solveCase(highs, one, own, { seconds: 10 });
      expect(found.totals).withContext(`case ${at}, ${own.aims.join()}`).toEqual(byTrying(one, own));
      expect(found.isProven).toBeTrue();
    }
  });

  it('moves whoever it costs least, and nobody else', () => {
    const found = solve(
      two(
        [1, 2],
        [
          person([
            [0, 100],
            [1, 900],
          ]),
          person([
            [0, 400],
            [1, 600],
          ]),
        ],
      ),
    );
    expect([found.placed, found.totals]).toEqual([[0, 1], { without: 0, misfit: 700, ordered: 0 }]);
    expect(found.otherwise).toBe(0);
  });

  it('says that others are as good', () => {
    const alike = person([
      [0, 400],
      [1, 600],
    ]);
    expect(solve(two([1, 1], [alike, alike])).otherwise).toBe(2);
  });

  it('a pin is held, even to what must be ordered, and what it costs is told', () => {
    const [first, second] = [
      person([
        [0, 100],
        [1, 900],
      ]),
      person(
        [
          [0, 400],
          [1, 600],
        ],
        0,
      ),
    ];
    const found = solve(two([1, 2], [first, second]));
    expect(found.placed).toEqual([1, 0]);
    expect(found.pins).toEqual([{ row: 1, costs: { without: 0, misfit: 600, ordered: 0 } }]);
    const none = solve(two([0, 0], [second]));
    expect([none.placed, none.totals.ordered]).toEqual([[0], 1]);
  });

  it('where time is over before anything was found everybody is placed in turn, and that is said', () => {
    const alike = person([
      [0, 400],
      [1, 600],
    ]);
    const late = (mayOrder: boolean) =>
      solveCase(
        highs,
        two([1, 1], [alike, alike, person([[0, 0]], 0), alike]),
        { ...rule, mayOrder },
        { seconds: 0 },
      );
    expect([late(false).placed, late(false).isProven, late(false).pins]).toEqual([[1, -1, 0, -1], false, []]);
    expect([late(true).placed, late(true).totals.ordered]).toEqual([[1, 0, 0, 0], 2]);
  });

  it('nobody, and nothing there, are cases too', () => {
    expect(solve(two([0, 0], [])).totals).toEqual({ without: 0, misfit: 0, ordered: 0 });
    const one = [person([[0, 0]])];
    expect(solve(two([0, 0], one)).placed).toEqual([-1]);
    expect(solve(two([0, 0], one), { mayOrder: true }).totals).toEqual({ without: 0, misfit: 0, ordered: 1 });
  });
});
