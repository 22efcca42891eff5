import type { MeasurementCode } from '../../body/catalogue/codes';
import type { BulkChart, PlainPart } from './bulk-chart';
import { placeAll, stretchesAt, type Places } from './places';

/** What a chart says of everybody. The arrays are used again for the next chart. */
export interface RollSizes {
  /** One a wearer, the verdict and the size of the first part in one word: `verdictIn` and `sizeIn` take it apart. */
  readonly answers: Uint16Array;
  /** The sizes of the parts after the first by their index, -1 for none. */
  readonly furtherSizes: readonly Int16Array[];
}

const SIZE_BITS = 12;
const SIZE_MASK = (1 << SIZE_BITS) - 1;

/** The verdict in an answer: an index of `VERDICTS`. */
export function verdictIn(answer: number): number {
  return answer >> SIZE_BITS;
}

/** The index of the size in an answer, -1 for none. */
export function sizeIn(answer: number): number {
  return (answer & SIZE_MASK) - 1;
}

/** A verdict (an index of `VERDICTS`) and a size (-1 for none) as an answer. */
export function asAnswer(verdict: number, size: number): number {
  return (verdict << SIZE_BITS) | (size + 1);
}

/**
 * How many wearers have each answer: one count an answer, which `verdictIn` and `sizeIn` take
 * apart as they do for a wearer.
 */
export function tallyAnswers(answers: Uint16Array): Int32Array {
  const tally = new Int32Array(1 << 16);
  // Neighbours often share an answer, and a count must be stored before it can be raised again;
  // two tallies in turn keep that from being waited for.
  const other = new Int32Array(1 << 16);
  const even = answers.length & ~1;
  for (let row = 0; row < even; row += 2) {
    tally[answers[row]!]! += 1;
    other[answers[row + 1]!]! += 1;
  }
  if (even < answers.length) tally[answers[even]!]! += 1;
  for (let answer = 0; answer < tally.length; answer++) tally[answer]! += other[answer]!;
  return tally;
}

/** In place of an answer: nobody in this combination has been met yet, or it rests on the lengths. */
const UNMET = 0xffff;
const BY_LENGTHS = 0xfffe;
/** A part of more combinations than this is not looked up; two charts' combinations share a word. */
const MOST_COMBINATIONS = 1 << 16;

/**
 * Sizes everybody against many charts. Each measurement is placed once among the ends of all
 * charts together. A part of plain measurements then says the same of all whose values lie in
 * the same stretches, so it is asked once a combination and its answer looked up for the rest.
 * Charts with parts that go by others or with arithmetic, and wearers whose size rests on how
 * near a length is to something, go one by one. Both give the same as `judge`, but for `edge`.
 *
 * @param wearers the measurements in micrometres, NaN for one not taken; all equally long
 * @param take is given what each chart says, once a chart, in no certain order
 * @throws RangeError for charts with more ends of sizes than can be counted in sixteen bits
 */
export function sizeRoll(
  charts: readonly BulkChart[],
  wearers: ReadonlyMap<MeasurementCode, Float64Array>,
  take: (chart: BulkChart, sized: RollSizes) => void,
): void {
  const count = [...wearers.values()][0]?.length ?? 0;
  let missing: Float64Array | null = null;
  const columnsOf = (chart: BulkChart) =>
    chart.codes.map((code) => wearers.get(code) ?? (missing ??= new Float64Array(count).fill(NaN)));
  const plain = charts.flatMap((chart): Plain[] => {
    const part = plainOf(chart, wearers);
    return part === null ? [] : [{ chart, part, columns: columnsOf(chart) }];
  });
  const places = placesOf(plain, wearers);
  const [answers, others] = [new Uint16Array(count), new Uint16Array(count)];
  for (const [one, other] of inPairs(plain)) {
    const [first, second] = [lookUp(one, answers), other === null ? null : lookUp(other, others)];
    lookUpBoth(first, second ?? { ...NOBODY, answers: others }, places);
    take(one.chart, { answers, furtherSizes: [] });
    if (other !== null) take(other.chart, { answers: others, furtherSizes: [] });
  }

  const alone = charts.filter((chart) => plain.every((one) => one.chart !== chart));
  const further = Math.max(0, ...alone.map(({ sizes }) => sizes.length - 1));
  const sizes = Array.from({ length: further }, () => new Int16Array(count));
  for (const chart of alone) {
    const furtherSizes = sizes.slice(0, chart.sizes.length - 1);
    const columns = columnsOf(chart);
    for (let row = 0; row < count; row++) {
      answers[row] = answerOf(chart, columns, row);
      for (let part = 0; part < furtherSizes.length; part++)
        furtherSizes[part]![row] = chart.sizes[part + 1]!;
    }
    take(chart, { answers, furtherSizes });
  }
}

/** A chart that can be answered by looking up. */
interface Plain {
  readonly chart: BulkChart;
  readonly part: PlainPart;
  readonly columns: readonly Float64Array[];
}

function plainOf(chart: BulkChart, wearers: ReadonlyMap<MeasurementCode, Float64Array>): PlainPart | null {
  const part = chart.plainPart();
  if (part === null || part.columns.some(({ code }) => !wearers.has(code))) return null;
  return combinations(part) > MOST_COMBINATIONS ? null : part;
}

/** How many combinations of stretches a part has, one more a column for what was not taken. */
function combinations({ columns }: PlainPart): number {
  return columns.reduce((product, { column }) => product * (column.points.length + 2), 1);
}

function placesOf(
  plain: readonly Plain[],
  wearers: ReadonlyMap<MeasurementCode, Float64Array>,
): ReadonlyMap<MeasurementCode, Places> {
  const all = plain.flatMap(({ part }) => part.columns);
  return new Map(
    [...new Set(all.map(({ code }) => code))].map((code) => {
      const columns = all.filter((one) => one.code === code).map(({ column }) => column);
      return [code, placeAll(columns, wearers.get(code)!)];
    }),
  );
}

function answerOf(chart: BulkChart, columns: readonly Float64Array[], row: number): number {
  chart.size(columns, row);
  return asAnswer(chart.verdict, chart.sizes[0]!);
}

/** How many measurements a walk follows side by side. */
const WALKED = 3;

/** Two charts share a walk where they go by the same few measurements: one sum reckons for both. */
function inPairs(plain: readonly Plain[]): [Plain, Plain | null][] {
  const codes = (one: Plain) => one.part.columns.map(({ code }) => code).sort();
  const left = [...plain].sort((a, b) => (codes(a).join() < codes(b).join() ? -1 : 1));
  const pairs: [Plain, Plain | null][] = [];
  while (left.length > 0) {
    const [one, next] = [left.shift()!, left[0]];
    const together = next !== undefined && new Set([...codes(one), ...codes(next)]).size <= WALKED;
    pairs.push([one, together ? left.shift()! : null]);
  }
  return pairs;
}

/** One of the two charts of a walk. */
interface LookUp {
  readonly columns: PlainPart['columns'];
  /** What is known of each combination so far. */
  readonly known: Uint16Array;
  readonly answers: Uint16Array;
  /** Sizes one wearer whose combination is not known, or not enough. */
  readonly ask: (row: number, combination: number) => void;
}

/** Stands beside a chart that walks alone. */
const NOBODY = { columns: [], known: new Uint16Array(1), ask: () => undefined };

function lookUp({ chart, part, columns }: Plain, answers: Uint16Array): LookUp {
  const known = new Uint16Array(combinations(part)).fill(UNMET);
  const ask = (row: number, combination: number): void => {
    const answer = answerOf(chart, columns, row);
    answers[row] = answer;
    known[combination] = part.part.byLengths ? BY_LENGTHS : answer;
  };
  return { columns: part.columns, known, answers, ask };
}

function lookUpBoth(one: LookUp, other: LookUp, places: ReadonlyMap<MeasurementCode, Places>): void {
  const codes = [...new Set([...one.columns, ...other.columns].map(({ code }) => code))];
  const offsets = codes.map((code) => new Int32Array(places.get(code)!.points.length + 2));
  const mark = ({ columns }: LookUp, shift: number): void => {
    let stride = 1;
    for (const { code, column } of columns) {
      const own = offsets[codes.indexOf(code)]!;
      const stretches = stretchesAt(column, places.get(code)!);
      for (let place = 0; place < own.length; place++) own[place]! |= (stretches[place]! * stride) << shift;
      stride *= column.points.length + 2;
    }
  };
  mark(one, 0);
  mark(other, 16);
  const [nowhere, idle] = [new Uint16Array(one.answers.length), new Int32Array(1)];
  const placesOf = (at: number) => (codes[at] === undefined ? nowhere : places.get(codes[at])!.of);
  const [a, b, c] = [placesOf(0), placesOf(1), placesOf(2)];
  const [ofA, ofB, ofC] = [offsets[0] ?? idle, offsets[1] ?? idle, offsets[2] ?? idle];
  const count = nowhere.length;
  for (let row = 0; row < count; row++) {
    row = walk(row, one.known, other.known, one.answers, other.answers, a, b, c, ofA, ofB, ofC);
    if (row === count) break;
    const both = ofA[a[row]!]! + ofB[b[row]!]! + ofC[c[row]!]!;
    if (one.answers[row]! >= BY_LENGTHS) one.ask(row, both & 0xffff);
    if (other.answers[row]! >= BY_LENGTHS) other.ask(row, both >>> 16);
  }
}

/**
 * The walk itself: nothing but numbers in and numbers out, so that it is compiled well.
 *
 * @returns the first row from `from` on without an answer of both charts; after the last, if all have one
 */
function walk(
  from: number,
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
  const count = answersOne.length;
  const unanswered = BY_LENGTHS;
  let row = from;
  for (; row < count; row++) {
    const both = offsetA[placeA[row]!]! + offsetB[placeB[row]!]! + offsetC[placeC[row]!]!;
    const one = knownOne[both & 0xffff]!;
    const other = knownOther[both >>> 16]!;
    answersOne[row] = one;
    answersOther[row] = other;
    if (Math.max(one, other) >= unanswered) break;
  }
  return row;
}
