import type { MeasurementCode } from '../body/catalogue/codes';
import type { CutColumn } from '../chart/cut-column';
import { Axis } from '../match/kernel/axis';
import type { Kernel } from '../match/kernel/kernel';
import { asAnswer, ASK, type PartTable } from '../match/kernel/part-table';
import { AT_ONCE, type RollSizes } from './roll-sizes';

/** A chart of one part of few plain measurements, which a roll looks up by shared places. */
export interface PlainChart {
  readonly chart: Kernel;
  readonly table: PartTable;
}

/** How many measurements a walk follows side by side. */
const WALKED = 3;
/** Two charts' combinations share a word. */
const MOST_COMBINATIONS = 1 << 16;

/** The table of a chart that can be walked; `null` for any other. */
export function plainTable({ parts: [part, ...more], codes }: Kernel): PartTable | null {
  const { whole, columns } = part!;
  const plain =
    more.length === 0 &&
    columns.length <= WALKED &&
    codes.length === columns.length &&
    columns.every(({ alwaysMissing, choices }, at) => alwaysMissing && choices[0]!.code === codes[at]);
  return plain && whole.combinations <= MOST_COMBINATIONS ? whole : null;
}

export interface SharedAxis {
  readonly axis: Axis;
  readonly places: Uint16Array;
}

/** The ends of all walked charts by measurement, with room for a block's places on them. */
export function sharedAxes(plain: readonly PlainChart[]): ReadonlyMap<MeasurementCode, SharedAxis> {
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
export function inPairs(plain: readonly PlainChart[]): [PlainChart, PlainChart | null][] {
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
export class Walk {
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
