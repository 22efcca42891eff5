import * as z from 'zod';
import { fitterSchema } from '../house/session';
import { idSchema, instantSchema } from '../shared';

/** Something done on a device whose sign-in ended before it was sent, or that could not stand when it came. */
export const lateActSchema = z.object({
  id: idSchema,
  /** Who did it. */
  fitter: fitterSchema,
  cameAt: instantSchema,
  doneAt: instantSchema,
  /** What was done, as a sentence. */
  words: z.string(),
  /** Why it could not stand when it came; empty where its sign-in had ended. */
  why: z.string(),
  /** `null` where it was done at a muster. */
  docketId: idSchema.nullable(),
  wearer: z.string().nullable(),
});
export type LateAct = z.infer<typeof lateActSchema>;
export const lateActsSchema = z.array(lateActSchema);

/** So many of it are shown at once, and can be decided at once: the first that came. */
export const LATE_PART = 200;

/** What becomes of some of it: added where it belongs, or taken out for good. */
export const lateDecisionSchema = z.object({
  ids: z.array(idSchema).min(1).max(LATE_PART),
  accepted: z.boolean(),
});
export type LateDecision = z.infer<typeof lateDecisionSchema>;
