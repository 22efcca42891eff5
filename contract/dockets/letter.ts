import * as z from 'zod';
import { idSchema } from '../shared';

/** What of a docket is posted, and to whom. */
export const letterSchema = z
  .object({
    sheet: z.enum(['sizes', 'labels', 'order']),
    /** The garment that is ordered; `null` of the other sheets. */
    chartId: idSchema.nullable(),
    to: z.email({ error: 'Enter an address such as maker@example.org.' }).max(200),
  })
  .refine(({ sheet, chartId }) => (sheet === 'order') === (chartId !== null), {
    error: 'An order form is for one garment; the other sheets are for the whole docket.',
    path: ['chartId'],
  });
export type Letter = z.infer<typeof letterSchema>;

/** Where the message lies: in the folder that stands for the post. */
export const postedSchema = z.object({ file: z.string() });
export type Posted = z.infer<typeof postedSchema>;
