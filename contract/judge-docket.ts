import {
  compileChart,
  judge,
  settleReadings,
  type GarmentVerdict,
  type MeasurementCode,
  type MeasuredBody,
} from '@neat-measure/core';
import type { Chart } from './chart';
import { standingReadings, type Docket, type Reading } from './docket';

/** The values that the standing readings of a docket settle to, by measurement. */
export function settledBody(readings: readonly Reading[]): MeasuredBody {
  const codes = [...new Set(readings.map(({ code }) => code))];
  return new Map(
    codes.flatMap(
      (code): [MeasurementCode, { value: NonNullable<ReturnType<typeof settleReadings>['value']> }][] => {
        const { value } = settleReadings(
          code,
          standingReadings(readings, [code]).map(({ length }) => length),
        );
        return value === null ? [] : [[code, { value }]];
      },
    ),
  );
}

/**
 * The verdict on one garment of a docket. Server and screen both call this, so that what
 * the fitter saw and what is kept are the same computation.
 */
export function judgeGarment(
  chart: Chart,
  docket: Pick<Docket, 'preference'>,
  readings: readonly Reading[],
): GarmentVerdict {
  return judge(compileChart(chart.sheet), settledBody(readings), { preference: docket.preference });
}
