import type { MeasurementCode } from '../../body/catalogue/codes';
import type { ColumnCode } from '../../chart/column-code';
import { NONE } from '../../chart/cut-column';
import { labelOf } from '../../chart/label';
import type { LabelChance } from '../verdict';
import type { Kernel } from '../kernel/kernel';
import { DRAWS, normalCoordinate } from './low-discrepancy';

/** A reading as it enters the odds. */
export interface Weighed {
  readonly code: MeasurementCode;
  readonly value: number;
  /** In micrometres; none for what is not a reading's own. */
  readonly standardError: number;
  /** The step a reading is recorded to, where its chart says so: what is drawn is recorded so too. */
  readonly step?: number;
}

/** What the tape's error does to a garment. */
export interface Odds {
  /** For each part one probability a size, smallest first, then that of no size at all. */
  readonly parts: readonly Float64Array[];
  /** The likeliest first; those of at least one in a thousand. */
  readonly labels: readonly LabelChance[];
  /** How far what a column goes by is off, as a standard deviation in micrometres. */
  readonly deviations: ReadonlyMap<ColumnCode, number>;
}

/** Chances below this are not listed. */
export const LISTED_CHANCE = 0.001;

/**
 * The probability of each size of each part, and of each label: what share of drawn readings comes
 * to it.
 *
 * Every reading has a normal error of its own; a fixed, even set of draws is pushed through these
 * and judged by the kernel, like everybody. So whatever readings, parts and columns share, whatever
 * is rounded, refused or not made, is weighed as it is. A first even eighth of the draws is all there
 * is where nobody in it comes to another size: then less than about one in a thousand does.
 *
 * @param kernel the chart at work; its round is overwritten
 * @param readings the readings there are
 * @param columns of which columns the deviation is wanted
 * @param wholeLabels whether the chances of labels are; else there are none
 * @example drawOdds(new Kernel(compileChart(jacket.sheet)), [{ code: 'chest-girth', value: cm(98), standardError: 0 }, { code: 'waist-girth', value: cm(85), standardError: 0 }]).labels // [{ label: 'M', chance: 1 }]
 */
export function drawOdds(
  kernel: Kernel,
  readings: readonly Weighed[],
  columns: readonly ColumnCode[] = [],
  wholeLabels = true,
): Odds {
  const { parts, capacity } = kernel;
  // Without any error everybody who is drawn is the same.
  const first = readings.some(({ standardError }) => standardError > 0) ? Math.min(capacity, DRAWS / 8) : 1;
  const counts = parts.map((_, at) => new Float64Array(kernel.chart.parts[at]!.whole.sizes.length + 1));
  const labels = new LabelCounts(kernel);
  const count = (from: number, many: number) => {
    drawReadings(kernel, readings, from, many);
    kernel.run(many);
    parts.forEach(({ sizes }, at) => {
      const own = counts[at]!;
      const none = own.length - 1;
      for (let row = 0; row < many; row++) own[sizes[row] === NONE ? none : sizes[row]!]! += 1;
    });
    if (wholeLabels) labels.count(many);
  };
  count(0, first);
  const deviations = new Map(columns.map((code) => [code, deviation(kernel.values(code), first)]));
  let drawn = first;
  if (counts.some((own) => own.every((one) => one < first)))
    for (; drawn < DRAWS; drawn += first) count(drawn, first);
  return {
    parts: counts.map((own) => own.map((one) => one / drawn)),
    labels: wholeLabels ? labels.shares(drawn) : [],
    deviations,
  };
}

/**
 * Puts drawn readings into a kernel's next round: the points from `from` on, `many` of them; what was not read is not there.
 *
 * @example ((kernel) => (drawReadings(kernel, [{ code: 'chest-girth', value: cm(98), standardError: 0 }], 0, 2), [...kernel.input('chest-girth').slice(0, 2)]))(new Kernel(compileChart(jacket.sheet))) // [cm(98), cm(98)]
 */
export function drawReadings(kernel: Kernel, readings: readonly Weighed[], from: number, many: number): void {
  for (const code of kernel.chart.arithmetic.readings.keys()) kernel.input(code).fill(NaN, 0, many);
  let dimension = 0;
  for (const { code, value, standardError, step = 1 } of readings) {
    const input = kernel.input(code);
    if (standardError === 0) {
      input.fill(value, 0, many);
      continue;
    }
    const normals = normalCoordinate(dimension++);
    for (let row = 0; row < many; row++)
      input[row] = Math.round((value + standardError * normals[from + row]!) / step) * step;
  }
}

/** The sizes of some parts together, by their place in each, -1 for none. */
export interface SizesTogether {
  readonly sizes: readonly number[];
  readonly chance: number;
}

/**
 * How likely each of the sizes of some parts are together, by the draws that `drawOdds` makes.
 *
 * @param kernel the chart at work; its round is overwritten
 * @param at which parts, by their place in the chart
 * @example drawTogether(new Kernel(compileChart(jacket.sheet)), [{ code: 'chest-girth', value: cm(98), standardError: 0 }, { code: 'waist-girth', value: cm(85), standardError: 0 }], [0]) // [{ sizes: [0], chance: 1 }]
 */
export function drawTogether(
  kernel: Kernel,
  readings: readonly Weighed[],
  at: readonly number[],
): SizesTogether[] {
  const parts = at.map((part) => kernel.parts[part]!);
  const radix = at.map((part) => kernel.chart.parts[part]!.whole.sizes.length + 1);
  const counts = new Map<number, { readonly sizes: readonly number[]; count: number }>();
  const isSure = readings.every(({ standardError }) => standardError <= Number.MIN_VALUE);
  const first = isSure ? 1 : Math.min(kernel.capacity, DRAWS / 8);
  let drawn = 0;
  do {
    drawReadings(kernel, readings, drawn, first);
    kernel.run(first);
    for (let row = 0; row < first; row++) {
      let key = 0;
      for (let part = 0; part < parts.length; part++) key = key * radix[part]! + parts[part]!.sizes[row]! + 1;
      const known = counts.get(key);
      if (known !== undefined) known.count += 1;
      else counts.set(key, { sizes: parts.map(({ sizes }) => sizes[row]!), count: 1 });
    }
    drawn += first;
  } while (counts.size > 1 && drawn < DRAWS);
  return [...counts.values()]
    .map(({ sizes, count }) => ({ sizes, chance: count / drawn }))
    .sort((one, other) => other.chance - one.chance);
}

function deviation(values: Float64Array, count: number): number {
  let [sum, squares, known] = [0, 0, 0];
  const about = values.find((value) => !Number.isNaN(value)) ?? 0;
  for (let row = 0; row < count; row++) {
    const off = values[row]! - about;
    if (Number.isNaN(off)) continue;
    known += 1;
    sum += off;
    squares += off * off;
  }
  return known === 0 ? 0 : Math.sqrt(Math.max(0, squares / known - (sum / known) ** 2));
}

/** How often every combination of sizes is met: the sizes of one draw after the other as a path through a tree. */
class LabelCounts {
  private readonly counts: number[] = [0];
  private readonly paths: (readonly string[])[] = [[]];
  private readonly next = new Map<number, number>();
  private readonly nodes: Int32Array;
  private none = 0;

  constructor(private readonly kernel: Kernel) {
    this.nodes = new Int32Array(kernel.capacity);
  }

  count(many: number): void {
    const { parts, unmade } = this.kernel;
    const nodes = this.nodes.fill(0, 0, many);
    for (let row = 0; row < many; row++) if (unmade[row] === 1) nodes[row] = NONE;
    parts.forEach(({ sizes }, at) => {
      // Neighbours often go the same way.
      let [from, by, to] = [NONE, NONE, NONE];
      for (let row = 0; row < many; row++) {
        const [node, size] = [nodes[row]!, sizes[row]!];
        if (node === NONE) continue;
        if (node !== from || size !== by) {
          [from, by] = [node, size];
          to = size === NONE ? NONE : this.step(node, at, size);
        }
        nodes[row] = to;
      }
    });
    for (let row = 0; row < many; row++) {
      if (nodes[row] === NONE) this.none += 1;
      else this.counts[nodes[row]!]! += 1;
    }
  }

  private step(node: number, part: number, size: number): number {
    const key = node * MOST_SIZES_OF_A_PART + size;
    const known = this.next.get(key);
    if (known !== undefined) return known;
    const made = this.counts.push(0) - 1;
    this.paths.push([...this.paths[node]!, this.kernel.chart.parts[part]!.whole.sizes[size]!]);
    this.next.set(key, made);
    return made;
  }

  shares(drawn: number): LabelChance[] {
    const { sheet } = this.kernel.chart;
    const labels = this.counts.map((count, node): LabelChance => {
      const sizes = this.paths[node]!.map((size, at) => [sheet.parts[at]!.code, size] as const);
      return { label: labelOf(sheet, Object.fromEntries(sizes)), chance: count / drawn };
    });
    return [...labels, { label: null, chance: this.none / drawn }]
      .filter(({ chance }) => chance >= LISTED_CHANCE)
      .sort((one, other) => other.chance - one.chance);
  }
}

/** More than any part may have. */
const MOST_SIZES_OF_A_PART = 1_024;
