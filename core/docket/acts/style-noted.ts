import * as z from 'zod';
import { garmentOn } from '../docket';
import { ACT_BASE, idSchema, needs, noGarments, wordsSchema, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('style-noted'),
  /** The garment by its chart; `null` for what a protocol is taken for, which no chart sizes. */
  chartId: idSchema.nullable(),
  /** Style, colour, cloth, in the wearer's own words; `null` takes the note away. */
  style: wordsSchema(200).nullable(),
});
/** Notes how a garment is to look. No size follows from it. */
export type StyleNoted = z.infer<typeof schema>;

export const styleNoted: ActKind<StyleNoted> = {
  kind: 'style-noted',
  schema,
  refuse: (docket, { chartId }) =>
    chartId === null || garmentOn(docket, chartId) !== undefined ? null : { code: 'not-on-docket' },
  carryOut: (docket, { chartId, style, by, at }) => {
    const others = docket.styles.filter((one) => one.chartId !== chartId);
    return { ...docket, styles: style === null ? others : [...others, { chartId, style, by, notedAt: at }] };
  },
  undo: (before, { chartId, style }) => {
    const was = before.styles.find((one) => one.chartId === chartId)?.style ?? null;
    return was === style ? null : { kind: 'style-noted', chartId, style: was };
  },
  say: ({ chartId, style }, { garment }) => {
    const whose = chartId === null ? 'the garment to be made' : garment(chartId);
    return style === null ? `removed the style note for ${whose}` : `noted the style of ${whose}: ${style}`;
  },
  takes: 'measure',
  about: ({ chartId }) => (chartId === null ? [] : [chartId]),
  stages: noGarments,
  evidence: false,
  needs: ({ chartId }) => needs({ charts: chartId === null ? [] : [chartId] }),
  lookedUpBy: ({ chartId }) => chartId,
};
