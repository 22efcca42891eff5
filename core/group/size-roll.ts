import type { MeasurementCode } from '../body/catalogue/codes';
import type { Kernel } from '../match/kernel/kernel';
import { asAnswer } from '../match/kernel/part-table';
import { AT_ONCE, type RollSizes } from './roll-sizes';
import { inPairs, plainTable, sharedAxes, Walk, type PlainChart, type SharedAxis } from './walk';

/**
 * Sizes everybody against many charts by their kernels. Each measurement is placed once among the
 * ends of all charts of one part together; such a part then says the same of all whose values lie
 * in the same stretches, so it is asked once a combination and looked up for the rest. Other charts
 * go through their kernels, round by round. Both are the kernels' own answers.
 *
 * @param wearers the measurements in micrometres, `NaN` for one not taken; all equally long
 * @param take is given what each chart says, some thousand wearers at a time, in their order
 * @throws RangeError for charts with more ends of sizes than can be counted in sixteen bits
 * @example ((sizes) => (sizeRoll([new Kernel(compileChart(jacket.sheet))], new Map([['chest-girth', Float64Array.of(cm(98), cm(104))], ['waist-girth', Float64Array.of(cm(85), cm(92))]]), (_, { from, count, answers }) => sizes.push(...answers.slice(0, count))), sizes.map(sizeIn)))([]) // [0, 1]
 */
export function sizeRoll(
  charts: readonly Kernel[],
  wearers: ReadonlyMap<MeasurementCode, Float64Array>,
  take: (chart: Kernel, sized: RollSizes) => void,
): void {
  const roll = new Roll(charts, wearers);
  for (const [from, many] of roll.blocks()) {
    roll.place(from, many);
    for (const walk of roll.walks) walk.walk(wearers, from, many, take);
    for (const round of roll.rounds) round.size(from, many, take);
  }
}

/** More answers than there can be. */
const ANSWERS = 1 << 12;

/**
 * How many of everybody have each answer, by chart: one count an answer, which `verdictIn` and
 * `sizeIn` take apart as they do for a wearer. What `sizeRoll` says, counted; where many have the same
 * answer it is not looked up for each, but their combinations are counted first.
 *
 * @param wearers the measurements in micrometres, `NaN` for one not taken; all equally long
 * @throws RangeError for charts with more ends of sizes than can be counted in sixteen bits
 * @example [...tallyRoll([new Kernel(compileChart(jacket.sheet))], new Map([['chest-girth', Float64Array.of(cm(98), cm(99))], ['waist-girth', Float64Array.of(cm(85), cm(86))]])).values()].map((counts) => Math.max(...counts)) // [2]
 */
export function tallyRoll(
  charts: readonly Kernel[],
  wearers: ReadonlyMap<MeasurementCode, Float64Array>,
): Map<Kernel, Int32Array> {
  const tallies = new Map(charts.map((chart) => [chart, new Int32Array(ANSWERS)]));
  const roll = new Roll(charts, wearers);
  for (const [from, many] of roll.blocks()) {
    roll.place(from, many);
    for (const walk of roll.walks) walk.count(many);
    for (const round of roll.rounds)
      round.size(from, many, (chart, sized) => {
        tallyAnswers(sized, tallies.get(chart)!);
      });
  }
  const open = roll.walks.filter((walk) => walk.sumUp(tallies));
  // Whoever is in a combination that is not known, or not enough, is asked for themselves.
  if (open.length > 0)
    for (const [from, many] of roll.blocks()) {
      roll.place(from, many);
      for (const walk of open) walk.askOpen(wearers, from, many, tallies);
    }
  return tallies;
}

function tallyAnswers({ answers, count }: RollSizes, tally: Int32Array): void {
  for (let row = 0; row < count; row++) tally[answers[row]!]! += 1;
}

/** Everybody and all charts, made ready: who is answered by walks and who by rounds. */
class Roll {
  readonly walks: readonly Walk[];
  readonly rounds: readonly Rounds[];
  private readonly shared: ReadonlyMap<MeasurementCode, SharedAxis>;
  private readonly count: number;

  constructor(
    charts: readonly Kernel[],
    private readonly wearers: ReadonlyMap<MeasurementCode, Float64Array>,
  ) {
    this.count = [...wearers.values()][0]?.length ?? 0;
    const missing = new Float64Array(this.count).fill(NaN);
    const plain = charts.flatMap((chart): PlainChart[] => {
      const table = plainTable(chart);
      return table === null || chart.codes.some((code) => !wearers.has(code)) ? [] : [{ chart, table }];
    });
    this.shared = sharedAxes(plain);
    this.walks = inPairs(plain).map((pair) => new Walk(pair, this.shared));
    this.rounds = charts
      .filter((chart) => plain.every((one) => one.chart !== chart))
      .map((chart) => new Rounds(chart, wearers, missing));
  }

  /** Where each block of wearers begins, and how many it has. */
  *blocks(): Generator<readonly [from: number, many: number]> {
    for (let from = 0; from < this.count; from += AT_ONCE) yield [from, Math.min(AT_ONCE, this.count - from)];
  }

  /** Finds the places of a block among the ends of all charts. */
  place(from: number, many: number): void {
    for (const [code, { axis, places }] of this.shared)
      axis.placeEach(this.wearers.get(code)!, from, many, places);
  }
}

/** A chart that goes through its kernel, as many at a time as that takes. */
class Rounds {
  private readonly columns: readonly Float64Array[];
  private readonly answers = new Uint16Array(AT_ONCE);
  private readonly furtherSizes: readonly Int16Array[];

  constructor(
    private readonly chart: Kernel,
    wearers: ReadonlyMap<MeasurementCode, Float64Array>,
    missing: Float64Array,
  ) {
    this.columns = chart.codes.map((code) => wearers.get(code) ?? missing);
    this.furtherSizes = chart.parts.slice(1).map(() => new Int16Array(AT_ONCE));
  }

  size(from: number, many: number, take: (chart: Kernel, sized: RollSizes) => void): void {
    const { chart, columns, answers, furtherSizes } = this;
    const [first, ...further] = chart.parts;
    for (let done = 0; done < many; done += chart.capacity) {
      const count = Math.min(chart.capacity, many - done);
      chart.take(columns, from + done, count);
      chart.run(count);
      const { verdicts } = chart;
      const sizes = first!.sizes;
      for (let row = 0; row < count; row++) answers[done + row] = asAnswer(verdicts[row]!, sizes[row]!);
      further.forEach((part, at) => furtherSizes[at]!.set(part.sizes.subarray(0, count), done));
    }
    take(chart, { from, count: many, answers, furtherSizes });
  }
}
