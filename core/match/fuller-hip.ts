import type { MeasurementCode } from '../body/catalogue/codes';
import type { Length } from '../quantity/length';
import type { MeasuredBody, MeasuredValue } from './judge';

/**
 * Whether a chart asks for one hip, so that of a body with two fullnesses the larger decides.
 *
 * @param codes what the chart reads
 */
export function asksForOneHip(codes: readonly MeasurementCode[]): boolean {
  return codes.includes('hip-girth') && !codes.includes('high-hip-girth');
}

/**
 * Of two fullnesses of the hip the larger decides, for a chart that asks for one of them. Common
 * practice, no source.
 *
 * @param codes what the chart reads
 * @returns the same body where the hip is the larger, or only one of them is known
 */
export function withFullerHip(body: MeasuredBody, codes: readonly MeasurementCode[]): MeasuredBody {
  const fuller = fullerHip(body.get('hip-girth')?.value, body.get('high-hip-girth')?.value);
  if (fuller === null || !asksForOneHip(codes)) return body;
  const counts: MeasuredValue = { ...body.get('high-hip-girth')!, from: 'high-hip-girth' };
  return new Map(body).set('hip-girth', counts);
}

/** The upper fullness where it is the larger of two; else `null`. */
export function fullerHip(hip: Length | undefined, upper: Length | undefined): Length | null {
  return hip !== undefined && upper !== undefined && upper > hip ? upper : null;
}
