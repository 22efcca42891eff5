import { type ChartSheet } from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import * as z from 'zod';
import { idSchema, lineSchema } from '../shared';

/**
 * Saving a chart, or a new version that replaces one. A version is immutable:
 * what was sized by it stays explained by it.
 */
export const chartSaveSchema = z.object({
  sheet: chartSheetSchema as z.ZodType<ChartSheet, unknown>,
  /** The name of the file, or how else the sheet came. */
  source: lineSchema(200),
  /** The version this one follows; `null` for a chart of its own. */
  replaces: idSchema.nullable(),
});
export type ChartSave = z.infer<typeof chartSaveSchema>;
