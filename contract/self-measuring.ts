import { MEASUREMENT_CODES } from '@neat-measure/core';
import * as z from 'zod';
import { idSchema, instantSchema, lineSchema, unitSchema } from './shared';

/** Making a link for the wearer of a docket. */
export const selfLinkSaveSchema = z.object({ docketId: idSchema });

/** A link as it is shown once, when it is made: only a hash of its token is kept. */
export const selfLinkSchema = z.object({ token: z.string(), expiresAt: instantSchema });
export type SelfLink = z.infer<typeof selfLinkSchema>;

/** A link as a list shows it. */
export const selfLinkEntrySchema = z.object({
  id: idSchema,
  docketId: idSchema,
  docket: z.int(),
  wearer: z.string(),
  madeBy: z.string(),
  expiresAt: instantSchema,
  submittedAt: instantSchema.nullable(),
});
export type SelfLinkEntry = z.infer<typeof selfLinkEntrySchema>;
export const selfLinkEntriesSchema = z.array(selfLinkEntrySchema);

/** What the wearer's page needs: whom it is for, and which measurements the docket asks for. */
export const selfSheetSchema = z.object({
  name: z.string(),
  unit: unitSchema,
  codes: z.array(z.enum(MEASUREMENT_CODES)),
});
export type SelfSheet = z.infer<typeof selfSheetSchema>;

/** What the wearer measured; what they could not take is left out. */
export const selfSubmissionSchema = z.object({
  id: idSchema,
  unit: unitSchema,
  readings: z
    .array(z.object({ code: z.enum(MEASUREMENT_CODES), typed: lineSchema(40) }))
    .min(1, { error: 'Write at least one measurement.' })
    .max(MEASUREMENT_CODES.length),
});
export type SelfSubmission = z.infer<typeof selfSubmissionSchema>;

export const selfThanksSchema = z.object({ taken: z.int() });
