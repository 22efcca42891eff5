import * as z from 'zod';
import { garmentOn } from '../docket';
import { ACT_BASE, idSchema, itsGarment, needsChart, noGarments, wordsSchema, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('choice-made'),
  chartId: idSchema,
  /** The choice, as its chart names it. */
  choice: wordsSchema(40),
  /** The label that is chosen; `null` for the usual one. */
  label: wordsSchema(60).nullable(),
});
/** Chooses what a chart leaves to be chosen, for one garment: the overlap of a vest, say. */
export type ChoiceMade = z.infer<typeof schema>;

export const choiceMade: ActKind<ChoiceMade> = {
  kind: 'choice-made',
  schema,
  refuse: (docket, { chartId, choice, label }, { charts }) => {
    if (garmentOn(docket, chartId) === undefined) return { code: 'not-on-docket' };
    const sheet = charts.find(({ id }) => id === chartId)?.sheet;
    const ways = sheet?.choices.find(({ code }) => code === choice)?.ways ?? [];
    return label === null || ways.some((way) => way.label === label)
      ? null
      : { code: 'no-such-choice', choice, label };
  },
  carryOut: (docket, { chartId, choice, label }) => ({
    ...docket,
    garments: docket.garments.map((one) => {
      if (one.chartId !== chartId) return one;
      const { [choice]: _before, ...others } = one.chosen;
      return { ...one, chosen: label === null ? others : { ...others, [choice]: label } };
    }),
  }),
  undo: (before, { chartId, choice, label }) => {
    const was = garmentOn(before, chartId)?.chosen[choice] ?? null;
    return was === label ? null : { kind: 'choice-made', chartId, choice, label: was };
  },
  say: ({ chartId, choice, label }, { garment }) =>
    `chose ${choice} ${label ?? 'as usual'} for ${garment(chartId)}`,
  takes: 'measure',
  about: itsGarment,
  stages: noGarments,
  evidence: false,
  needs: needsChart,
  lookedUpBy: ({ chartId }) => chartId,
};
