import type { MeasurementCode } from '../body/catalogue/codes';
import type { CutColumn } from '../chart/cut-column';
import { Axis } from '../match/kernel/axis';
import type { Kernel } from '../match/kernel/kernel';
import { asAnswer, ASK, type Answer, type PartTable } from '../match/kernel/part-table';

/** What a chart says of some wearers in a row. The arrays are used again for the next. */
export interface RollSizes {
  /** The first wearer, and how many there are. */
  readonly from: number;
  readonly count: number;
  /** One a wearer, the verdict and the size of the first part in one word: `verdictIn` and `sizeIn` take it apart. */
  readonly answers: Uint16Array;
  /** The sizes of the parts after the first by their index, -1 for none. */
  readonly furtherSizes: readonly Int16Array[];
}

/** How many wearers are taken at a time: what they need stays in a core's own cache. */
const AT_ONCE = 8_192;

/**
 * Sizes everybody against many charts by their kernels. Each measurement is placed once among the
 * ends of all charts of one part together; such a part then says the same of all whose values lie
 * in the same stretches, so it is asked once a combination and looked up for the rest. Other charts
 * go through their kernels, round by round. Both are the kernels' own answers.
 *
 * @param wearers the measurements in micrometres, `NaN` for one not taken; all equally long
 * @param take is given what each chart says, some thousand wearers at a time, in their order
 * @throws RangeError for charts with more ends of sizes than can be counted in sixteen bits
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

/** A chart of one part of few plain measurements, which a roll looks up by shared places. */
interface PlainChart {
  readonly chart: Kernel;
  readonly table: PartTable;
}

/** How many measurements a walk follows side by side. */
const WALKED = 3;
/** Two charts' combinations share a word. */
const MOST_COMBINATIONS = 1 << 16;

function plainTable({ parts: [part, ...more], codes }: Kernel): PartTable | null {
  const { whole, columns } = part!;
  const plain =
    more.length === 0 &&
    !part!.goesByAnother &&
    columns.length <= WALKED &&
    codes.length === columns.length &&
    columns.every(({ alwaysMissing, choices }, at) => alwaysMissing && choices[0]!.code === codes[at]);
  return plain && whole.combinations <= MOST_COMBINATIONS ? whole : null;
}

interface SharedAxis {
  readonly axis: Axis;
  readonly places: Uint16Array;
}

function sharedAxes(plain: readonly PlainChart[]): ReadonlyMap<MeasurementCode, SharedAxis> {
  const columns = new Map<MeasurementCode, CutColumn[]>();
  for (const { chart, table } of plain)
    chart.codes.forEach((code, at) => {
      const all = columns.get(code) ?? [];
      all.push(table.placer.columns[at]!);
      columns.set(code, all);
    });
  return new Map(
    [...columns].map(([code, all]) => [code, { axis: new Axis(all), places: new Uint16Array(AT_ONCE) }]),
  );
}

/** Two charts share a walk where they go by the same few measurements: one sum reckons for both. */
function inPairs(plain: readonly PlainChart[]): [PlainChart, PlainChart | null][] {
  const codes = ({ chart }: PlainChart) => [...chart.codes].sort();
  const left = [...plain].sort((a, b) => (codes(a).join() < codes(b).join() ? -1 : 1));
  const pairs: [PlainChart, PlainChart | null][] = [];
  while (left.length > 0) {
    const [one, next] = [left.shift()!, left[0]];
    const together = next !== undefined && new Set([...codes(one), ...codes(next)]).size <= WALKED;
    pairs.push([one, together ? left.shift()! : null]);
  }
  return pairs;
}

/** One or two plain charts, answered side by side from the shared places. */
class Walk {
  private readonly codes: readonly MeasurementCode[];
  private readonly places: readonly Uint16Array[];
  private readonly offsets: readonly Int32Array[];
  private readonly known: readonly [Uint16Array, Uint16Array];
  private readonly answers = [new Uint16Array(AT_ONCE), new Uint16Array(AT_ONCE)] as const;
  private readonly counts: readonly [Int32Array, Int32Array];
  private wasOpen: readonly Uint16Array[] | null = null;

  constructor(
    private readonly pair: readonly [PlainChart, PlainChart | null],
    shared: ReadonlyMap<MeasurementCode, SharedAxis>,
  ) {
    const [one, other] = pair;
    this.codes = [...new Set([...one.chart.codes, ...(other?.chart.codes ?? [])])];
    const nowhere = new Uint16Array(AT_ONCE);
    this.places = Array.from({ length: WALKED }, (_, at) => shared.get(this.codes[at]!)?.places ?? nowhere);
    this.offsets = Array.from(
      { length: WALKED },
      (_, at) => new Int32Array((shared.get(this.codes[at]!)?.axis.unknown ?? 0) + 1),
    );
    this.mark(one, 0, shared);
    if (other !== null) this.mark(other, 16, shared);
    // Beside a chart that walks alone goes one of a single answer.
    this.known = [one.table.table(), other?.table.table() ?? Uint16Array.of(ALONE)];
    this.counts = [new Int32Array(this.known[0].length), new Int32Array(this.known[1].length)];
  }

  walk(
    wearers: ReadonlyMap<MeasurementCode, Float64Array>,
    from: number,
    many: number,
    take: (chart: Kernel, sized: RollSizes) => void,
  ): void {
    const { known, answers, places, offsets } = this;
    let row = 0;
    while (
      (row = step(
        row,
        many,
        known[0],
        known[1],
        answers[0],
        answers[1],
        places[0]!,
        places[1]!,
        places[2]!,
        offsets[0]!,
        offsets[1]!,
        offsets[2]!,
      )) < many
    ) {
      let both = 0;
      for (let at = 0; at < WALKED; at++) both += offsets[at]![places[at]![row]!]!;
      this.ask(0, row, both & 0xffff, wearers, from);
      this.ask(1, row, both >>> 16, wearers, from);
      row += 1;
    }
    this.pair.forEach((one, at) => {
      if (one !== null) take(one.chart, { from, count: many, answers: answers[at]!, furtherSizes: [] });
    });
  }

  /** Counts a block by the combinations it is in. */
  count(many: number): void {
    const { counts, places, offsets } = this;
    countEach(
      many,
      counts[0],
      counts[1],
      places[0]!,
      places[1]!,
      places[2]!,
      offsets[0]!,
      offsets[1]!,
      offsets[2]!,
    );
  }

  /**
   * Adds the answers of all combinations that are known to the tallies.
   *
   * @returns whether somebody is in one that is not
   */
  sumUp(tallies: ReadonlyMap<Kernel, Int32Array>): boolean {
    let open = false;
    this.pair.forEach((one, at) => {
      if (one === null) return;
      const tally = tallies.get(one.chart)!;
      const known = this.known[at as 0 | 1];
      this.counts[at as 0 | 1].forEach((count, combination) => {
        if (count === 0) return;
        if (known[combination]! >= ASK) open = true;
        else tally[known[combination]!]! += count;
      });
    });
    return open;
  }

  /** Asks for everybody of a block in a combination that was open when it was summed up. */
  askOpen(
    wearers: ReadonlyMap<MeasurementCode, Float64Array>,
    from: number,
    many: number,
    tallies: ReadonlyMap<Kernel, Int32Array>,
  ): void {
    this.wasOpen ??= this.known.map((known) => known.map((one) => (one >= ASK ? 1 : 0)));
    for (let row = 0; row < many; row++) {
      let both = 0;
      for (let at = 0; at < WALKED; at++) both += this.offsets[at]![this.places[at]![row]!]!;
      for (const which of [0, 1] as const) {
        const one = this.pair[which];
        const combination = which === 0 ? both & 0xffff : both >>> 16;
        if (one === null || this.wasOpen[which]![combination] === 0) continue;
        const known = this.known[which][combination]!;
        if (known >= ASK) this.ask(which, row, combination, wearers, from);
        tallies.get(one.chart)![known >= ASK ? this.answers[which][row]! : known]! += 1;
      }
    }
  }

  private mark(
    { chart, table }: PlainChart,
    shift: number,
    shared: ReadonlyMap<MeasurementCode, SharedAxis>,
  ): void {
    let stride = 1;
    table.placer.columns.forEach((column, at) => {
      const code = chart.codes[at]!;
      const own = this.offsets[this.codes.indexOf(code)]!;
      shared
        .get(code)!
        .axis.stretchesOf(column)
        .forEach((stretch, place) => {
          own[place]! |= (stretch * stride) << shift;
        });
      stride *= column.points.length + 2;
    });
  }

  /** Sizes one wearer whose combination is not known, or not enough. */
  private ask(
    which: 0 | 1,
    row: number,
    combination: number,
    wearers: ReadonlyMap<MeasurementCode, Float64Array>,
    from: number,
  ): void {
    const one = this.pair[which];
    if (one === null || this.known[which][combination]! < ASK) return;
    const { chart, table } = one;
    for (const code of chart.codes) chart.input(code)[0] = wearers.get(code)![from + row]!;
    chart.run(1);
    const answer = asAnswer(chart.verdicts[0]!, chart.parts[0]!.sizes[0]!);
    this.answers[which][row] = answer;
    table.remember(combination, answer);
  }
}

/** Any answer of somebody. */
const ALONE = 1;

/**
 * The walk itself: nothing but numbers in and numbers out, so that it is compiled well.
 *
 * @returns the first row from `from` on without an answer of both charts; after the last, if all have one
 */
function step(
  from: number,
  count: number,
  knownOne: Uint16Array,
  knownOther: Uint16Array,
  answersOne: Uint16Array,
  answersOther: Uint16Array,
  placeA: Uint16Array,
  placeB: Uint16Array,
  placeC: Uint16Array,
  offsetA: Int32Array,
  offsetB: Int32Array,
  offsetC: Int32Array,
): number {
  let row = from;
  for (; row < count; row++) {
    const both = offsetA[placeA[row]!]! + offsetB[placeB[row]!]! + offsetC[placeC[row]!]!;
    const one = knownOne[both & 0xffff]!;
    const other = knownOther[both >>> 16]!;
    answersOne[row] = one;
    answersOther[row] = other;
    if (one >= ASK || other >= ASK) break;
  }
  return row;
}

/** The same, counting: what combination each of a block is in, for both charts. */
function countEach(
  many: number,
  countsOne: Int32Array,
  countsOther: Int32Array,
  placeA: Uint16Array,
  placeB: Uint16Array,
  placeC: Uint16Array,
  offsetA: Int32Array,
  offsetB: Int32Array,
  offsetC: Int32Array,
): void {
  for (let row = 0; row < many; row++) {
    const both = offsetA[placeA[row]!]! + offsetB[placeB[row]!]! + offsetC[placeC[row]!]!;
    countsOne[both & 0xffff]! += 1;
    countsOther[both >>> 16]! += 1;
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
