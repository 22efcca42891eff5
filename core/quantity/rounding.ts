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
  const rounded = new Float64Array(1);
  roundEach(policy)(rounded, Float64Array.of(length), 1);
  return Number.isNaN(rounded[0]!) ? null : micrometres(rounded[0]!);
}

/**
 * The same for many lengths at once, in plain numbers: what a kernel does. `NaN` for `NaN`, and
 * where every offered length is above the value.
 *
 * @returns what puts the rounded of the first `count` values into `out`
 * @throws RangeError when the step is not positive
 * @example (() => { const out = new Float64Array(1); roundEach({ mode: 'down', step: inches(1) })(out, Float64Array.of(inches(15.9)), 1); return out[0] === inches(15); })() // true
 */
export function roundEach(
  policy: RoundingPolicy,
): (out: Float64Array, values: Float64Array, count: number) => void {
  if (policy.mode === 'down-to-offered') {
    const offered = Float64Array.from(policy.offered).sort();
    return (out, values, count) => {
      for (let row = 0; row < count; row++) {
        let found = NaN;
        for (const one of offered) if (one <= values[row]!) found = one;
        out[row] = found;
      }
    };
  }
  const { mode, step } = policy;
  if (step <= 0) throw new RangeError('a rounding step must be positive');
  // Twice the rest from which on it goes up.
  const upFrom = mode === 'up' ? 1 : mode === 'nearest' ? step : Infinity;
  return (out, values, count) => {
    for (let row = 0; row < count; row++) {
      const value = values[row]!;
      const below = Math.floor(value / step);
      const rest = value - below * step;
      out[row] = (rest * 2 >= upFrom ? below + 1 : below) * step;
    }
  };
}
