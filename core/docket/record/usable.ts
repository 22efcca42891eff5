import { measurement } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { isSameWaist } from '../../body/waist';
import { readReading } from '../../capture/read-reading';
import { formatLength, type ShownUnit } from '../../quantity/format-length';
import { MICROMETRES_PER, type Length } from '../../quantity/length';
import type { MeasureUnit } from '../../quantity/mass';
import type { Doing } from '../acts';
import type { Step } from '../judge/steps';
import type { RecordedValue } from './record';

/** A step nothing was read of yet, and the value on record that may be used for it. */
export interface UsableValue<Known extends RecordedValue = RecordedValue> {
  readonly step: Step;
  readonly known: Known;
}

/**
 * What stands on record for steps nothing was read of yet, and may be used as it is.
 *
 * @example usableRecord(stepsOf(planOf(docket, library), docket, [], house), []) // []
 */
export function usableRecord<Known extends RecordedValue>(
  steps: readonly Step[],
  record: readonly Known[],
): UsableValue<Known>[] {
  return steps.flatMap((step) => {
    if (step.readings.length > 0 || step.skipped !== null) return [];
    const known = record.find(
      ({ code, waist, due }) => code === step.code && !due && isSameWaist(waist ?? null, step.waist),
    );
    return known === undefined ? [] : [{ step, known }];
  });
}

/**
 * What carries a value on record over to a docket, with its date and origin.
 *
 * @param unit in which the docket writes that measurement
 * @example usableRecord(stepsOf(planOf(docket, library), docket, [], house), []).map((one) => carriedOver(one, 'cm')) // []
 */
export function carriedOver(
  { step, known }: UsableValue,
  unit: MeasureUnit,
): Doing & { kind: 'reading-taken' } {
  const { stance, instruments } = measurement(step.code);
  return {
    kind: 'reading-taken',
    code: step.code,
    ...writtenExactly(step.code, known.value, unit),
    length: known.value,
    stance,
    tension: step.tension,
    clothing: step.clothing,
    waist: known.waist ?? step.waist ?? undefined,
    instrument: known.instrument ?? instruments[0]!,
    origin: known.origin,
    carriedFrom: known.takenAt,
    ...(known.readings === undefined ? {} : { carriedReadings: known.readings }),
    device: null,
  };
}

/**
 * A value as it is written exactly: in a unit where that can be, else in millimetres or grams.
 *
 * @example writtenExactly('chest-girth', cm(98.25), 'cm') // { typed: '982.5 mm', unit: 'mm' }
 */
export function writtenExactly(
  code: MeasurementCode,
  value: Length,
  unit: MeasureUnit,
): { typed: string; unit: MeasureUnit } {
  if (measurement(code).kind === 'mass') return { typed: `${value} g`, unit: 'kg' };
  const typed = formatLength(value, unit as ShownUnit);
  const read = readReading(typed, code, unit);
  return read.ok && read.value.length === value
    ? { typed, unit }
    : { typed: `${value / MICROMETRES_PER.mm} mm`, unit: 'mm' };
}
