import { z } from 'zod';
import { idSchema, instantSchema, lineSchema } from './shared';
import { verdictSchema } from './verdict';

/** The verdict on each garment of a docket, from the readings that stand. */
export const docketVerdictsSchema = z.array(z.object({ chartId: idSchema, verdict: verdictSchema }));
export type DocketVerdicts = z.infer<typeof docketVerdictsSchema>;

/** The sizes of a garment's parts, by the part's code. */
const sizesSchema = z.record(z.string().max(40), lineSchema(24));

const base = {
  docketId: idSchema,
  chartId: idSchema,
  /** The readings the fitter saw; if they are no longer the ones that stand, nothing is decided. */
  readingIds: z.array(idSchema),
};
const reasonSchema = lineSchema(300);

/**
 * Deciding a garment: the proposal taken, other sizes with a reason, made to measure, or put
 * off until the wearer comes back.
 */
export const decisionSaveSchema = z.discriminatedUnion('outcome', [
  z.object({ outcome: z.literal('accepted'), ...base, sizes: sizesSchema }),
  z.object({ outcome: z.literal('overridden'), ...base, sizes: sizesSchema, reason: reasonSchema }),
  z.object({ outcome: z.literal('made-to-measure'), ...base, reason: reasonSchema.nullable() }),
  z.object({ outcome: z.literal('later'), ...base, reason: reasonSchema.nullable() }),
]);
export type DecisionSave = z.infer<typeof decisionSaveSchema>;

/** What was decided, the latest of a garment standing; `later` leaves it open. */
export const DECISION_OUTCOMES = ['accepted', 'overridden', 'made-to-measure', 'later'] as const;

/** A decision as it is kept: for good, with the verdict it was made on. The latest of a garment stands. */
export const decisionSchema = z.object({
  id: idSchema,
  docketId: idSchema,
  chartId: idSchema,
  readingIds: z.array(idSchema),
  outcome: z.enum(DECISION_OUTCOMES),
  /** The label handed over; `null` where no size is. */
  size: z.string().nullable(),
  sizes: sizesSchema,
  reason: z.string().nullable(),
  verdict: verdictSchema,
  fitter: z.string(),
  decidedAt: instantSchema,
});
export type Decision = z.infer<typeof decisionSchema>;

/** Whether a decision closes its garment. */
export function isClosing(decision: Pick<Decision, 'outcome'> | null): boolean {
  return decision !== null && decision.outcome !== 'later';
}

/** A garment that carries a flag nobody has decided yet. */
export const exceptionSchema = z.object({
  docketId: idSchema,
  number: z.int(),
  wearer: z.string(),
  chartId: idSchema,
  garment: z.string(),
  maker: z.string(),
  verdict: verdictSchema,
});
export type Exception = z.infer<typeof exceptionSchema>;
export const exceptionsSchema = z.array(exceptionSchema);
