import { GARMENT_KINDS, keptSheetSchema, MEASUREMENT_CODES, type ChartSheet } from '@neat-measure/core';
import * as z from 'zod';
import { pageSchema } from '../lists';
import { idSchema, instantSchema } from '../shared';

/** A sheet that is kept was let in once: a rule that came later does not make it unreadable. */
const sheetSchema = keptSheetSchema as z.ZodType<ChartSheet, unknown>;

/** Retiring a chart, or restoring it. */
export const chartRetiredSchema = z.object({ retired: z.boolean() });

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

/** A chart as a list shows it: the latest version, without its numbers. */
export const chartSummarySchema = z.object({
  id: idSchema,
  seriesId: idSchema,
  version: z.int(),
  maker: z.string(),
  garment: z.string(),
  kind: z.enum(GARMENT_KINDS),
  parts: z.int(),
  /** The sizes of its first part. */
  sizes: z.int(),
  /** The measurements that decide. */
  codes: z.array(z.enum(MEASUREMENT_CODES)),
});
export type ChartSummary = z.infer<typeof chartSummarySchema>;
export const chartSummariesSchema = pageSchema(chartSummarySchema);

/** Where a version is used: dockets it stands on, garments decided by it. */
export const chartUsesSchema = z.object({
  dockets: z.int(),
  decisions: z.int(),
  /** Whether it is retired. */
  retired: z.boolean(),
  latest: z.array(
    z.object({ docketId: idSchema, number: z.int(), wearer: z.string(), openedAt: instantSchema }),
  ),
});
export type ChartUses = z.infer<typeof chartUsesSchema>;
