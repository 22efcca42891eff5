import { FEET } from './feet';
import { FRONT_LENGTHS } from './front-lengths';
import { HEIGHTS } from './heights';
import { LIMB_GIRTHS } from './limb-girths';
import { LOWER_LENGTHS } from './lower-lengths';
import { TORSO_GIRTHS } from './torso-girths';
import { UPPER_LENGTHS } from './upper-lengths';
import { VEST_LENGTHS } from './vest-lengths';
import { MEASUREMENT_CODES, type MeasurementCode } from './codes';
import type { Measurement } from '../measurement';

/**
 * Every measurement the tool knows. Terms follow ISO 8559-1; the four waists are four
 * measurements, and none stands in for another.
 */
export const CATALOGUE: readonly Measurement[] = [
  ...TORSO_GIRTHS,
  ...LIMB_GIRTHS,
  ...HEIGHTS,
  ...UPPER_LENGTHS,
  ...FRONT_LENGTHS,
  ...LOWER_LENGTHS,
  ...VEST_LENGTHS,
  ...FEET,
];

const BY_CODE: ReadonlyMap<string, Measurement> = new Map(CATALOGUE.map((one) => [one.code, one]));

/**
 * The measurement of a code.
 *
 * @example measurement('chest-girth').stance // 'standing'
 */
export function measurement(code: MeasurementCode): Measurement {
  return BY_CODE.get(code)!;
}

/**
 * Whether a text is the code of a measurement.
 *
 * @example isMeasurementCode('chest-girth') // true
 * @example isMeasurementCode('waist') // false
 */
export function isMeasurementCode(text: string): text is MeasurementCode {
  return (MEASUREMENT_CODES as readonly string[]).includes(text);
}
