import type { MeasurementCode } from '../../body/catalogue/codes';
import { isNaturalWaist } from '../../body/waist';
import type { ChartSheet } from '../../chart/chart-shape';
import { codesRead } from '../../chart/size-chart';
import { asksForOneHip } from '../../match/fuller-hip';
import type { MeasuredBody } from '../../match/judge';
import type { SettledValue } from './settle';

/**
 * What charts are judged by: makers mean the natural waist, so what was read with the cord at the navel
 * is another measurement and none of theirs.
 *
 * @example [...meantByMakers(settledValues(docket.readings, house)).keys()] // ['chest-girth', 'waist-girth']
 */
export function meantByMakers(settled: ReadonlyMap<MeasurementCode, SettledValue>): MeasuredBody {
  return new Map([...settled].filter(([, { waist }]) => isNaturalWaist(waist)));
}

/**
 * Whatever a chart's verdict can rest on: what it reads, and what may count for that by custom.
 *
 * @example codesBehind(jacket.sheet) // ['chest-girth', 'waist-girth']
 */
export function codesBehind(sheet: ChartSheet): MeasurementCode[] {
  const codes = codesRead(sheet);
  return asksForOneHip(codes) ? [...codes, 'high-hip-girth'] : codes;
}
