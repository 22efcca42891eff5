import { micrometres, type Length } from './length';

/**
 * How a length is brought onto a grid: a named policy that travels with the chart or
 * the docket as data, because the schools of the trade differ here.
 *
 * - `up`, `down`, `nearest`: to a whole number of `step`s; `nearest` sends a half upward.
 * - `down-to-offered`: to the largest of the offered lengths that is not above the value.
 */
export type RoundingPolicy =
  | { readonly mode: 'up' | 'down' | 'nearest'; readonly step: Length }
  | { readonly mode: 'down-to-offered'; readonly offered: readonly Length[] };

/**
 * Rounds a length by a policy.
 *
 * @returns the rounded length, or `null` when the policy is `down-to-offered` and every
 *   offered length is above the value
 * @throws RangeError when the step is not positive: charts are checked for it on import
 *
 * @example roundLength(inches(15.5), { mode: 'nearest', step: inches(1) }) // inches(16)
 * @example roundLength(inches(12), { mode: 'down-to-offered', offered: [inches(11.5), inches(12.5)] }) // inches(11.5)
 * @example roundLength(inches(9), { mode: 'down-to-offered', offered: [inches(10)] }) // null
 */
export function roundLength(length: Length, policy: RoundingPolicy): Length | null {
  const rounded = roundWhole(policy)(length);
  return Number.isNaN(rounded) ? null : micrometres(rounded);
}

/**
 * The same as a function of plain numbers, made once for a policy: what a kernel calls for many.
 *
 * @returns a function from whole micrometres to whole micrometres; `NaN` for `NaN`, and where
 *   every offered length is above the value
 * @throws RangeError when the step is not positive
 */
export function roundWhole(policy: RoundingPolicy): (length: number) => number {
  if (policy.mode === 'down-to-offered') {
    const offered = Float64Array.from(policy.offered).sort();
    return (length) => {
      let found = NaN;
      for (const one of offered) if (one <= length) found = one;
      return found;
    };
  }
  const { mode, step } = policy;
  if (step <= 0) throw new RangeError('a rounding step must be positive');
  return (length) => {
    const below = Math.floor(length / step);
    const rest = length - below * step;
    const up = rest > 0 && (mode === 'up' || (mode === 'nearest' && rest * 2 >= step));
    return (up ? below + 1 : below) * step;
  };
}
