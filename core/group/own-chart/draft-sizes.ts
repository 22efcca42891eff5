import { micrometres, type Length } from '../../quantity/length';

/** How the sizes of one measurement may lie. */
export interface SizesRule {
  /** How many sizes. */
  readonly count: number;
  /** So wide a size is at most. */
  readonly span: Length;
  /** Where sizes begin and end: at whole steps of this. */
  readonly grid: Length;
  /** Each as wide as fits, all equally wide, or as wide as a maker's grading says, smallest size first. */
  readonly widths: 'any' | 'equal' | readonly Length[];
}

/** Where one size begins, and where the next may. */
export interface DraftedSize {
  readonly from: Length;
  readonly until: Length;
  /** How many people it holds. */
  readonly holds: number;
}

/** Some sizes, and how well they do for the people they were drafted from. */
export interface DraftedSizes {
  readonly sizes: readonly DraftedSize[];
  /** How many people no size holds. */
  readonly left: number;
  /** How far people are from the middles of their sizes, in the mean, in micrometres. */
  readonly misfit: number;
}

/** The most steps between the smallest and the largest value. */
const MOST_STEPS = 2_000;

/** People by how many steps they lie above the first one. */
interface Cells {
  readonly first: number;
  readonly grid: number;
  readonly count: number;
  /** Sorted values, and where each cell's begin. */
  readonly values: Float64Array;
  readonly starts: Int32Array;
}

/**
 * Sizes by one measurement that leave fewest people out, and of those the ones whose middles lie nearest to the people: the
 * best there are on the grid, by dynamic programming over its steps (Bellman 1957, from memory), in steps x sizes x span.
 *
 * @param values of the people, in micrometres
 * @throws RangeError where the grid is so fine that there are more than 2,000 steps between people
 * @example draftSizes([cm(90), cm(91), cm(99)], { count: 2, span: cm(4), grid: cm(1), widths: 'any' }).left // 0
 */
export function draftSizes(values: readonly number[], rule: SizesRule): DraftedSizes {
  if (values.length === 0) return { sizes: [], left: 0, misfit: 0 };
  const cells = cellsOf(values, rule.grid);
  const most = Math.max(1, Math.floor(rule.span / rule.grid));
  const at =
    rule.widths === 'any'
      ? anyWidths(cells, rule.count, most)
      : rule.widths === 'equal'
        ? bestOf(
            cells,
            Array.from({ length: most }, (_, width) => new Array<number>(rule.count).fill(width + 1)),
          )
        : bestOf(cells, [rule.widths.map((width) => Math.max(1, Math.round(width / rule.grid)))]);
  return told(cells, at);
}

/** A stretch of cells. */
type Stretch = readonly [from: number, until: number];

function cellsOf(values: readonly number[], grid: number): Cells {
  const sorted = Float64Array.from(values).sort();
  const first = Math.floor(sorted[0]! / grid);
  const count = Math.floor(sorted.at(-1)! / grid) - first + 1;
  if (count > MOST_STEPS)
    throw new RangeError(
      `There are ${count} steps between the smallest and the largest. Choose larger steps.`,
    );
  const starts = new Int32Array(count + 1);
  for (const value of sorted) starts[Math.floor(value / grid) - first + 1]! += 1;
  for (let cell = 1; cell <= count; cell++) starts[cell]! += starts[cell - 1]!;
  return { first, grid, count, values: sorted, starts };
}

/** Twice how far all people of a stretch are from its middle. */
function costOf({ first, grid, values, starts, count }: Cells, from: number, until: number): number {
  const twiceMiddle = (2 * first + from + until) * grid;
  let sum = 0;
  const [low, high] = [clamped(from, count), clamped(until, count)];
  for (let at = starts[low]!; at < starts[high]!; at++) sum += Math.abs(2 * values[at]! - twiceMiddle);
  return sum;
}

function clamped(cell: number, count: number): number {
  return Math.min(count, Math.max(0, cell));
}

function heldBy({ starts, count }: Cells, [from, until]: Stretch): number {
  return starts[clamped(until, count)]! - starts[clamped(from, count)]!;
}

/** The best stretches, each at most so many cells wide, with whatever lies between them left out. */
function anyWidths(cells: Cells, count: number, most: number): Stretch[] {
  const { count: steps, values, starts, grid } = cells;
  // One person more left out is worse than any misfit there can be.
  const out = 2 * values.length * most * grid + 1;
  const costs = Array.from({ length: steps + 1 }, (_, until) =>
    Array.from({ length: Math.min(most, until) }, (__, width) => costOf(cells, until - width - 1, until)),
  );
  let best = Float64Array.from({ length: steps + 1 }, (_, cell) => starts[cell]! * out);
  const chosen: Int32Array[] = [];
  for (let size = 0; size < count; size++) {
    const next = new Float64Array(steps + 1);
    const widths = new Int32Array(steps + 1);
    for (let until = 1; until <= steps; until++) {
      next[until] = next[until - 1]! + (starts[until]! - starts[until - 1]!) * out;
      for (let width = 1; width <= Math.min(most, until); width++) {
        const cost = best[until - width]! + costs[until]![width - 1]!;
        if (cost < next[until]!) [next[until], widths[until]] = [cost, width];
      }
    }
    best = next;
    chosen.push(widths);
  }
  const stretches: Stretch[] = [];
  let until = steps;
  for (let size = count - 1; size >= 0 && until > 0; size--) {
    const widths = chosen[size]!;
    while (until > 0 && widths[until] === 0) until -= 1;
    if (until === 0) break;
    stretches.unshift([until - widths[until]!, until]);
    until -= widths[until]!;
  }
  return stretches;
}

/** Of sizes as wide as one of these says, side by side, where they begin best. */
function bestOf(cells: Cells, widths: readonly (readonly number[])[]): Stretch[] {
  let [best, left, cost]: [Stretch[], number, number] = [[], Infinity, Infinity];
  for (const own of widths) {
    const whole = own.reduce((sum, width) => sum + width, 0);
    for (let from = -whole + 1; from < cells.count; from++) {
      let until = from;
      const stretches = own.map((width): Stretch => [until, (until += width)]);
      const held = stretches.reduce((sum, stretch) => sum + heldBy(cells, stretch), 0);
      const out = cells.values.length - held;
      if (out > left) continue;
      const sum = stretches.reduce((all, [start, end]) => all + costOf(cells, start, end), 0);
      if (out < left || sum < cost) [best, left, cost] = [stretches, out, sum];
    }
  }
  return best;
}

function told(cells: Cells, stretches: readonly Stretch[]): DraftedSizes {
  const { first, grid, values } = cells;
  const sizes = stretches.map((stretch) => ({
    from: micrometres((first + stretch[0]) * grid),
    until: micrometres((first + stretch[1]) * grid),
    holds: heldBy(cells, stretch),
  }));
  const held = sizes.reduce((sum, { holds }) => sum + holds, 0);
  const twice = stretches.reduce((sum, [from, until]) => sum + costOf(cells, from, until), 0);
  return { sizes, left: values.length - held, misfit: held === 0 ? 0 : twice / 2 / held };
}
