import { micrometres, type Length } from '../quantity/length';
import type { MeasurementCode } from './catalogue/codes';

/** The two lengths whose difference is the dart: over the breast, and beside it. */
export const DART_OF = ['shoulder-to-underbust', 'shoulder-to-underbust-side'] as const;

/**
 * The dart: how much more it is from the shoulder to right under the bust over the breast than beside it. `null` until
 * both are known, and where the one over the breast is not the longer. Common practice, no source.
 *
 * @param values settled values by measurement
 *
 * @example dartOf(new Map([['shoulder-to-underbust', inches(13.5)], ['shoulder-to-underbust-side', inches(12)]])) === inches(1.5) // true
 * @example dartOf(new Map([['shoulder-to-underbust', inches(13.5)]])) // null
 */
export function dartOf(values: ReadonlyMap<MeasurementCode, Length>): Length | null {
  const [over, beside] = DART_OF.map((code) => values.get(code));
  return over === undefined || beside === undefined || over <= beside ? null : micrometres(over - beside);
}
