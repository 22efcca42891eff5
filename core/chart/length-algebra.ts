import type { MeasurementCode } from '../body/catalogue/codes';
import { micrometres, type Length } from '../quantity/length';
import { roundLength } from '../quantity/rounding';
import type { Algebra } from './derive';

/**
 * The arithmetic of a chart on whole micrometres. What does not come out whole goes to the
 * nearest micrometre, a half upward.
 */
export function lengthAlgebra(
  reading: (code: MeasurementCode) => Length | undefined,
  sizeOf: (part: string) => Length | undefined,
): Algebra<Length> {
  const whole = (count: number) => micrometres(Math.round(count));
  const sum = (values: readonly Length[]) => values.reduce<number>((total, one) => total + one, 0);
  return {
    reading,
    sizeOf,
    length: (length) => length,
    add: (values) => whole(sum(values)),
    subtract: (from, take) => whole(from - take),
    multiply: (value, by) => whole(value * by),
    average: (values) => whole(sum(values) / values.length),
    difference: (one, other) => whole(Math.abs(one - other)),
    max: (values) => micrometres(Math.max(...values)),
    lookup: (value, rows) => rows.find(({ upTo }) => value <= upTo)?.gives,
    round: (value, to) => roundLength(value, to) ?? undefined,
    clamp: (value, least, most) =>
      micrometres(Math.min(Math.max(value, least ?? -Infinity), most ?? Infinity)),
    isAtLeast: (value, least) => value >= least,
  };
}
