import {
  compileChart,
  openSuspicions,
  suspectCodes,
  type Length,
  judge,
  measurement,
  type GarmentVerdict,
  type MeasurementCode,
} from '@neat-measure/core';
import type { Chart } from './chart';
import { agreementOf, standingReadings, type Bench, type Reading } from './docket';

/** A value with the standard error that its origin gives it, in micrometres. */
interface SettledValue {
  readonly value: Length;
  readonly standardError: number;
}

/** What the wearer read, or only reports, is worth less: working factors of ours until the log has data. */
const ERROR_FACTOR: Readonly<Record<Reading['origin'], number>> = {
  fitter: 1,
  helper: 1,
  self: 2,
  reported: 3,
};

/** The values that the standing readings of a docket settle to, by measurement. */
export function settledBody(readings: readonly Reading[]): Map<MeasurementCode, SettledValue> {
  const settled = new Map<MeasurementCode, SettledValue>();
  for (const code of new Set(readings.map((reading) => reading.code))) {
    const standing = standingReadings(readings, [code]);
    const { value } = agreementOf(code, standing);
    const factor = Math.max(1, ...standing.map(({ origin }) => ERROR_FACTOR[origin]));
    if (value !== null) settled.set(code, { value, standardError: factor * measurement(code).standardError });
  }
  return settled;
}

/** The values alone, for the checks. */
export function settledValues(readings: readonly Reading[]): Map<MeasurementCode, Length> {
  return new Map([...settledBody(readings)].map(([code, { value }]) => [code, value]));
}

/**
 * The verdict on one garment of a docket. Server and screen both call this, so that what
 * the fitter saw and what is kept are the same computation.
 */
export function judgeGarment(
  chart: Chart,
  { docket, readings, confirmations }: Pick<Bench, 'docket' | 'readings' | 'confirmations'>,
): GarmentVerdict {
  const suspects = suspectCodes(openSuspicions(settledValues(readings), confirmations));
  return judge(compileChart(chart.sheet), settledBody(readings), { preference: docket.preference }, suspects);
}
