import { holds, middle } from '../chart/interval';
import type { CompiledColumn, CompiledPart } from '../chart/compile-chart';
import type { FitPreference } from '../chart/size-chart';
import type { Length } from '../quantity/length';
import type { Placement } from './placement';

/** How the placements of a part stand together, before odds are asked. */
export type Standing = 'beyond' | 'between' | 'split' | 'overlap' | 'one';

/** The sizes that hold every placement. */
export function commonSizes(placements: readonly Placement[]): number[] {
  const [first, ...rest] = placements;
  return (first?.containing ?? []).filter((size) =>
    rest.every((placement) => placement.containing.includes(size)),
  );
}

/**
 * How complete placements stand together, in the fixed order of the verdicts: any outside
 * makes it `beyond`, any in a gap `between`, no common size `split`, several `overlap`.
 */
export function standing(placements: readonly Placement[]): Standing {
  if (placements.some(({ where }) => where === 'below' || where === 'above')) return 'beyond';
  if (placements.some(({ where }) => where === 'gap')) return 'between';
  const common = commonSizes(placements);
  return common.length === 0 ? 'split' : common.length > 1 ? 'overlap' : 'one';
}

/**
 * The size to propose for complete placements, by the chart's rule.
 *
 * - One common size: that one. Several: by preference, `close` the smallest, `roomy` the
 *   largest, `regular` the one whose intervals' middles lie nearest, a tie to the larger.
 * - `widest-decides`: each placement asks for its largest containing size, in a gap for the
 *   upper neighbour, below the range for the smallest, above it for none; the largest asked
 *   for wins, and one that asks for none leaves none.
 * - `key-decides`: the key placement alone, its gap by preference (close the lower, roomy
 *   the upper, regular the nearer bound, a tie upward).
 * - `closest`: the size with the least sum of distances to its intervals, each in steps of its
 *   own column, a tie to the larger.
 * - A part that leans takes the larger or the smaller of several whatever the preference.
 *
 * @returns the index of the size, or `null` when there is none to propose
 */
export function propose(
  part: CompiledPart,
  placements: readonly Placement[],
  preference: FitPreference,
): number | null {
  const liked = preferenceOf(part, preference);
  const common = commonSizes(placements);
  if (common.length === 1) return common[0]!;
  if (common.length > 1) return preferred(part, placements, common, liked);
  if (part.rule === 'closest') return closest(part, placements);
  if (part.rule === 'key-decides') {
    const key = placements.find(({ code }) => code === part.key);
    return key === undefined ? null : keyAsksFor(part, key, liked);
  }
  const asked = placements.map(asksFor);
  return asked.some((size) => size === null) ? null : Math.max(...(asked as number[]));
}

/** The size a girth asks for under `widest-decides`; `null` above the range. */
export function asksFor(placement: Placement): number | null {
  switch (placement.where) {
    case 'inside':
      return placement.containing.at(-1)!;
    case 'above':
      return null;
    default:
      return placement.above;
  }
}

function keyAsksFor(part: CompiledPart, key: Placement, preference: FitPreference): number | null {
  switch (key.where) {
    case 'inside':
      return preferred(part, [key], key.containing, preference);
    case 'above':
      return null;
    case 'below':
      return key.above;
    case 'gap': {
      if (preference !== 'regular') return preference === 'close' ? key.below : key.above;
      const intervals = columnOf(part, key).intervals;
      const toLower = key.value - intervals[key.below!]!.upper!;
      const toUpper = intervals[key.above!]!.lower! - key.value;
      return toLower < toUpper ? key.below : key.above;
    }
  }
}

function preferred(
  part: CompiledPart,
  placements: readonly Placement[],
  sizes: readonly number[],
  preference: FitPreference,
): number {
  if (preference === 'close') return sizes[0]!;
  if (preference === 'roomy') return sizes.at(-1)!;
  let best = { size: sizes[0]!, off: Infinity };
  for (const size of sizes) {
    const off = placements.reduce((sum, placement) => {
      const at = middle(columnOf(part, placement).intervals[size]!);
      return sum + (at === null ? 0 : Math.abs(placement.value - at));
    }, 0);
    if (off <= best.off) best = { size, off };
  }
  return best.size;
}

/** The preference that counts for a part: its own lean before the wearer's. */
export function preferenceOf({ lean }: CompiledPart, preference: FitPreference): FitPreference {
  return lean === null ? preference : lean === 'larger' ? 'roomy' : 'close';
}

function closest(part: CompiledPart, placements: readonly Placement[]): number {
  return leastMisfit(placements.map((placement) => misfits(columnOf(part, placement), placement.value)));
}

/** How far outside each size of a column a value lies, in steps of that column. */
export function misfits(column: CompiledColumn, value: Length): readonly number[] {
  return column.intervals.map((_, size) => toInterval(column, size, value) / column.step);
}

/** The size with the least sum of misfits over all columns, a tie to the larger. */
export function leastMisfit(columns: readonly (readonly number[])[]): number {
  let [best, least] = [0, Infinity];
  for (let size = 0; size < columns[0]!.length; size++) {
    let misfit = 0;
    for (const column of columns) misfit += column[size]!;
    if (misfit <= least) [best, least] = [size, misfit];
  }
  return best;
}

/** How far a value is outside a size's interval; nothing inside it. */
export function toInterval({ intervals }: CompiledColumn, size: number, value: number): number {
  const interval = intervals[size]!;
  if (holds(interval, value as Length)) return 0;
  return Math.min(
    interval.lower === null ? Infinity : Math.abs(value - interval.lower),
    interval.upper === null ? Infinity : Math.abs(value - interval.upper),
  );
}

/** The column a placement was placed on. */
export function columnOf(part: CompiledPart, { code }: Pick<Placement, 'code'>): CompiledColumn {
  return part.deciding.find((column) => column.code === code)!;
}
