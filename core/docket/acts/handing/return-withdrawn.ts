import * as z from 'zod';
import { lastHanding } from '../../fitting/fitting';
import { ACT_BASE, idSchema, itsGarment, needsChart, type ActKind } from '../act';

const schema = z.object({ ...ACT_BASE, kind: z.literal('return-withdrawn'), chartId: idSchema });
/** A garment did not come back after all: the wearer has it still. */
export type ReturnWithdrawn = z.infer<typeof schema>;

export const returnWithdrawn: ActKind<ReturnWithdrawn> = {
  kind: 'return-withdrawn',
  schema,
  refuse: (docket, { chartId }) =>
    (lastHanding(docket, chartId)?.back ?? null) === null ? { code: 'no-such-handing' } : null,
  carryOut: (docket, { chartId }) => {
    const last = lastHanding(docket, chartId);
    return {
      ...docket,
      handings: docket.handings.map((one) => (one === last ? { ...one, back: null } : one)),
    };
  },
  undo: (before, { chartId }) => {
    const back = lastHanding(before, chartId)?.back ?? null;
    if (back === null) return null;
    const { why, area, note, goes, to } = back;
    return {
      kind: 'garment-came-back',
      chartId,
      why,
      area,
      note,
      goes,
      ...(to === undefined ? {} : { to }),
    };
  },
  say: ({ chartId }, { garment }) => `undid the return of ${garment(chartId)}`,
  takes: 'hand-over',
  about: itsGarment,
  stages: (_before, { chartId }) => [chartId],
  evidence: true,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
