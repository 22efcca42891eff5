import * as z from 'zod';
import { chartShapeSchema } from './chart-shape';
import { withNamesOfToday } from './kept-sheet-schema';
import { faultsOfSheet } from './rules';
import { sayFault } from './rules/say-rule';

/** Everything that a maker's sheet says of one garment. */
export const chartSheetSchema = z.preprocess(
  withNamesOfToday,
  chartShapeSchema.superRefine((sheet, context) => {
    for (const fault of faultsOfSheet(sheet))
      context.addIssue({ code: 'custom', path: [...fault.path], message: sayFault(fault) });
  }),
);
