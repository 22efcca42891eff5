import * as z from 'zod';
import { garmentOn, MOST_GARMENTS } from '../docket';
import { ACT_BASE, idSchema, itsGarment, needsChart, noGarments, type ActKind } from './act';

const schema = z.object({ ...ACT_BASE, kind: z.literal('garment-asked'), chartId: idSchema });
/** Asks for a garment, by a version of its chart. */
export type GarmentAsked = z.infer<typeof schema>;

export const garmentAsked: ActKind<GarmentAsked> = {
  kind: 'garment-asked',
  schema,
  refuse: (docket, { chartId }, { charts }) => {
    if (charts.every(({ id }) => id !== chartId)) return { code: 'no-such-chart' };
    return docket.garments.length < MOST_GARMENTS ? null : { code: 'docket-full', most: MOST_GARMENTS };
  },
  carryOut: (docket, { chartId }) =>
    // Asked for by two at once, it stands there once.
    garmentOn(docket, chartId) === undefined
      ? { ...docket, garments: [...docket.garments, { chartId, rule: null, preference: null, chosen: {} }] }
      : docket,
  say: ({ chartId }, { garment }) => `asked for ${garment(chartId)}`,
  undo: 'opening',
  takes: 'measure',
  about: itsGarment,
  stages: noGarments,
  evidence: false,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
