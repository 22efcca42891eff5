import {
  compileChart,
  openSuspicions,
  suspectCodes,
  type Length,
  judge,
  type GarmentVerdict,
  type MeasurementCode,
} from '@neat-measure/core';
import type { Chart } from './chart';
import { agreementOf, standingReadings, type Bench, type Reading } from './docket';

/** The values that the standing readings of a docket settle to, by measurement. */
export function settledBody(readings: readonly Reading[]): Map<MeasurementCode, { readonly value: Length }> {
  const settled = new Map<MeasurementCode, { readonly value: Length }>();
  for (const code of new Set(readings.map((reading) => reading.code))) {
    const { value } = agreementOf(code, standingReadings(readings, [code]));
    if (value !== null) settled.set(code, { value });
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
