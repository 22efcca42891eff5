import { isMeasurementCode, measurement } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { nearestCodes } from '../../body/nearest-codes';
import { failure, success, type Outcome } from '../../outcome';
import { WORKING_UNITS } from '../../quantity/length';
import { MASS_UNITS, type MeasureUnit } from '../../quantity/mass';

/** Why a column heading names no measurement in a unit. */
export type HeadingProblem =
  | {
      readonly code: 'unknown-measurement';
      readonly name: string;
      readonly nearest: readonly MeasurementCode[];
    }
  | { readonly code: 'unit-missing'; readonly name: string; readonly units: readonly MeasureUnit[] }
  | {
      readonly code: 'unit-unknown';
      readonly name: string;
      readonly unit: string;
      readonly units: readonly MeasureUnit[];
    };

/**
 * Reads a column heading such as `chest-girth (cm)`, in charts and in lists of people alike.
 * A name that is no code is refused with the nearest codes: `waist` is at least four places. A mass
 * takes units of mass: `weight (kg)`.
 */
export function parseHeading(
  heading: string,
): Outcome<{ code: MeasurementCode; unit: MeasureUnit }, HeadingProblem> {
  const match = /^(.*?)\s*(?:[([]\s*(.*?)\s*[)\]])?$/.exec(heading.trim())!;
  const name = match[1]!;
  const code = name.toLowerCase().replace(/[\s_]+/g, '-');
  if (!isMeasurementCode(code))
    return failure({ code: 'unknown-measurement', name, nearest: nearestCodes(name) });
  const units: readonly MeasureUnit[] = measurement(code).kind === 'mass' ? MASS_UNITS : WORKING_UNITS;
  const unit = match[2]?.toLowerCase();
  if (unit === undefined || unit === '') return failure({ code: 'unit-missing', name: code, units });
  const known = units.find((one) => one === unit);
  if (known === undefined) return failure({ code: 'unit-unknown', name: code, unit, units });
  return success({ code, unit: known });
}
