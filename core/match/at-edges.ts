// What is said of a size near its edges: what lies just past one, and that a fit liked closer or roomier took the next.
import type { ColumnCode } from '../chart/column-code';
import type { CompiledPart } from '../chart/compile-chart';
import type { HouseRule } from '../chart/chart-shape';
import type { PartPlacer } from './kernel/part-placer';
import { commonSizes, type Placement } from './placement';
import { VERDICTS, type PlacedMeasurement, type Reason } from './verdict';

/**
 * The size just past the edge that a measurement of a size lies near, with the rest as it is: what the kernel says
 * there. `undefined` where it lies near none.
 */
export function pastEdge(
  part: CompiledPart,
  placer: PartPlacer,
  placements: readonly PlacedMeasurement[],
  column: number,
  size: string,
  stepOf: (code: ColumnCode) => number,
): Extract<Reason, { verdict: 'settled' }>['past'] {
  const { value, toEdge, standardError } = placements[column]!;
  if (toEdge === null || toEdge >= standardError) return undefined;
  const values = Float64Array.from(placements, (one) => one.value);
  const { from, until } = part.deciding[column]!.intervals[part.sizes.indexOf(size)]!;
  // What is rounded first is next to itself by a step, and nothing lies between.
  const step = stepOf(placements[column]!.code);
  const down = value - from < until - value;
  values[column] = step > 1 ? value + (down ? -step : step) : down ? from - 1 : until;
  placer.place(values);
  return {
    verdict: VERDICTS[placer.verdict]!,
    size: placer.size < 0 ? null : part.sizes[placer.size]!,
  };
}

/**
 * The size that all values lie in, where the next is proposed as it is liked closer or roomier, and the measurement that
 * lies nearest that end of it; else `null`.
 */
export function leanedFrom(
  part: CompiledPart,
  rule: HouseRule,
  placed: readonly Placement[],
  placements: readonly PlacedMeasurement[],
  size: string,
): { readonly from: string; readonly by: PlacedMeasurement } | null {
  const [common, ...others] = commonSizes(placed);
  const own = part.sizes.indexOf(size);
  if (common === undefined || others.length > 0 || common === own) return null;
  const toEnd = ({ value }: PlacedMeasurement, column: number) => {
    const { from, until } = part.deciding[column]!.intervals[common]!;
    return own > common ? until - value : value - from;
  };
  const asked = placements.flatMap((one, column) =>
    rule === 'key-decides' && one.code !== part.key ? [] : [{ one, far: toEnd(one, column) }],
  );
  const nearest = asked.reduce((near, other) => (other.far < near.far ? other : near), asked[0]!);
  return { from: part.sizes[common]!, by: (nearest ?? { one: placements[0]! }).one };
}
