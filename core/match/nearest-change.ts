import type { CompiledPart } from '../chart/compile-chart';
import { stretchOf } from '../chart/cut-column';
import { micrometres } from '../quantity/length';
import type { PartPlacer } from './kernel/part-placer';
import type { NearestChange, PlacedMeasurement } from './verdict';

/** How many stretches are looked into on either side. */
const FARTHEST = 6;

interface Found {
  readonly column: number;
  readonly value: number;
  readonly size: number;
  /** In standard errors where the value has one. */
  readonly far: number;
}

/**
 * The least that one of a part's values would have to differ, with the rest as it is, for another
 * size to be proposed: found by asking the placer, so that it is so.
 *
 * @param placed one a column, all known
 * @returns `null` where nothing within six stretches either way changes the size
 */
export function nearestChange(
  part: CompiledPart,
  placer: PartPlacer,
  placed: readonly PlacedMeasurement[],
): NearestChange | null {
  const values = new Float64Array(placed.length);
  placed.forEach(({ value }, column) => (values[column] = value));
  placer.place(values);
  const size = placer.size;
  const found = part.deciding.flatMap((_, column): Found[] =>
    ([1, -1] as const).flatMap((side) => {
      const value = firstChange(placer, values, column, side, size);
      if (value === null) return [];
      const error = placed[column]!.standardError;
      const by = Math.abs(value.at - values[column]!);
      return [{ column, value: value.at, size: value.size, far: error > 0 ? by / error : by * 1e6 }];
    }),
  );
  if (found.length === 0) return null;
  const nearest = found.reduce((best, one) => (one.far < best.far ? one : best));
  const { code, name, foot } = part.deciding[nearest.column]!;
  const by = nearest.value - values[nearest.column]!;
  return {
    code,
    name,
    foot,
    towards: by > 0 ? 'more' : 'less',
    by: micrometres(Math.abs(by)),
    into: nearest.size < 0 ? null : part.sizes[nearest.size]!,
  };
}

/** The first value on one side of a column's own at which the size is another. */
function firstChange(
  placer: PartPlacer,
  values: Float64Array,
  column: number,
  side: 1 | -1,
  size: number,
): { at: number; size: number } | null {
  const moved = values.slice();
  const sizeAt = (value: number): number => {
    moved[column] = value;
    placer.place(moved);
    return placer.size;
  };
  const { points } = placer.columns[column]!;
  let same = values[column]!;
  let stretch = stretchOf(placer.columns[column]!, same);
  for (let looked = 0; looked <= FARTHEST; looked++) {
    // The last value of this stretch, then the first of the next, on the side that is looked at.
    const end = side > 0 ? points[stretch]! - 1 : points[stretch - 1]!;
    if (!Number.isFinite(end)) return null;
    const ends = [end, end + side];
    for (const far of ends) {
      if (sizeAt(far) === size) {
        same = far;
        continue;
      }
      const at = between(sizeAt, same, far, size);
      return { at, size: sizeAt(at) };
    }
    stretch += side;
  }
  return null;
}

/** Where the size turns between a value at which it is the same and one at which it is not. */
function between(sizeAt: (value: number) => number, same: number, other: number, size: number): number {
  let [near, far] = [same, other];
  while (Math.abs(far - near) > 1) {
    const middle = Math.round((near + far) / 2);
    if (sizeAt(middle) === size) near = middle;
    else far = middle;
  }
  return far;
}
