import * as z from 'zod';
import { ACT_BASE, idSchema, needsNothing, noGarments, type ActKind } from '../act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('handing-withdrawn'),
  /** The act that handed them over. */
  actId: idSchema,
});
/** Garments were not handed over after all: a slip that is corrected at once, not a return. */
export type HandingWithdrawn = z.infer<typeof schema>;

export const handingWithdrawn: ActKind<HandingWithdrawn> = {
  kind: 'handing-withdrawn',
  schema,
  refuse: ({ handings }, { actId }) => {
    const own = handings.filter((one) => one.actId === actId);
    return own.length === 0 || own.some(({ back }) => back !== null) ? { code: 'no-such-handing' } : null;
  },
  carryOut: (docket, { actId }) => ({
    ...docket,
    handings: docket.handings.filter((one) => one.actId !== actId),
  }),
  undo: ({ handings }, { actId }) => {
    const own = handings.filter((one) => one.actId === actId);
    if (own.length === 0) return null;
    return {
      kind: 'garments-handed-over',
      garments: own.map(({ chartId, way, until, untried, from }) => ({
        chartId,
        way,
        until,
        untried,
        ...(from === undefined ? {} : { from }),
        found: null,
      })),
      signature: own[0]!.signature,
    };
  },
  say: () => 'undid handing over',
  takes: 'hand-over',
  about: noGarments,
  stages: ({ handings }, { actId }) => handings.flatMap((one) => (one.actId === actId ? [one.chartId] : [])),
  evidence: false,
  needs: needsNothing,
  lookedUpBy: () => null,
};
