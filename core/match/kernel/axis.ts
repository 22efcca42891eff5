import { type CutColumn } from '../../chart/cut-column';

/**
 * The ends of several columns of one measurement on one line, so that a value is searched for once
 * and not once a column. Place `n` reaches from `points[n - 1]` to before `points[n]`; a value that
 * was not taken has a place of its own behind all others.
 */
export class Axis {
  /** The ends, growing. */
  readonly points: Float64Array;
  /** The place of what was not taken. */
  readonly unknown: number;

  private readonly ends: Float64Array;
  private readonly before: Uint16Array;
  private readonly lowest: number;
  private readonly scale: number;

  /**
   * The range of the ends is cut into even cells, each knowing how many ends lie before it; from
   * there it is a step or two to the place.
   *
   * @throws RangeError for more ends than `MOST_ENDS`: size fewer charts at once
   */
  constructor(columns: readonly Pick<CutColumn, 'points'>[]) {
    this.points = Float64Array.from(new Set(columns.flatMap(({ points }) => [...points]))).sort();
    const count = this.points.length;
    if (count > MOST_ENDS) throw new RangeError(`${count} ends of sizes are more than ${MOST_ENDS}`);
    this.unknown = count + 1;
    this.lowest = this.points[0] ?? 0;
    const cells = Math.min(MOST_CELLS, 2 ** Math.ceil(Math.log2(CELLS_AN_END * count + 1)));
    this.scale = cells / (this.points[count - 1]! - this.lowest || 1);
    // An end that nothing reaches stops every search.
    this.ends = Float64Array.of(...this.points, Infinity);
    this.before = new Uint16Array(cells + 1);
    for (let cell = 0, place = 0; cell <= cells; cell++) {
      while ((this.ends[place]! - this.lowest) * this.scale < cell) place += 1;
      this.before[cell] = place;
    }
  }

  /** Finds the place of every value from `from` on, `count` of them, `NaN` for one not taken. */
  placeEach(values: Float64Array, from: number, count: number, places: Uint16Array): void {
    placeEach(values, from, count, places, this.ends, this.before, this.lowest, this.scale, this.unknown);
  }

  /** For every place, which stretch of a column lies there; one more, behind all, for what was not taken. */
  stretchesOf({ points: own }: Pick<CutColumn, 'points'>): Int32Array {
    const { points } = this;
    const stretches = new Int32Array(points.length + 2);
    let stretch = 0;
    for (let place = 0; place <= points.length; place++) {
      const start = place === 0 ? -Infinity : points[place - 1]!;
      while (stretch < own.length && own[stretch]! <= start) stretch += 1;
      stretches[place] = stretch;
    }
    stretches[points.length + 1] = own.length + 1;
    return stretches;
  }
}

/** The most cells a range is cut into, and how many are wanted for each end: so many that few hold more than one. */
const MOST_CELLS = 1 << 13;
const CELLS_AN_END = 16;

/** A place is kept in sixteen bits; two are spoken for. */
export const MOST_ENDS = 0xfffd;

/** The search itself: nothing but numbers in and numbers out, so that it is compiled well. */
function placeEach(
  values: Float64Array,
  from: number,
  count: number,
  places: Uint16Array,
  ends: Float64Array,
  before: Uint16Array,
  lowest: number,
  scale: number,
  unknown: number,
): void {
  const last = before.length - 1;
  for (let row = 0; row < count; row++) {
    const value = values[from + row]!;
    const cell = (value - lowest) * scale;
    if (cell >= 0) {
      let place = before[cell < last ? cell | 0 : last]!;
      while (ends[place]! <= value) place += 1;
      places[row] = place;
    } else places[row] = cell === cell ? 0 : unknown;
  }
}
