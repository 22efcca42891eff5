import type { CompiledPart } from '../../chart/compile-chart';
import type { FitPreference } from '../../chart/size-chart';
import { preferenceOf } from '../propose';
import { VERDICTS } from '../verdict';
import { ABOVE, BELOW, cutColumn, GAP, INSIDE, NONE, stretchOf, type BulkColumn } from './bulk-column';

const SETTLED = VERDICTS.indexOf('settled');
const OVERLAP = VERDICTS.indexOf('overlap');
const SPLIT = VERDICTS.indexOf('split');
const BETWEEN = VERDICTS.indexOf('between');
const BEYOND = VERDICTS.indexOf('beyond');

/**
 * One part made ready for many wearers. `place` leaves its answer in `verdict` and `size`, so
 * that nothing is allocated a wearer. It gives the same verdict and proposal as `judgePart`,
 * but for `edge`, which needs the odds and counts as `settled` here.
 */
export class BulkPart {
  /** What the last wearer came to: an index of `VERDICTS`, and a size of the whole part or -1. */
  verdict = SETTLED;
  size = NONE;
  /** Whether the last size rested on the lengths themselves, and not only on which stretch each lies in. */
  byLengths = false;

  readonly columns: readonly BulkColumn[];
  private readonly stretches: Int32Array;
  private readonly common: Int32Array;
  readonly liked: FitPreference;
  private readonly key: number;

  /**
   * @param sizes where each size of the part stands among those of the whole part
   */
  constructor(
    readonly part: CompiledPart,
    private readonly sizes: Int16Array,
    preference: FitPreference,
  ) {
    this.columns = part.deciding.map(cutColumn);
    this.stretches = new Int32Array(this.columns.length);
    this.common = new Int32Array(Math.ceil(part.sizes.length / 32));
    this.liked = preferenceOf(part, preference);
    this.key = Math.max(
      0,
      part.deciding.findIndex(({ code }) => code === part.key),
    );
  }

  /** Places one wearer by a value a column, all of them known. */
  place(values: Float64Array): void {
    const { columns, stretches, common } = this;
    common.fill(-1);
    this.byLengths = false;
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
    const size =
      lowest === NONE
        ? this.byRule(values)
        : lowest === highest
          ? lowest
          : this.preferred(values, 0, columns.length, lowest, highest);
    this.size = size === NONE ? NONE : this.sizes[size]!;
  }

  private byRule(values: Float64Array): number {
    if (this.part.rule === 'closest') return this.closest(values);
    return this.part.rule === 'key-decides' ? this.byKey(values) : this.widest();
  }

  private widest(): number {
    let most = NONE;
    for (let at = 0; at < this.columns.length; at++) {
      const column = this.columns[at]!;
      const stretch = this.stretches[at]!;
      const where = column.where[stretch]!;
      if (where === ABOVE) return NONE;
      const asked = where === INSIDE ? last(column, stretch) : column.above[stretch]!;
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
      this.byLengths = true;
      const value = values[this.key]!;
      return value - column.upper[below]! < column.lower[above]! - value ? below : above;
    }
    for (let word = 0; word < this.common.length; word++)
      this.common[word] = column.masks[stretch * column.words + word]!;
    return this.preferred(values, this.key, this.key + 1, this.lowest(), this.highest());
  }

  private closest(values: Float64Array): number {
    this.byLengths = true;
    let best = 0;
    let least = Infinity;
    for (let size = 0; size < this.part.sizes.length; size++) {
      let misfit = 0;
      for (let at = 0; at < this.columns.length; at++) {
        const { from, until, lower, upper, step } = this.columns[at]!;
        const value = values[at]!;
        if (from[size]! <= value && value < until[size]!) continue;
        const toLower = Number.isNaN(lower[size]!) ? Infinity : Math.abs(value - lower[size]!);
        const toUpper = Number.isNaN(upper[size]!) ? Infinity : Math.abs(value - upper[size]!);
        misfit += Math.min(toLower, toUpper) / step;
      }
      if (misfit <= least) [least, best] = [misfit, size];
    }
    return best;
  }

  /** Among the common sizes the one the wearer likes; regular: the nearest middles of some columns, a tie to the larger. */
  private preferred(
    values: Float64Array,
    start: number,
    end: number,
    lowest: number,
    highest: number,
  ): number {
    if (this.liked === 'close') return lowest;
    if (this.liked === 'roomy') return highest;
    this.byLengths ||= lowest !== highest;
    let best = lowest;
    let least = Infinity;
    for (let size = lowest; size <= highest; size++) {
      if ((this.common[size >> 5]! & (1 << (size & 31))) === 0) continue;
      let off = 0;
      for (let at = start; at < end; at++) {
        const away = Math.abs(values[at]! - this.columns[at]!.middles[size]!);
        if (!Number.isNaN(away)) off += away;
      }
      if (off <= least) [least, best] = [off, size];
    }
    return best;
  }

  private lowest(): number {
    for (let word = 0; word < this.common.length; word++) {
      const bits = this.common[word]!;
      if (bits !== 0) return word * 32 + (31 - Math.clz32(bits & -bits));
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

/** The largest size a stretch lies in. */
function last({ masks, words }: BulkColumn, stretch: number): number {
  for (let word = words - 1; word >= 0; word--) {
    const bits = masks[stretch * words + word]!;
    if (bits !== 0) return word * 32 + (31 - Math.clz32(bits));
  }
  return NONE;
}
