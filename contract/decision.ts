import {
  FIT_PREFERENCES,
  HOUSE_RULES,
  MEASUREMENT_CODES,
  VERDICTS,
  type GarmentVerdict,
} from '@neat-measure/core';
import { z } from 'zod';
import { idSchema, instantSchema, lengthSchema, lineSchema } from './shared';

const codeSchema = z.enum(MEASUREMENT_CODES);
const ruleSchema = z.enum(HOUSE_RULES);

const placedSchema = z.object({
  code: codeSchema,
  value: lengthSchema,
  standardError: z.number(),
  where: z.enum(['inside', 'gap', 'below', 'above']),
  sizes: z.array(z.string()),
  below: z.string().nullable(),
  above: z.string().nullable(),
  toEdge: lengthSchema.nullable(),
});

const reasonSchema = z.discriminatedUnion('verdict', [
  z.object({ verdict: z.literal('settled'), size: z.string(), tightest: placedSchema }),
  z.object({
    verdict: z.literal('edge'),
    size: z.string(),
    neighbour: z.string().nullable(),
    chance: z.number(),
    tightest: placedSchema,
  }),
  z.object({
    verdict: z.literal('overlap'),
    sizes: z.array(z.string()),
    preference: z.enum(FIT_PREFERENCES),
    pick: z.string(),
  }),
  z.object({
    verdict: z.literal('between'),
    gaps: z.array(placedSchema),
    rule: ruleSchema,
    pick: z.string().nullable(),
  }),
  z.object({
    verdict: z.literal('split'),
    says: z.array(placedSchema),
    rule: ruleSchema,
    pick: z.string().nullable(),
  }),
  z.object({ verdict: z.literal('suspect'), suspects: z.array(codeSchema), possible: z.array(z.string()) }),
  z.object({ verdict: z.literal('beyond'), outside: z.array(placedSchema) }),
  z.object({ verdict: z.literal('incomplete'), missing: z.array(codeSchema), possible: z.array(z.string()) }),
]);

/** A verdict as the API carries it and a decision keeps it. */
export const verdictSchema: z.ZodType<GarmentVerdict, unknown> = z.object({
  verdict: z.enum(VERDICTS),
  proposed: z.string().nullable(),
  reason: reasonSchema,
  placements: z.array(placedSchema),
  odds: z.array(z.object({ size: z.string().nullable(), chance: z.number() })),
  alternates: z.array(z.string()),
  rule: ruleSchema,
  preference: z.enum(FIT_PREFERENCES),
});

/** The verdict on each garment of a docket, from the readings that stand. */
export const docketVerdictsSchema = z.array(z.object({ chartId: idSchema, verdict: verdictSchema }));
export type DocketVerdicts = z.infer<typeof docketVerdictsSchema>;

/** Deciding a garment: the proposal taken, or another size with its reason. */
export const decisionSaveSchema = z.discriminatedUnion('outcome', [
  z.object({
    outcome: z.literal('accepted'),
    docketId: idSchema,
    chartId: idSchema,
    /** The readings the fitter saw; if they are no longer the ones that stand, nothing is decided. */
    readingIds: z.array(idSchema),
    size: lineSchema(24),
  }),
  z.object({
    outcome: z.literal('overridden'),
    docketId: idSchema,
    chartId: idSchema,
    readingIds: z.array(idSchema),
    size: lineSchema(24),
    reason: lineSchema(300),
  }),
]);
export type DecisionSave = z.infer<typeof decisionSaveSchema>;

/** A decision as it is kept: for good, with the verdict it was made on. The latest of a garment stands. */
export const decisionSchema = z.object({
  id: idSchema,
  docketId: idSchema,
  chartId: idSchema,
  readingIds: z.array(idSchema),
  outcome: z.enum(['accepted', 'overridden']),
  size: z.string(),
  reason: z.string().nullable(),
  verdict: verdictSchema,
  fitter: z.string(),
  decidedAt: instantSchema,
});
export type Decision = z.infer<typeof decisionSchema>;
