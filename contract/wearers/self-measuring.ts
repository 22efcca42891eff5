import {
  CHAIN_CODES,
  CLOTHINGS,
  MEASUREMENT_CODES,
  TENSIONS,
  WAIST_PLACES,
  WISH_CODES,
} from '@neat-measure/core';
import * as z from 'zod';
import { idSchema, instantSchema, lengthSchema, lineSchema, unitSchema } from '../shared';

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

/** One measurement the wearer's page asks for, and how it is taken. */
const selfStepSchema = z.object({
  code: z.enum(MEASUREMENT_CODES),
  tension: z.enum(TENSIONS),
  clothing: z.enum(CLOTHINGS),
  /** The chain it is read along, where it is read in passing. */
  chain: z.enum(CHAIN_CODES).nullable(),
  waist: z.enum(WAIST_PLACES).nullable(),
  /** How far two readings may be apart. */
  allowed: lengthSchema,
});
export type SelfStep = z.infer<typeof selfStepSchema>;

/** What the wearer's page needs: whom it is for, what to prepare, and what the docket asks for, in order. */
export const selfSheetSchema = z.object({
  name: z.string(),
  unit: unitSchema,
  prepare: z.array(z.string()),
  cautions: z.array(z.string()),
  /** Where the cord is tied; `null` without one. */
  cord: z.enum(WAIST_PLACES).nullable(),
  steps: z.array(selfStepSchema),
  /** The lengths of the garment that its protocols ask about. */
  wishes: z.array(z.enum(WISH_CODES)).default([]),
});
export type SelfSheet = z.infer<typeof selfSheetSchema>;

/** What the wearer measured, up to three readings of each; what they could not take is left out. */
export const selfSubmissionSchema = z.object({
  id: idSchema,
  unit: unitSchema,
  /** What it was taken with: a tape, or a string laid on a ruler. */
  instrument: z.enum(['tape', 'string']).default('tape'),
  readings: z
    .array(z.object({ code: z.enum(MEASUREMENT_CODES), typed: lineSchema(40) }))
    .min(1, { error: 'Enter at least one measurement.' })
    .max(MEASUREMENT_CODES.length * 3),
  /** What they wish of the garment, once each. */
  wishes: z
    .array(z.object({ wish: z.enum(WISH_CODES), typed: lineSchema(40) }))
    .max(WISH_CODES.length)
    .refine((wishes) => new Set(wishes.map(({ wish }) => wish)).size === wishes.length, {
      error: 'A wish can be sent only once.',
    })
    .default([]),
});
export type SelfSubmission = z.infer<typeof selfSubmissionSchema>;

/** How many measurements were taken. */
export const selfThanksSchema = z.object({ taken: z.int() });
