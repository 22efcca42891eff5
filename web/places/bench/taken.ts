import type { ReadingSave, Recorded } from '@neat-measure/contract';
import {
  measurement,
  type Clothing,
  type Instrument,
  type MeasurementCode,
  type MeasureUnit,
  type Tension,
} from '@neat-measure/core';

/** A reading to be kept: typed by the fitter unless something else is said. */
export interface Taken {
  readonly typed: string;
  readonly unit: MeasureUnit;
  readonly origin?: ReadingSave['origin'];
  readonly carriedFrom?: string | null;
  readonly device?: string | null;
}

/** How the tape lies, over what, and what it is. */
export interface WayTaken {
  readonly tension: Tension;
  readonly clothing: Clothing;
  /** What the fitter has in hand; where a measurement cannot be taken with it, its own first instrument. */
  readonly instrument: Instrument;
}

/** A reading as it is sent, with everything that makes a number a measurement. */
export function toReading(
  docketId: string,
  code: MeasurementCode,
  { typed, unit, origin = 'fitter', carriedFrom = null, device = null }: Taken,
  { tension, clothing, instrument }: WayTaken,
): ReadingSave {
  const { stance, instruments } = measurement(code);
  return {
    docketId,
    code,
    typed,
    unit,
    stance,
    tension,
    clothing,
    instrument: instruments.includes(instrument) ? instrument : instruments[0]!,
    origin,
    takenAt: new Date().toISOString(),
    carriedFrom,
    device,
  };
}

/** A value on record, carried over with its date and origin. */
export function readRecorded({ value, origin, takenAt, code }: Recorded): Taken {
  // In grams or millimetres a whole number of grams or micrometres is written exactly.
  const mass = measurement(code).kind === 'mass';
  return {
    typed: mass ? `${value} g` : `${value / 1_000} mm`,
    unit: mass ? 'kg' : 'mm',
    origin,
    carriedFrom: takenAt,
  };
}
