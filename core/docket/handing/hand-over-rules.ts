import type { ChartSheet } from '../../chart/chart-shape';
import type { FitCheck } from '../../garment/fit-check';
import { fitChecksOf } from '../../fit/fit-checks';
import type { Stage } from '../fitting/fitting';

/**
 * Whether a garment may go to its wearer as it stands: it is decided, nothing of it is on just now, and they have not
 * got it already.
 *
 * @example mayGo('kept') // true
 * @example mayGo('on') // false
 */
export function mayGo(stage: Stage): boolean {
  return stage === 'to-try' || stage === 'kept' || stage === 'made-to-measure';
}

/**
 * What must be looked at on the wearer before a garment goes and has not been; without it a reason is wanted.
 *
 * @returns `null` where nothing is owed
 * @example owedBeforeGoing({ kind: 'vest', fitChecks: [] }, 'to-try').code // 'gap-seated'
 */
export function owedBeforeGoing(
  sheet: Pick<ChartSheet, 'kind' | 'fitChecks'>,
  stage: Stage,
): FitCheck | null {
  return stage === 'kept' ? null : (fitChecksOf(sheet).find(({ must }) => must) ?? null);
}
