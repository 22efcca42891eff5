import { formatLength, formatNumber, type ShownLength, plainUnit } from './format-length';
import type { RoundingPolicy } from './rounding';

/**
 * A rounding policy in words, its lengths in the unit it was made in.
 *
 * @example sayRounding({ mode: 'down', step: inches(1) }, 'in') // 'down to a whole 1 in'
 */
export function sayRounding(to: RoundingPolicy, unit: ShownLength): string {
  if (to.mode === 'down-to-offered')
    return `the largest offered that is not above it (${to.offered.map((one) => formatNumber(one, unit)).join(', ')} ${plainUnit(unit)})`;
  const step = formatLength(to.step, unit);
  return to.mode === 'nearest' ? `to the nearest ${step}` : `${to.mode} to a whole ${step}`;
}
