import { isColumnCode, type ChartRun, type ColumnCode } from '@neat-measure/core';
import * as z from 'zod';
import { idSchema, lengthSchema } from '../shared';

/** How the garments of a chart run in one of its columns. */
export const chartRunSchema: z.ZodType<ChartRun, unknown> = z.object({
  part: z.string(),
  code: z.custom<ColumnCode>((text) => typeof text === 'string' && isColumnCode(text)),
  name: z.string(),
  foot: z.boolean(),
  small: lengthSchema,
  least: lengthSchema,
  most: lengthSchema,
  runs: z.enum(['small', 'large', 'no-sign']),
  wearers: z.int(),
  looks: z.int(),
  seen: z.object({ small: z.int(), right: z.int(), large: z.int() }),
});
export const chartRunsSchema = z.array(chartRunSchema);

/** Those charts of a docket that run otherwise than they say. */
export const docketRunsSchema = z.array(z.object({ chartId: idSchema, runs: chartRunsSchema }));
export type DocketRuns = z.infer<typeof docketRunsSchema>;
