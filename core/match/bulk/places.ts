import type { BulkColumn } from './bulk-column';

/** Where everybody's value of one measurement lies among the ends of many charts. */
export interface Places {
  /** The ends, growing; place `n` reaches from `points[n - 1]` to before `points[n]`. */
  readonly points: Float64Array;
  /** One a wearer; a measurement not taken has a place of its own behind all others. */
  readonly of: Uint16Array;
}

/** Into how many cells the range of the ends is cut: so many that few hold more than one end. */
const CELLS = 1 << 13;

/** A place is kept in sixteen bits; two are spoken for. */
export const MOST_ENDS = 0xfffd;

/**
 * Places everybody's value among the ends of all columns together, so that it is searched for
 * once and not once a chart.
 *
 * The range of the ends is cut into even cells, each knowing how many ends lie before it; from
 * there it is a step or two to the place.
 *
 * @throws RangeError for more ends than `MOST_ENDS`: size fewer charts at once
 */
export function placeAll(columns: readonly BulkColumn[], values: Float64Array): Places {
  const points = Float64Array.from(new Set(columns.flatMap((column) => [...column.points]))).sort();
  const of = new Uint16Array(values.length);
  const count = points.length;
  if (count > MOST_ENDS) throw new RangeError(`${count} ends of sizes are more than ${MOST_ENDS}`);
  const lowest = points[0] ?? 0;
  const scale = CELLS / (points[count - 1]! - lowest || 1);
  const before = new Uint16Array(CELLS + 1);
  // An end that nothing reaches stops every search.
  const ends = Float64Array.of(...points, Infinity);
  for (let cell = 0, place = 0; cell <= CELLS; cell++) {
    while ((ends[place]! - lowest) * scale < cell) place += 1;
    before[cell] = place;
  }
  placeEach(values, of, ends, before, lowest, scale, count + 1);
  return { points, of };
}

function placeEach(
  values: Float64Array,
  of: Uint16Array,
  ends: Float64Array,
  before: Uint16Array,
  lowest: number,
  scale: number,
  unknown: number,
): void {
  const last = before.length - 1;
  for (let row = 0; row < values.length; row++) {
    const value = values[row]!;
    const cell = (value - lowest) * scale;
    if (cell >= 0) {
      let place = before[cell < last ? cell | 0 : last]!;
      while (ends[place]! <= value) place += 1;
      of[row] = place;
    } else if (cell !== cell) of[row] = unknown;
  }
}

/** For every place, which stretch of a column it lies in; one more, behind all, for what was not taken. */
export function stretchesAt(column: BulkColumn, { points }: Places): Int32Array {
  const stretches = new Int32Array(points.length + 2);
  let stretch = 0;
  for (let place = 0; place <= points.length; place++) {
    const start = place === 0 ? -Infinity : points[place - 1]!;
    while (stretch < column.points.length && column.points[stretch]! <= start) stretch += 1;
    stretches[place] = stretch;
  }
  stretches[points.length + 1] = column.points.length + 1;
  return stretches;
}
