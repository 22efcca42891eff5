import {
  chartSheetSchema,
  FIT_PREFERENCES,
  HOUSE_RULES,
  MEASUREMENT_CODES,
  MOST_CHART_BYTES,
} from '@neat-measure/core';
import { z } from 'zod';
import { idSchema, instantSchema, lineSchema } from './shared';

/** What a person says of a chart that the table itself does not. */
export const chartHeadSchema = z.object({
  maker: lineSchema(80),
  garment: lineSchema(80),
  rule: z.enum(HOUSE_RULES),
  key: z.enum(MEASUREMENT_CODES).nullable(),
  /** The name of the file, or how else the table came. */
  source: lineSchema(200),
});

/** Importing a chart from the text of a CSV file. A chart is immutable: a change is another chart. */
export const chartImportSchema = chartHeadSchema
  .extend({ csv: z.string().max(MOST_CHART_BYTES) })
  .refine(({ rule, key }) => rule !== 'key-decides' || key !== null, {
    error: 'Choose the measurement that decides.',
    path: ['key'],
  });
export type ChartImport = z.infer<typeof chartImportSchema>;

/** A chart as it is kept. */
export const chartSchema = z.object({
  id: idSchema,
  sheet: chartSheetSchema,
  source: z.string(),
  importedAt: instantSchema,
});
export type Chart = z.infer<typeof chartSchema>;

export const chartsSchema = z.array(chartSchema);

/** How a wearer likes a garment. */
export const preferenceSchema = z.enum(FIT_PREFERENCES);
