import * as z from 'zod';
import { ACT_BASE, idSchema, itsGarment, needsChart, type ActKind } from '../act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('trial-withdrawn'),
  chartId: idSchema,
  trialId: idSchema,
});
/** A size was not put on after all; what was answered of it goes with it. */
export type TrialWithdrawn = z.infer<typeof schema>;

export const trialWithdrawn: ActKind<TrialWithdrawn> = {
  kind: 'trial-withdrawn',
  schema,
  refuse: ({ trials }, { trialId, chartId }) =>
    trials.some((one) => one.id === trialId && one.chartId === chartId) ? null : { code: 'no-such-trial' },
  carryOut: (docket, { trialId }) => ({
    ...docket,
    trials: docket.trials.filter(({ id }) => id !== trialId),
    fittings: docket.fittings.filter((one) => one.trialId !== trialId),
  }),
  undo: ({ trials }, { trialId }) => {
    const trial = trials.find(({ id }) => id === trialId);
    if (trial === undefined) return null;
    const { chartId, sizes, carrier } = trial;
    return { kind: 'garment-tried', chartId, sizes, carrier, found: null };
  },
  say: ({ chartId }, { garment }) => `undid trying on ${garment(chartId)}`,
  takes: 'decide',
  about: itsGarment,
  stages: (_before, { chartId }) => [chartId],
  evidence: true,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
