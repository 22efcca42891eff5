import { measurement } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import type { Clothing, Tension } from '../../body/measurement';
import { isSameWaist, waistOf, type WaistPlace } from '../../body/waist';
import { settleReadings, type Agreement } from '../../capture/agreement';
import { mm, type Length } from '../../quantity/length';
import { standingReadings, type Origin, type Reading } from '../docket';
import { allowedIn, type Habits } from '../habits';

/** What of a house's habits says how far apart two readings may be. */
type Allowing = Pick<Habits, 'allowedApart'>;

/** A value with the standard error that its origin and its repeats give it, and how it was taken. */
export interface SettledValue {
  readonly value: Length;
  /** In micrometres; in grams of a mass. */
  readonly standardError: number;
  readonly tension: Tension;
  readonly clothing: Clothing;
  /** Where the waist was; `null` of what has none to do with it. */
  readonly waist: WaistPlace | null;
}

/** What the wearer read, or only reports, is worth less: working factors of ours until the log has data. */
const ERROR_FACTOR: Readonly<Record<Origin, number>> = { fitter: 1, helper: 1, self: 2, reported: 3 };

/**
 * Of the standing readings of one measurement those that are of the same place as the last: with the
 * waist at the navel another length is read than with it where it creases.
 *
 * @example atSameWaist(docket.readings).length // 4
 */
export function atSameWaist(standing: readonly Reading[]): readonly Reading[] {
  const last = standing.at(-1);
  return last === undefined ? [] : standing.filter((one) => isSameWaist(waistOf(one), waistOf(last)));
}

/**
 * Of the standing readings of one measurement those that its value can rest on: at the waist of the last, and what was
 * measured where something was. What the wearer told counts until then, the last of it.
 *
 * @example thatCount(docket.readings.filter(({ code }) => code === 'chest-girth')).length // 2
 */
export function thatCount(standing: readonly Reading[]): readonly Reading[] {
  const here = atSameWaist(standing);
  const measured = here.filter(({ origin }) => origin !== 'reported');
  return measured.length > 0 ? measured : here.slice(-1);
}

/**
 * How the standing readings of one measurement stand together; one carried over, or told, is settled as it is.
 *
 * @example agreementOf('chest-girth', docket.readings, house).state // 'agreed'
 */
export function agreementOf(code: MeasurementCode, all: readonly Reading[], habits: Allowing): Agreement {
  const standing = thatCount(all);
  const allowed = allowedIn(habits, code);
  const only = standing.length === 1 ? standing[0]! : null;
  const carried = only !== null && (only.carriedFrom !== null || only.origin === 'reported') ? only : null;
  if (carried !== null) return { state: 'agreed', value: carried.length, difference: mm(0), allowed };
  return settleReadings(
    code,
    standing.map(({ length }) => length),
    allowed,
  );
}

/**
 * Of the standing readings those that the value rests on: of the last three, those that agree with
 * it. What was read before and superseded says nothing of the value's error.
 *
 * @example countingReadings(docket.readings, agreementOf('chest-girth', docket.readings, house)).length // 2
 */
export function countingReadings(standing: readonly Reading[], agreement: Agreement): readonly Reading[] {
  const last = standing.slice(-3);
  if (agreement.state !== 'agreed') return last;
  const { value, allowed } = agreement;
  return last.filter(({ length }) => Math.abs(length - value) <= allowed);
}

/**
 * The values that the readings of a docket settle to, by measurement.
 *
 * @example settle(docket.readings, house).get('chest-girth').value // 982500
 */
export function settle(
  readings: readonly Reading[],
  habits: Allowing,
): ReadonlyMap<MeasurementCode, SettledValue> {
  const settled = new Map<MeasurementCode, SettledValue>();
  for (const code of new Set(readings.map((reading) => reading.code))) {
    const standing = thatCount(standingReadings(readings, [code]));
    const agreement = agreementOf(code, standing, habits);
    if (agreement.value === null) continue;
    const counting = countingReadings(standing, agreement);
    const last = counting.at(-1)!;
    const { tension, clothing } = last;
    const factor = Math.max(...counting.map(({ origin }) => ERROR_FACTOR[origin]));
    const standardError = factor * repeatedError(code, counting);
    settled.set(code, { value: agreement.value, standardError, tension, clothing, waist: waistOf(last) });
  }
  return settled;
}

/**
 * The values alone, for the checks.
 *
 * @example settledValues(docket.readings, house).get('chest-girth') === cm(98.25) // true
 */
export function settledValues(
  readings: readonly Reading[],
  habits: Allowing,
): ReadonlyMap<MeasurementCode, Length> {
  return new Map([...settle(readings, habits)].map(([code, { value }]) => [code, value]));
}

/**
 * The error of one reading: the catalogue's, or what this wearer's own repeats show where that
 * is more. Of two readings the difference over root two estimates it.
 */
function repeatedError(code: MeasurementCode, counting: readonly Reading[]): number {
  const usual = measurement(code).standardError;
  if (counting.length < 2) return usual;
  const mean = counting.reduce((sum, { length }) => sum + length, 0) / counting.length;
  const squares = counting.reduce((sum, { length }) => sum + (length - mean) ** 2, 0);
  return Math.max(usual, Math.sqrt(squares / (counting.length - 1)));
}
