import * as z from 'zod';
import { alterationsOf, isAtTailor } from '../../fitting/fitting';
import { ACT_BASE, idSchema, itsGarment, needsChart, noGarments, type ActKind } from '../act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('alterations-done'),
  chartId: idSchema,
  /** Whether it is ready, or back in work. */
  done: z.boolean(),
});
/** A garment that was to be altered is ready, or is not after all. */
export type AlterationsDone = z.infer<typeof schema>;

export const alterationsDone: ActKind<AlterationsDone> = {
  kind: 'alterations-done',
  schema,
  refuse: (docket, { chartId, done }) =>
    alterationsOf(docket, chartId).length === 0 || isAtTailor(docket, chartId) !== done
      ? { code: 'nothing-altered' }
      : null,
  carryOut: (docket, { chartId, done, by, at }) => {
    const others = docket.altered.filter((one) => one.chartId !== chartId);
    return { ...docket, altered: done ? [...others, { chartId, by, at }] : others };
  },
  undo: (_before, { chartId, done }) => ({ kind: 'alterations-done', chartId, done: !done }),
  say: ({ chartId, done }, { garment }) =>
    done
      ? `marked ${garment(chartId)} as altered and ready`
      : `marked ${garment(chartId)} as not yet altered`,
  takes: 'hand-over',
  about: itsGarment,
  stages: noGarments,
  evidence: false,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
