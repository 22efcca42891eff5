import { chartSheetSchema, FIT_PREFERENCES, type ChartSheet } from '@neat-measure/core';
import { z } from 'zod';
import { idSchema, instantSchema, lineSchema } from './shared';

const sheetSchema = chartSheetSchema as z.ZodType<ChartSheet, unknown>;

/**
 * Putting a chart on the shelf, or a new version of one in its place. A version is immutable:
 * what was sized by it stays explained by it.
 */
export const chartSaveSchema = z.object({
  sheet: sheetSchema,
  /** The name of the file, or how else the sheet came. */
  source: lineSchema(200),
  /** The version this one follows; `null` for a chart of its own. */
  replaces: idSchema.nullable(),
});
export type ChartSave = z.infer<typeof chartSaveSchema>;

/** A version of a chart as it is kept. */
export const chartSchema = z.object({
  id: idSchema,
  /** All versions of one chart share it: the id of the first. */
  seriesId: idSchema,
  version: z.int().min(1),
  sheet: sheetSchema,
  source: z.string(),
  importedAt: instantSchema,
});
export type Chart = z.infer<typeof chartSchema>;

export const chartsSchema = z.array(chartSchema);

/** Where a version is used: dockets it stands on, garments decided by it. */
export const chartUsesSchema = z.object({
  dockets: z.int(),
  decisions: z.int(),
  latest: z.array(
    z.object({ docketId: idSchema, number: z.int(), wearer: z.string(), openedAt: instantSchema }),
  ),
});
export type ChartUses = z.infer<typeof chartUsesSchema>;

/** How a wearer likes a garment. */
export const preferenceSchema = z.enum(FIT_PREFERENCES);
