import type { MeasurementCode } from '../body/catalogue/codes';
import { isNaturalWaist } from '../body/waist';
import type { ChartSheet } from '../chart/chart-shape';
import { codesRead } from '../chart/size-chart';
import type { MeasuredBody } from '../match/judge';
import type { SettledValue } from './settle';

/**
 * What charts are judged by: makers mean the natural waist, so what was read with the cord at the navel
 * is another measurement and none of theirs.
 */
export function meantByMakers(settled: ReadonlyMap<MeasurementCode, SettledValue>): MeasuredBody {
  return new Map([...settled].filter(([, { waist }]) => isNaturalWaist(waist)));
}

/**
 * Of two fullnesses of the hip the larger decides, for a chart that asks for one of them. Common
 * practice, no source.
 *
 * @param codes what the chart reads
 */
export function withFullerHip(body: MeasuredBody, codes: readonly MeasurementCode[]): MeasuredBody {
  const [hip, upper] = [body.get('hip-girth'), body.get('high-hip-girth')];
  if (hip === undefined || upper === undefined || upper.value <= hip.value) return body;
  if (!asksForOneHip(codes)) return body;
  return new Map(body).set('hip-girth', { ...upper, from: 'high-hip-girth' });
}

/** Whatever a chart's verdict can rest on: what it reads, and what may count for that by custom. */
export function codesBehind(sheet: ChartSheet): MeasurementCode[] {
  const codes = codesRead(sheet);
  return asksForOneHip(codes) ? [...codes, 'high-hip-girth'] : codes;
}

function asksForOneHip(codes: readonly MeasurementCode[]): boolean {
  return codes.includes('hip-girth') && !codes.includes('high-hip-girth');
}
