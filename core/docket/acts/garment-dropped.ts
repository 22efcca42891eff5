import * as z from 'zod';
import { garmentOn, isClosing, standingDecision } from '../docket';
import { ACT_BASE, idSchema, itsGarment, needsChart, noGarments, type ActKind } from './act';

const schema = z.object({ ...ACT_BASE, kind: z.literal('garment-dropped'), chartId: idSchema });
/** Takes a garment off the docket that nobody has decided. */
export type GarmentDropped = z.infer<typeof schema>;

export const garmentDropped: ActKind<GarmentDropped> = {
  kind: 'garment-dropped',
  schema,
  refuse: (docket, { chartId }) => {
    if (garmentOn(docket, chartId) === undefined) return { code: 'not-on-docket' };
    // What a wearer has, or had, stays on their docket.
    if (docket.handings.some((one) => one.chartId === chartId)) return { code: 'decided-already' };
    return isClosing(standingDecision(docket, chartId)) ? { code: 'decided-already' } : null;
  },
  carryOut: (docket, { chartId }) => ({
    ...docket,
    garments: docket.garments.filter((one) => one.chartId !== chartId),
  }),
  say: ({ chartId }, { garment }) => `removed ${garment(chartId)} from the docket`,
  undo: 'opening',
  takes: 'measure',
  about: itsGarment,
  stages: noGarments,
  evidence: false,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
