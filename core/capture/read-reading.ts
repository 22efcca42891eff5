import type { ShownUnit } from '../quantity/format-length';
import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { failure, success, type Outcome } from '../outcome';
import { WORKING_UNITS, type Length, type WorkingUnit } from '../quantity/length';
import {
  isMassUnit,
  parseMeasure,
  type MassProblem,
  type MeasureUnit,
  type WrittenMeasure,
} from '../quantity/mass';
import type { LengthProblem } from '../quantity/parse-length';

/** A number that is possible in another unit than the one assumed. */
export interface UnitOffer {
  readonly unit: WorkingUnit;
  readonly length: Length;
}

/** Why a typed reading is not taken. */
export type ReadingProblem =
  | {
      readonly code: 'unreadable';
      readonly measurement: MeasurementCode;
      readonly problem: LengthProblem | MassProblem;
    }
  | {
      readonly code: 'impossible';
      readonly measurement: MeasurementCode;
      /** What was typed, with the unit it was taken in. */
      readonly text: string;
      readonly unit: WrittenMeasure['unit'];
      readonly limits: { readonly least: Length; readonly most: Length };
      /** Units in which the same bare number would be possible; the working ones, in their fixed order. */
      readonly offers: readonly UnitOffer[];
    };

/**
 * The unit a bare number takes: the docket's, always millimetres for a foot, and pounds beside inches.
 *
 * @example [bareUnit('chest-girth', 'in'), bareUnit('foot-length-left', 'in'), bareUnit('weight', 'in')] // ['in', 'mm', 'lb']
 */
export function bareUnit(code: MeasurementCode, docket: MeasureUnit & ShownUnit): MeasureUnit & ShownUnit;
export function bareUnit(code: MeasurementCode, docket: MeasureUnit): MeasureUnit;
export function bareUnit(code: MeasurementCode, docket: ShownUnit): ShownUnit;
export function bareUnit(code: MeasurementCode, docket: MeasureUnit | ShownUnit): MeasureUnit | ShownUnit {
  const { kind } = measurement(code);
  if (kind === 'mass') return docket.startsWith('in') || docket === 'lb' ? 'lb' : 'kg';
  return kind === 'foot' ? 'mm' : docket;
}

/**
 * Whether a length is within the hard limits of a measurement.
 *
 * @example withinLimits('chest-girth', inches(97)) // false
 */
export function withinLimits(code: MeasurementCode, length: Length): boolean {
  const { least, most } = measurement(code).limits;
  return least <= length && length <= most;
}

/**
 * Reads what was typed for a measurement. A bare number that no body has in the docket's
 * unit, but has in another, is not converted: it comes back as an offer to be confirmed.
 *
 * @param unit the unit a bare number takes: `bareUnit` on a docket, the heading's in a file
 * @example readReading('97', 'chest-girth', 'in').problem.offers.map(({ unit }) => unit) // ['cm']
 */
export function readReading(
  text: string,
  code: MeasurementCode,
  unit: MeasureUnit,
): Outcome<WrittenMeasure, ReadingProblem> {
  const asked = measurement(code).kind === 'mass' ? bareUnit(code, unit) : unit;
  const written = parseMeasure(text, asked);
  if (!written.ok) return failure({ code: 'unreadable', measurement: code, problem: written.problem });
  const { length, unit: taken, bare } = written.value;
  if (withinLimits(code, length)) return success(written.value);
  return failure({
    code: 'impossible',
    measurement: code,
    text: text.trim(),
    unit: taken,
    limits: measurement(code).limits,
    offers: bare && !isMassUnit(asked) ? unitOffers(text, code, taken) : [],
  });
}

/**
 * The units in which a bare number is one that bodies have, but for one.
 *
 * @example unitOffers('97', 'chest-girth', 'in').map(({ unit }) => unit) // ['cm']
 */
export function unitOffers(
  text: string,
  code: MeasurementCode,
  assumed: WrittenMeasure['unit'] | null,
): UnitOffer[] {
  return WORKING_UNITS.filter((unit) => unit !== assumed).flatMap((unit) => {
    const written = parseMeasure(text, unit);
    return written.ok && withinLimits(code, written.value.length)
      ? [{ unit, length: written.value.length }]
      : [];
  });
}
