import type { CompiledPart } from '../../chart/compile-chart';
import {
  ABOVE,
  BELOW,
  GAP,
  INSIDE,
  lowestBit,
  NONE,
  stretchOf,
  type CutColumn,
} from '../../chart/cut-column';
import type { ColumnCode } from '../../chart/column-code';
import type { FitPreference, HouseRule } from '../../chart/chart-shape';
import { VERDICTS } from '../verdict';
import { Misfit } from './misfit';

const SETTLED = VERDICTS.indexOf('settled');
const OVERLAP = VERDICTS.indexOf('overlap');
const SPLIT = VERDICTS.indexOf('split');
const BETWEEN = VERDICTS.indexOf('between');
const BEYOND = VERDICTS.indexOf('beyond');

/** By what a part is sized: the chart's own, or what a docket puts in its place. */
export interface PartRuling {
  readonly rule: HouseRule;
  readonly key: ColumnCode;
  readonly preference: FitPreference;
}

/**
 * The meaning of a verdict and of a proposal, for one part: which size its values come to, all of
 * them known. `place` leaves its answer in `verdict` and `size`, so that nothing is allocated a
 * wearer. An `edge`, which needs the odds, counts as `settled` here.
 *
 * - One common size: that one. Several: by preference, `close` the smallest, `roomy` the largest,
 *   `regular` the one whose intervals' middles lie nearest, a tie to the larger. A part that leans
 *   takes the larger or the smaller whatever the preference.
 * - At the ends of a size, within one reading's error of it, a `roomy` fit takes the next larger, a `close` one the
 *   next smaller where all that decides lies there; not of a part that leans, and `close` not of what protects.
 * - `widest-decides`: each value asks for its largest containing size, in a gap for the upper
 *   neighbour, below the range for the smallest, above it for none; the largest asked for wins,
 *   and one that asks for none leaves none.
 * - `key-decides`: the key alone, its gap by preference (close the lower, roomy the upper, regular
 *   the nearer bound, a tie upward).
 * - `closest`: the size with the least sum of distances to its intervals, each in steps of its own
 *   column, compared exactly; a tie to the larger.
 */
export class PartPlacer {
  /** What the last wearer came to: an index of `VERDICTS`, and a size of this part or -1. */
  verdict = SETTLED;
  size = NONE;
  /**
   * Whether another wearer with values in the same stretches may come to something else: the size
   * rested on the lengths themselves, or on why a value is not there.
   */
  differs = false;

  readonly columns: readonly CutColumn[];
  private readonly stretches: Int32Array;
  private readonly common: Int32Array;
  private readonly liked: FitPreference;
  private readonly rule: HouseRule;
  private readonly key: number;
  private readonly misfit: Misfit;
  /** What the wearer likes, of a part that does not lean by itself; a close fit never uncovers. */
  private readonly wants: FitPreference;
  private readonly margins: readonly number[];
  private readonly count: number;

  constructor(part: CompiledPart, { rule, key, preference }: PartRuling) {
    this.columns = part.deciding.map(({ cut }) => cut);
    this.stretches = new Int32Array(this.columns.length);
    this.common = new Int32Array(Math.ceil(part.sizes.length / 32));
    this.liked = preferenceOf(part, preference);
    this.rule = rule;
    this.key = Math.max(
      0,
      part.deciding.findIndex(({ code }) => code === key),
    );
    this.misfit = new Misfit(part.deciding);
    this.wants = part.lean !== null || (part.protects && preference === 'close') ? 'regular' : preference;
    this.margins = part.deciding.map(({ margin }) => margin);
    this.count = part.sizes.length;
  }

  /** Places one wearer by a value a column, all of them known. */
  place(values: Float64Array): void {
    const { columns, stretches, common } = this;
    common.fill(-1);
    this.differs = false;
    let [outside, gap] = [false, false];
    for (let at = 0; at < columns.length; at++) {
      const column = columns[at]!;
      const stretch = stretchOf(column, values[at]!);
      stretches[at] = stretch;
      const where = column.where[stretch]!;
      if (where === GAP) gap = true;
      else if (where !== INSIDE) outside = true;
      for (let word = 0; word < common.length; word++)
        common[word] = common[word]! & column.masks[stretch * column.words + word]!;
    }
    const lowest = this.lowest();
    const highest = this.highest();
    this.verdict = outside
      ? BEYOND
      : gap
        ? BETWEEN
        : lowest === NONE
          ? SPLIT
          : lowest === highest
            ? SETTLED
            : OVERLAP;
    this.size =
      lowest === NONE
        ? this.byRule(values)
        : lowest === highest
          ? lowest
          : this.preferred(values, 0, columns.length, lowest, highest);
    if (this.verdict === SETTLED && this.wants !== 'regular') this.atTheEnd(values);
  }

  /** At the top of its size a roomy fit is the next; at the bottom of it, with all that decides, a close fit the one before. */
  private atTheEnd(values: Float64Array): void {
    this.differs = true;
    const size = this.size;
    let [top, bottom] = [false, true];
    for (let at = 0; at < this.columns.length; at++) {
      if (this.rule === 'key-decides' && at !== this.key) continue;
      const { from, until } = this.columns[at]!;
      // Ends that are open compare as never near.
      if (until[size]! - values[at]! <= this.margins[at]!) top = true;
      // Where nothing is made between the two sizes, the one before may be too small by the whole gap.
      const over = size === 0 ? Infinity : values[at]! - until[size - 1]!;
      if (!(values[at]! - from[size]! <= this.margins[at]! && over <= this.margins[at]!)) bottom = false;
    }
    if (this.wants === 'roomy' && top && size + 1 < this.count) this.size = size + 1;
    if (this.wants === 'close' && bottom && size > 0) this.size = size - 1;
  }

  private byRule(values: Float64Array): number {
    if (this.rule === 'closest') {
      this.differs = true;
      return this.misfit.least(values);
    }
    return this.rule === 'key-decides' ? this.byKey(values) : this.widest();
  }

  private widest(): number {
    let most = NONE;
    for (let at = 0; at < this.columns.length; at++) {
      const column = this.columns[at]!;
      const stretch = this.stretches[at]!;
      const where = column.where[stretch]!;
      if (where === ABOVE) return NONE;
      const asked = where === INSIDE ? largest(column, stretch) : column.above[stretch]!;
      if (asked > most) most = asked;
    }
    return most;
  }

  private byKey(values: Float64Array): number {
    const column = this.columns[this.key]!;
    const stretch = this.stretches[this.key]!;
    const where = column.where[stretch]!;
    if (where === ABOVE) return NONE;
    if (where === BELOW) return column.above[stretch]!;
    if (where === GAP) {
      const [below, above] = [column.below[stretch]!, column.above[stretch]!];
      if (this.liked !== 'regular') return this.liked === 'close' ? below : above;
      this.differs = true;
      const value = values[this.key]!;
      return value - column.upper[below]! < column.lower[above]! - value ? below : above;
    }
    for (let word = 0; word < this.common.length; word++)
      this.common[word] = column.masks[stretch * column.words + word]!;
    return this.preferred(values, this.key, this.key + 1, this.lowest(), this.highest());
  }

  /** Among the common sizes the one that is liked; regular: the nearest middles of some columns, a tie to the larger. */
  private preferred(
    values: Float64Array,
    start: number,
    end: number,
    lowest: number,
    highest: number,
  ): number {
    if (this.liked === 'close') return lowest;
    if (this.liked === 'roomy') return highest;
    this.differs ||= lowest !== highest;
    let best = lowest;
    let least = Infinity;
    for (let size = lowest; size <= highest; size++) {
      if ((this.common[size >> 5]! & (1 << (size & 31))) === 0) continue;
      let off = 0;
      for (let at = start; at < end; at++) {
        // Twice the distance, so that it stays whole.
        const away = Math.abs(2 * values[at]! - this.columns[at]!.twiceMiddle[size]!);
        if (!Number.isNaN(away)) off += away;
      }
      if (off <= least) [least, best] = [off, size];
    }
    return best;
  }

  private lowest(): number {
    for (let word = 0; word < this.common.length; word++) {
      const bits = this.common[word]!;
      if (bits !== 0) return word * 32 + lowestBit(bits);
    }
    return NONE;
  }

  private highest(): number {
    for (let word = this.common.length - 1; word >= 0; word--) {
      const bits = this.common[word]!;
      if (bits !== 0) return word * 32 + (31 - Math.clz32(bits));
    }
    return NONE;
  }
}

/**
 * The preference that counts for a part: its own lean before the wearer's.
 *
 * @example preferenceOf({ lean: 'larger' }, 'close') // 'roomy'
 */
export function preferenceOf({ lean }: Pick<CompiledPart, 'lean'>, preference: FitPreference): FitPreference {
  return lean === null ? preference : lean === 'larger' ? 'roomy' : 'close';
}

/** The largest size a stretch lies in. */
function largest({ masks, words }: CutColumn, stretch: number): number {
  for (let word = words - 1; word >= 0; word--) {
    const bits = masks[stretch * words + word]!;
    if (bits !== 0) return word * 32 + (31 - Math.clz32(bits));
  }
  return NONE;
}
