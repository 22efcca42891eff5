import * as z from 'zod';
import type { ChartSheet } from '../../../chart/chart-shape';
import { FITTING_OUTCOMES, standingDecision, type Docket } from '../../docket';
import { adviceOn, standingFitting, trialsOf, unmendedOn } from '../../fitting/fitting';
import type { Refusal } from '../../refusal';
import { ACT_BASE, idSchema, itsGarment, needsChart, wordsSchema, type ActKind } from '../act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('garment-fitted'),
  chartId: idSchema,
  /** The trial it was looked at in: if another size is on by then, nothing is kept. */
  trialId: idSchema,
  outcome: z.enum(FITTING_OUTCOMES),
  /** Wanted where it is kept although something is not right. */
  reason: wordsSchema(300).nullable(),
  /** What is kept: found when it is let in. */
  found: z
    .object({
      size: z.string().max(200).nullable(),
      sizes: z.record(z.string().max(40), z.string().max(24)),
      after: idSchema.nullable(),
    })
    .nullable(),
});
/** What trying a garment on came to: the size that is on is kept, or it is made to measure. */
export type GarmentFitted = z.infer<typeof schema>;

export const garmentFitted: ActKind<GarmentFitted> = {
  kind: 'garment-fitted',
  schema,
  refuse: (docket, { chartId, trialId, outcome, reason }, { charts }) => {
    const chart = charts.find(({ id }) => id === chartId);
    const trials = trialsOf(docket, chartId);
    if (chart === undefined || !trials.some(({ id }) => id === trialId)) return { code: 'no-such-trial' };
    if (outcome === 'open') return null;
    if (trials.at(-1)!.id !== trialId) return { code: 'tried-meanwhile' };
    return outcome === 'kept' ? refuseKept(docket, chartId, chart.sheet, reason) : null;
  },
  finds: {
    complete: (docket, act) => {
      const trial = trialsOf(docket, act.chartId).find(({ id }) => id === act.trialId)!;
      const kept = act.outcome === 'kept';
      const after = standingDecision(docket, act.chartId)?.id ?? null;
      return { ...act, found: { size: kept ? trial.size : null, sizes: kept ? trial.sizes : {}, after } };
    },
    without: (act) => ({ ...act, found: null }),
  },
  carryOut: (docket, { id, chartId, trialId, outcome, reason, found, by, at }) => {
    const { size, sizes, after } = found ?? { size: null, sizes: {}, after: null };
    const fitting = { id, chartId, trialId, outcome, size, sizes, reason, after, by, fittedAt: at };
    return { ...docket, fittings: [...docket.fittings, fitting] };
  },
  undo: (before, { chartId, trialId, outcome }) => {
    const was = standingFitting(before, chartId);
    if (outcome === 'open') return null;
    // What stood before is put back where it was of the same trial; else it is open again.
    if (was !== null && was.trialId === trialId)
      return {
        kind: 'garment-fitted',
        chartId,
        trialId,
        outcome: was.outcome,
        reason: was.reason,
        found: null,
      };
    return { kind: 'garment-fitted', chartId, trialId, outcome: 'open', reason: null, found: null };
  },
  say: ({ chartId, outcome, reason, found }, { garment }) => {
    const because = reason === null ? '' : `: ${reason}`;
    switch (outcome) {
      case 'kept':
        return `kept ${found?.size ?? 'the size that is on'} of ${garment(chartId)} after trying it on${because}`;
      case 'made-to-measure':
        return `chose made to measure for ${garment(chartId)} after trying it on${because}`;
      case 'open':
        return `reopened the fitting of ${garment(chartId)}`;
    }
  },
  takes: 'decide',
  about: itsGarment,
  stages: (_before, { chartId }) => [chartId],
  evidence: false,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};

/**
 * Nothing is kept before what must be looked at was looked at, or left out with a reason; and nothing
 * that is not right is kept without a word: an alteration that mends it, or a reason.
 */
function refuseKept(
  docket: Docket,
  chartId: string,
  sheet: ChartSheet,
  reason: string | null,
): Refusal | null {
  const { owed } = adviceOn(docket, chartId, sheet);
  if (owed.length > 0) return { code: 'must-be-seen', look: owed[0]!.look };
  const unmended = unmendedOn(docket, chartId, sheet);
  return unmended !== null && reason === null ? { code: 'not-right', says: unmended.answer.says } : null;
}
