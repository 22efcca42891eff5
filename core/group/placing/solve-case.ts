import type { Highs, ModelData } from 'highs';
import type { PlacingCase } from './placing-case';

/** What is made least, one after the other. */
export const AIMS = ['without', 'misfit', 'ordered'] as const;
export type Aim = (typeof AIMS)[number];

/** How a case is solved. */
export interface PlacingRule {
  /** All of `AIMS`, what matters most first. */
  readonly aims: readonly Aim[];
  /** Whether more may be ordered than there is. */
  readonly mayOrder: boolean;
}

/** How good a placing is: how many go without, the sum of misfits in thousandths of a size, and how many are ordered. */
export type Totals = Readonly<Record<Aim, number>>;

/** Who gets what. */
export interface Placing {
  /** By person of the case, the label they get; -1 for none. */
  readonly placed: readonly number[];
  /** How many of each label there are too few of. */
  readonly ordered: readonly number[];
  readonly totals: Totals;
  /** How many could be placed otherwise at once, and all would be as good. */
  readonly otherwise: number;
  /** What each pin costs, by row: how much better all would be without it. */
  readonly pins: readonly { readonly row: number; readonly costs: Totals }[];
  /** Whether nothing better can be; else the best that was found in time. */
  readonly isProven: boolean;
  /** How far from the best it may be, as a share of what was made least last; 0 where it is proven. */
  readonly gap: number;
}

/** How long a case is worked on. */
export interface PlacingLimits {
  readonly seconds: number;
}

/** Nobody asks of more pins what each costs. */
const MOST_PINS = 12;
const NOT_PLACED = -1;

/**
 * Places everybody of a case so that the aims are met one after the other: the first as well as can be, the next as well
 * as can be without giving up anything of the first, and so on. An integer program for each, solved by HiGHS: people and
 * sizes make a transportation problem (Hitchcock 1941), whose corners are whole numbers, so that it is first solved without
 * asking for them. To what is best for one aim the next keeps by its prices (complementary slackness), from memory.
 *
 * @param highs the solver, loaded
 * @param limits of the whole case; when it is over the best so far is told, with the gap. Where nothing was found at all
 *   that is everybody in their likeliest size in turn, as long as there is some
 * @example solveCase(highs, { labels: ['M'], stock: [1], people: [{ row: 0, choices: [{ label: 0, misfit: 0, chance: 1000 }], pinned: null, decided: false }], apart: [] }, { aims: ['without', 'misfit', 'ordered'], mayOrder: false }, { seconds: 5 }).placed // [0]
 */
export function solveCase(
  highs: Highs,
  one: PlacingCase,
  rule: PlacingRule,
  { seconds }: PlacingLimits,
): Placing {
  const until = performance.now() + seconds * 1_000;
  const best = byAims(highs, one, rule, until);
  const pinned = one.people
    .filter(({ pinned: own, decided }) => own !== null && !decided)
    .slice(0, MOST_PINS);
  const pins = pinned.flatMap(({ row }) => {
    const people = one.people.map((person) => (person.row === row ? { ...person, pinned: null } : person));
    const { totals, isProven } = byAims(highs, { ...one, people }, rule, until);
    // What a pin costs is only known where both are the best there is.
    return isProven && best.isProven ? [{ row, costs: minus(best.totals, totals) }] : [];
  });
  return { ...best, pins };
}

function minus(one: Totals, other: Totals): Totals {
  return {
    without: one.without - other.without,
    misfit: one.misfit - other.misfit,
    ordered: one.ordered - other.ordered,
  };
}

/** A case as columns and rows: a column for each size somebody could wear, then one for what is ordered of each label. */
class CaseModel {
  readonly columns: number;
  private readonly firstOf: readonly number[];
  private readonly lower: Float64Array;
  private readonly upper: Float64Array;
  private readonly rowLower: number[] = [];
  private readonly rowUpper: number[] = [];
  private readonly starts: number[] = [0];
  private readonly indices: number[] = [];
  private readonly values: number[] = [];

  constructor(
    private readonly highs: Highs,
    private readonly one: PlacingCase,
    mayOrder: boolean,
  ) {
    const { people, labels, stock } = one;
    let columns = 0;
    this.firstOf = people.map(({ choices }) => {
      const first = columns;
      columns += choices.length;
      return first;
    });
    this.columns = columns + labels.length;
    this.lower = new Float64Array(this.columns);
    this.upper = new Float64Array(this.columns).fill(1);
    const perLabel: number[][] = labels.map(() => []);
    const held = labels.map(() => 0);
    people.forEach(({ choices, pinned }, person) => {
      const own = choices.map((_, at) => this.firstOf[person]! + at);
      this.add(own, () => 1, 1);
      choices.forEach(({ label }, at) => {
        perLabel[label]!.push(own[at]!);
        if (label !== pinned) return;
        this.lower[own[at]!] = 1;
        held[label]! += 1;
      });
    });
    perLabel.forEach((own, label) => {
      const ordered = columns + label;
      this.add([...own, ordered], (column) => (column === ordered ? -1 : 1), stock[label]!);
      // Whoever is held to a size gets it, even where there is none left.
      this.upper[ordered] = mayOrder ? own.length : Math.max(0, held[label]! - stock[label]!);
    });
  }

  private add(columns: readonly number[], by: (column: number) => number, most: number): void {
    for (const column of columns) {
      this.indices.push(column);
      this.values.push(by(column));
    }
    this.starts.push(this.indices.length);
    this.rowLower.push(-Infinity);
    this.rowUpper.push(most);
  }

  /** What an aim counts, as a cost a column. */
  costs(aim: Aim): Float64Array {
    const costs = new Float64Array(this.columns);
    this.one.people.forEach(({ choices }, person) =>
      choices.forEach(({ misfit }, at) => {
        costs[this.firstOf[person]! + at] = aim === 'without' ? -1 : aim === 'misfit' ? misfit : 0;
      }),
    );
    if (aim === 'ordered') costs.fill(1, this.columns - this.one.labels.length);
    return costs;
  }

  /** As many as can be get something else than they have. */
  costsOfSame(placed: readonly number[]): Float64Array {
    const costs = new Float64Array(this.columns);
    this.one.people.forEach(({ choices }, person) =>
      choices.forEach(({ label }, at) => {
        // Whoever has nothing has something else with anything.
        costs[this.firstOf[person]! + at] =
          placed[person] === NOT_PLACED ? -1 : placed[person] === label ? 1 : 0;
      }),
    );
    return costs;
  }

  /** Solves it for some costs; `null` where nothing was found in time. */
  solve(costs: Float64Array, until: number): Solved | null {
    const relaxed = this.run(costs, until, false);
    if (relaxed === null || relaxed.values.every((value) => Math.abs(value - Math.round(value)) < WHOLE))
      return relaxed;
    return this.run(costs, until, true);
  }

  /**
   * Keeps to what is as good as what was found: by the duals of a program that is solved, a column that has a price stays
   * where it is, and so does a row.
   */
  keep({ values, columnPrices, rows, rowPrices }: Solved): void {
    columnPrices.forEach((price, column) => {
      if (Math.abs(price) < PRICE) return;
      const value = Math.round(values[column]!);
      [this.lower[column], this.upper[column]] = [value, value];
    });
    rowPrices.forEach((price, row) => {
      if (Math.abs(price) < PRICE) return;
      const value = Math.round(rows[row]!);
      [this.rowLower[row], this.rowUpper[row]] = [value, value];
    });
  }

  /** Who gets what by the values of the columns. */
  placed(values: Float64Array): number[] {
    return this.one.people.map(({ choices }, person) => {
      const at = choices.findIndex((_, choice) => values[this.firstOf[person]! + choice]! > 0.5);
      return at < 0 ? NOT_PLACED : choices[at]!.label;
    });
  }

  private run(costs: Float64Array, until: number, whole: boolean): Solved | null {
    const { highs } = this;
    const seconds = (until - performance.now()) / 1_000;
    if (seconds <= 0) return null;
    return highs.withModel(this.data(costs, whole), (model) => {
      model.options.set({ output_flag: false, time_limit: seconds, mip_abs_gap: 0.5, mip_rel_gap: 0 });
      const { modelStatus } = model.run();
      const { optimal, timeLimit } = highs.constants.modelStatus;
      const gap = whole ? Number(model.info.get('mip_gap')) : 0;
      if (modelStatus !== optimal && !(whole && modelStatus === timeLimit && Number.isFinite(gap)))
        return null;
      const { colValue, colDual, rowValue, rowDual } = model.getSolution();
      const none = new Float64Array(0);
      return {
        ...{ values: colValue, rows: rowValue, isProven: modelStatus === optimal },
        gap: modelStatus === optimal ? 0 : gap,
        ...(whole ? { columnPrices: none, rowPrices: none } : { columnPrices: colDual, rowPrices: rowDual }),
      };
    });
  }

  private data(costs: Float64Array, whole: boolean): ModelData {
    const { highs, columns, lower, upper, starts } = this;
    return {
      ...{ numCols: columns, numRows: this.rowUpper.length },
      ...{ colCost: costs, colLower: lower, colUpper: upper },
      rowLower: Float64Array.from(this.rowLower),
      rowUpper: Float64Array.from(this.rowUpper),
      matrix: {
        ...{ format: 'csr', numRows: this.rowUpper.length, numCols: columns },
        starts: Int32Array.from(starts),
        indices: Int32Array.from(this.indices),
        values: Float64Array.from(this.values),
      },
      ...(whole ? { integrality: new Int32Array(columns).fill(highs.constants.variableType.integer) } : {}),
    };
  }
}

/** A program solved. Prices are there where it was solved without asking for whole numbers. */
interface Solved {
  readonly values: Float64Array;
  readonly rows: Float64Array;
  readonly columnPrices: Float64Array;
  readonly rowPrices: Float64Array;
  readonly isProven: boolean;
  readonly gap: number;
}

/** What is nearer than this to a whole number is it. */
const WHOLE = 1e-6;
/** All costs are whole, and so are the prices: less than half of one is none. */
const PRICE = 0.5;

function byAims(
  highs: Highs,
  one: PlacingCase,
  { aims, mayOrder }: PlacingRule,
  until: number,
): Omit<Placing, 'pins'> {
  if (one.people.length === 0)
    return { placed: [], ...counted(one, []), otherwise: 0, gap: 0, isProven: true };
  const model = new CaseModel(highs, one, mayOrder);
  let [placed, gap, isProven]: [number[] | null, number, boolean] = [null, 0, true];
  for (const aim of aims) {
    const found = model.solve(model.costs(aim), until);
    // What is there meets the aims before.
    if (found === null) isProven = false;
    else {
      placed = model.placed(found.values);
      model.keep(found);
      // Where whole numbers had to be asked for there are no prices, and nothing to keep to.
      isProven = found.isProven && found.columnPrices.length > 0;
      gap = found.gap;
    }
    if (!isProven) break;
  }
  if (placed === null) {
    const inTurn = placedInTurn(one, mayOrder);
    return { placed: inTurn, ...counted(one, inTurn), otherwise: 0, gap: 1, isProven: false };
  }
  const other = isProven ? model.solve(model.costsOfSame(placed), until) : null;
  const others = other === null ? placed : model.placed(other.values);
  const otherwise = placed.filter((label, person) => label !== others[person]).length;
  return { placed, ...counted(one, placed), otherwise, gap, isProven };
}

/** Everybody in turn in the likeliest size that is left, whoever is held to one first. */
function placedInTurn({ people, stock }: PlacingCase, mayOrder: boolean): number[] {
  const left = [...stock];
  for (const { pinned } of people) if (pinned !== null) left[pinned]! -= 1;
  return people.map(({ choices, pinned }) => {
    if (pinned !== null) return pinned;
    const own = choices.find(({ label }) => left[label]! > 0) ?? (mayOrder ? choices[0] : undefined);
    if (own === undefined) return NOT_PLACED;
    left[own.label]! -= 1;
    return own.label;
  });
}

/** What a placing comes to. */
function counted(
  { people, labels, stock }: PlacingCase,
  placed: readonly number[],
): Pick<Placing, 'ordered' | 'totals'> {
  const taken = new Array<number>(labels.length).fill(0);
  let [without, misfit] = [0, 0];
  people.forEach(({ choices }, person) => {
    const choice = choices.find(({ label }) => label === placed[person]);
    if (choice === undefined) without += 1;
    else {
      misfit += choice.misfit;
      taken[choice.label]! += 1;
    }
  });
  const ordered = taken.map((count, label) => Math.max(0, count - stock[label]!));
  return { ordered, totals: { without, misfit, ordered: ordered.reduce((sum, count) => sum + count, 0) } };
}
