import { isMeasurementCode, measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';

/** What a maker's arithmetic gives a name of its own: `derived:total-girth`. */
export type DerivedCode = `derived:${string}`;

/** What a column of a chart is about: a measurement as it is taken, or something derived from some. */
export type ColumnCode = MeasurementCode | DerivedCode;

const DERIVED = /^derived:[a-z][a-z0-9-]{0,38}$/;

/**
 * Whether a text names something derived.
 *
 * @example isDerivedCode('derived:back-length') // true
 */
export function isDerivedCode(text: string): text is DerivedCode {
  return DERIVED.test(text);
}

/**
 * Whether a text can head a column: a measurement that is a length, or something derived.
 *
 * @example isColumnCode('derived:total-girth') // true
 * @example isColumnCode('weight') // false
 */
export function isColumnCode(text: string): text is ColumnCode {
  // A mass is recorded and never a size.
  return isDerivedCode(text) || (isMeasurementCode(text) && measurement(text).kind !== 'mass');
}
