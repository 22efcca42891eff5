import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { micrometres, type Length } from '../quantity/length';

/** How the readings of one measurement stand together. */
export type Agreement =
  /** Nothing read yet. */
  | { readonly state: 'none'; readonly value: null }
  /** One reading: a value to go on with, and a second still wanted. */
  | { readonly state: 'one'; readonly value: Length }
  /** Two that agree (their mean), or three of which two agree (their median). */
  | {
      readonly state: 'agreed';
      readonly value: Length;
      readonly difference: Length;
      readonly allowed: Length;
    }
  /** Two that do not agree: a third is wanted; their mean serves until then. */
  | {
      readonly state: 'third-wanted';
      readonly value: Length;
      readonly difference: Length;
      readonly allowed: Length;
    }
  /** Three of which no two agree: stop, move on, come back. No value. */
  | {
      readonly state: 'disagree';
      readonly value: null;
      readonly difference: Length;
      readonly allowed: Length;
    };

/**
 * How far difference two readings of a measurement may be: twice the standard error of a
 * difference, which is the error of one reading times root two. (Common practice, no source.)
 *
 * @example allowedDifference('chest-girth') // 19798
 */
export function allowedDifference(code: MeasurementCode): Length {
  return micrometres(Math.floor(2 * Math.SQRT2 * measurement(code).standardError));
}

/**
 * Settles repeated readings of one measurement: the mean of two that agree, the median of
 * three where a third was needed.
 *
 * @param readings in the order taken; of more than three the last three count, so that
 *   reading again after a disagreement can settle it
 * @param allowed how far apart two may be, where the house has settled it
 * @example settleReadings('chest-girth', [cm(98), cm(98.5)]).state // 'agreed'
 */
export function settleReadings(
  code: MeasurementCode,
  readings: readonly Length[],
  allowed: Length = allowedDifference(code),
): Agreement {
  const last = readings.slice(-3);
  if (last.length === 0) return { state: 'none', value: null };
  if (last.length === 1) return { state: 'one', value: last[0]! };
  const sorted = [...last].sort((a, b) => a - b);
  const gaps = sorted.slice(1).map((one, at) => micrometres(one - sorted[at]!));
  const difference = micrometres(Math.min(...gaps));
  if (last.length === 2) {
    const value = micrometres(Math.round((sorted[0]! + sorted[1]!) / 2));
    return { state: difference <= allowed ? 'agreed' : 'third-wanted', value, difference, allowed };
  }
  if (difference > allowed) return { state: 'disagree', value: null, difference, allowed };
  return { state: 'agreed', value: sorted[1]!, difference, allowed };
}
