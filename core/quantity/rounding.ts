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
 */
export function roundLength(length: Length, policy: RoundingPolicy): Length | null {
  if (policy.mode === 'down-to-offered') {
    const within = policy.offered.filter((offered) => offered <= length);
    return within.length === 0 ? null : micrometres(Math.max(...within));
  }
  if (policy.step <= 0) throw new RangeError('a rounding step must be positive');
  const below = Math.floor(length / policy.step);
  const rest = length - below * policy.step;
  if (rest === 0) return length;
  const up = policy.mode === 'up' || (policy.mode === 'nearest' && rest * 2 >= policy.step);
  return micrometres((up ? below + 1 : below) * policy.step);
}
