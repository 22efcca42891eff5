import type { MeasurementCode } from '../../body/catalogue/codes';
import { VERDICTS } from '../verdict';
import { ABOVE, GAP, INSIDE, NONE, type BulkColumn } from './bulk-column';
import type { BulkChart, PlainPart } from './bulk-chart';

const SETTLED = VERDICTS.indexOf('settled');
const OVERLAP = VERDICTS.indexOf('overlap');
const SPLIT = VERDICTS.indexOf('split');
const BETWEEN = VERDICTS.indexOf('between');
const BEYOND = VERDICTS.indexOf('beyond');

/** What a chart says of everybody: an index of `VERDICTS`, and the size of each part, -1 for none. */
export interface RollSizes {
  readonly verdicts: Uint8Array;
  readonly sizes: readonly Int16Array[];
}

/** The sign bit of a mask: the value lies inside some size. */
const IS_INSIDE = 1 << 31;
const SIZE_BITS = ~IS_INSIDE;
/** What a stretch asks for when it lies above the range: past every size. */
const ASKS_NONE = 31;
const IN_GAP = 1;
const OUTSIDE = 2;
/** Some size holds every value; several do. */
const HOLDS = 4;
const SEVERAL = 8;
/** A measurement was not taken. */
const UNKNOWN = 16;

/** Stands for a verdict while a wearer is still to be sized one by one. */
const LEFT = 255;

/** The verdict of every combination of these. */
const VERDICT_OF = Uint8Array.from({ length: UNKNOWN }, (_, kind) => {
  if ((kind & SEVERAL) !== 0) return OVERLAP;
  if ((kind & HOLDS) !== 0) return SETTLED;
  return (kind & OUTSIDE) !== 0 ? BEYOND : (kind & IN_GAP) !== 0 ? BETWEEN : SPLIT;
});
/** Sizes counted from one; none before the first and past the last. */
const SIZE_OF = Int16Array.from({ length: ASKS_NONE + 2 }, (_, at) => (at > ASKS_NONE ? NONE : at - 1));

/**
 * Sizes everybody against many charts. Each measurement is placed once among the ends of all
 * charts together; a chart then only looks up what that place says, a few words a wearer. Charts
 * with parts that go by others or with arithmetic, and wearers this way cannot tell, go one by
 * one. Both give the same as `judge`, but for `edge`.
 *
 * @param wearers the measurements in micrometres, NaN for one not taken; all equally long
 * @param take is given each chart's sizes in turn; the arrays are used again for the next
 */
export function sizeRoll(
  charts: readonly BulkChart[],
  wearers: ReadonlyMap<MeasurementCode, Float64Array>,
  take: (chart: BulkChart, sized: RollSizes) => void,
): void {
  const count = [...wearers.values()][0]?.length ?? 0;
  const missing = new Float64Array(count).fill(NaN);
  const columnOf = (code: MeasurementCode) => wearers.get(code) ?? missing;
  const places = new Map<MeasurementCode, Places>();
  const plain = charts.map((chart) => chart.plainPart());
  for (const code of wearers.keys()) {
    const columns = plain.flatMap((part) => part?.columns.filter((one) => one.code === code) ?? []);
    places.set(
      code,
      placeAll(
        columns.map(({ column }) => column),
        columnOf(code),
      ),
    );
  }
  const verdicts = new Uint8Array(count);
  charts.forEach((chart, at) => {
    const sizes = Array.from({ length: chart.sizes.length }, () => new Int16Array(count));
    const columns = chart.codes.map(columnOf);
    const each = (row: number): void => {
      chart.size(columns, row);
      verdicts[row] = chart.verdict;
      for (let part = 0; part < sizes.length; part++) sizes[part]![row] = chart.sizes[part]!;
    };
    const part = plain[at]!;
    if (part === null || part.columns.some(({ code }) => !wearers.has(code)))
      for (let row = 0; row < count; row++) each(row);
    else
      lookUpAll(
        part,
        part.columns.map(({ code }) => places.get(code)!),
        verdicts,
        sizes[0]!,
        each,
      );
    take(chart, { verdicts, sizes });
  });
}

/** Where everybody's value of one measurement lies among the ends of all charts. */
interface Places {
  readonly points: Float64Array;
  readonly of: Uint16Array;
}

function placeAll(columns: readonly BulkColumn[], values: Float64Array): Places {
  const points = Float64Array.from(new Set(columns.flatMap((column) => [...column.points]))).sort();
  const of = new Uint16Array(values.length);
  for (let row = 0; row < values.length; row++) {
    const value = values[row]!;
    // A measurement not taken has a place of its own behind all others.
    if (value !== value) {
      of[row] = points.length + 1;
      continue;
    }
    let low = 0;
    let high = points.length;
    while (low < high) {
      const at = (low + high) >>> 1;
      if (points[at]! <= value) low = at + 1;
      else high = at;
    }
    of[row] = low;
  }
  return { points, of };
}

/** What one column of a chart says of every place. */
interface Says {
  readonly masks: Int32Array;
  readonly asks: Int16Array;
  readonly flags: Uint8Array;
}

function saysOf(column: BulkColumn, { points }: Places): Says {
  const count = points.length + 2;
  const says = { masks: new Int32Array(count), asks: new Int16Array(count), flags: new Uint8Array(count) };
  let stretch = 0;
  for (let place = 0; place <= points.length; place++) {
    const start = place === 0 ? -Infinity : points[place - 1]!;
    while (stretch < column.points.length && column.points[stretch]! <= start) stretch += 1;
    const where = column.where[stretch]!;
    const mask = column.masks[stretch]!;
    says.masks[place] = where === INSIDE ? mask | IS_INSIDE : 0;
    says.asks[place] =
      where === ABOVE ? ASKS_NONE : where === INSIDE ? 31 - Math.clz32(mask) : column.above[stretch]!;
    says.flags[place] = where === INSIDE ? 0 : where === GAP ? IN_GAP : OUTSIDE;
  }
  says.flags[points.length + 1] = UNKNOWN;
  return says;
}

function lookUpAll(
  part: PlainPart,
  places: readonly Places[],
  verdicts: Uint8Array,
  sizes: Int16Array,
  each: (row: number) => void,
): void {
  const says = part.columns.map(({ column }, at) => saysOf(column, places[at]!));
  // Three columns are walked side by side; a part of fewer has neutral ones beside its own.
  const neutral: Says = { masks: Int32Array.of(-1), asks: Int16Array.of(NONE), flags: Uint8Array.of(0) };
  const nowhere = new Uint16Array(verdicts.length);
  const pick = (at: number) => says[at] ?? neutral;
  const at = (column: number) => places[column]?.of ?? nowhere;
  const [a, b, c] = [pick(0), pick(1), pick(2)];
  const [ofA, ofB, ofC] = [at(0), at(1), at(2)];
  walk(part, verdicts, sizes, ofA, ofB, ofC, a, b, c);
  for (let row = 0; row < verdicts.length; row++) if (verdicts[row] === LEFT) each(row);
}

/** The walk itself: nothing but numbers in and numbers out, so that it is compiled well. */
function walk(
  { widest, liked }: PlainPart,
  verdicts: Uint8Array,
  sizes: Int16Array,
  ofA: Uint16Array,
  ofB: Uint16Array,
  ofC: Uint16Array,
  { masks: masksA, asks: asksA, flags: flagsA }: Says,
  { masks: masksB, asks: asksB, flags: flagsB }: Says,
  { masks: masksC, asks: asksC, flags: flagsC }: Says,
): void {
  const roomy = liked === 'roomy';
  const regular = liked === 'regular';
  const count = verdicts.length;
  const verdictOf = VERDICT_OF;
  const sizeOf = SIZE_OF;
  // Which way a wearer goes cannot be foretold, so nearly everything here is looked up or
  // reckoned rather than branched on; that is several times faster.
  for (let row = 0; row < count; row++) {
    const x = ofA[row]!;
    const y = ofB[row]!;
    const z = ofC[row]!;
    const common = masksA[x]! & masksB[y]! & masksC[z]! & SIZE_BITS;
    const flags = flagsA[x]! | flagsB[y]! | flagsC[z]!;
    const several = common & (common - 1);
    const some = (common | -common) >> 31;
    if ((several !== 0 && regular) || (!widest && some === 0) || flags >= UNKNOWN) {
      verdicts[row] = LEFT;
      continue;
    }
    const picked = 31 - Math.clz32(roomy ? common : common & -common);
    const asked = Math.max(asksA[x]!, asksB[y]!, asksC[z]!);
    const kind = flags | (some & HOLDS) | (((several | -several) >> 31) & SEVERAL);
    verdicts[row] = verdictOf[kind]!;
    sizes[row] = sizeOf[((picked & some) | (asked & ~some)) + 1]!;
  }
}
