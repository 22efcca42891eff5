import { isMeasurementCode } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { nearestCodes } from '../../body/nearest-codes';
import { failure, success, type Outcome } from '../../outcome';
import { WORKING_UNITS, type WorkingUnit } from '../../quantity/length';

/** Why a column heading names no measurement in a unit. */
export type HeadingProblem =
  | {
      readonly code: 'unknown-measurement';
      readonly name: string;
      readonly nearest: readonly MeasurementCode[];
    }
  | { readonly code: 'unit-missing'; readonly name: string }
  | { readonly code: 'unit-unknown'; readonly name: string; readonly unit: string };

/**
 * Reads a column heading such as `chest-girth (cm)`, in charts and in lists of people alike.
 * A name that is no code is refused with the nearest codes: `waist` is at least four places.
 */
export function parseHeading(
  heading: string,
): Outcome<{ code: MeasurementCode; unit: WorkingUnit }, HeadingProblem> {
  const match = /^(.*?)\s*(?:[([]\s*(.*?)\s*[)\]])?$/.exec(heading.trim())!;
  const name = match[1]!;
  const code = name.toLowerCase().replace(/[\s_]+/g, '-');
  if (!isMeasurementCode(code))
    return failure({ code: 'unknown-measurement', name, nearest: nearestCodes(name) });
  const unit = match[2]?.toLowerCase();
  if (unit === undefined || unit === '') return failure({ code: 'unit-missing', name: code });
  const known = WORKING_UNITS.find((one) => one === unit);
  if (known === undefined) return failure({ code: 'unit-unknown', name: code, unit });
  return success({ code, unit: known });
}
