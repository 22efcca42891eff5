import * as z from 'zod';
import { MEASUREMENT_CODES } from '../../body/catalogue/codes';
import { CLOTHINGS, TENSIONS } from '../../body/measurement';
import { FIT_PREFERENCES, HOUSE_RULES } from '../../chart/chart-shape';
import { isColumnCode, isDerivedCode, type ColumnCode, type DerivedCode } from '../../chart/column-code';
import type { DerivedLine } from '../../chart/arithmetic/derived';
import { ALTERATION_DOES, VERDICTS, type GarmentVerdict } from '../../match/verdict';
import type { Length } from '../../quantity/length';

const lengthSchema = z.int().transform((count) => count as Length);
const codeSchema = z.enum(MEASUREMENT_CODES);
const columnSchema = z.custom<ColumnCode>((text) => typeof text === 'string' && isColumnCode(text));
const derivedSchema = z.custom<DerivedCode>((text) => typeof text === 'string' && isDerivedCode(text));
const ruleSchema = z.enum(HOUSE_RULES);
const sizesSchema = z.array(z.string());

const placedSchema = z.object({
  code: columnSchema,
  name: z.string(),
  foot: z.boolean().default(false),
  value: lengthSchema,
  standardError: z.number(),
  where: z.enum(['inside', 'gap', 'below', 'above']),
  sizes: sizesSchema,
  below: z.string().nullable(),
  above: z.string().nullable(),
  toEdge: lengthSchema.nullable(),
  estimatedFrom: columnSchema.nullable(),
});

const reasonSchema = z.discriminatedUnion('verdict', [
  z.object({
    verdict: z.literal('settled'),
    size: z.string(),
    tightest: placedSchema,
    leaned: z.object({ from: z.string(), preference: z.enum(FIT_PREFERENCES) }).optional(),
    past: z.object({ verdict: z.enum(VERDICTS), size: z.string().nullable() }).optional(),
  }),
  z.object({
    verdict: z.literal('edge'),
    size: z.string(),
    neighbour: z.string().nullable(),
    chance: z.number(),
    tightest: placedSchema,
    unmeasured: z.boolean().optional(),
  }),
  z.object({
    verdict: z.literal('overlap'),
    sizes: sizesSchema,
    preference: z.enum(FIT_PREFERENCES),
    pick: z.string(),
    along: z.enum(['girth', 'length']).optional(),
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
  z.object({
    verdict: z.literal('suspect'),
    suspects: z.array(codeSchema),
    possible: sizesSchema,
    requirement: z.string().nullable(),
  }),
  z.object({
    verdict: z.literal('beyond'),
    outside: z.array(placedSchema),
    offScale: sizesSchema,
    without: z.string().nullable().default(null),
  }),
  z.object({
    verdict: z.literal('incomplete'),
    missing: z.array(codeSchema),
    possible: sizesSchema,
    waitsFor: z.string().nullable(),
  }),
]);

const partSchema = z.object({
  part: z.string(),
  name: z.string(),
  verdict: z.enum(VERDICTS).exclude(['not-made']),
  proposed: z.string().nullable(),
  reason: reasonSchema,
  sizes: sizesSchema,
  placements: z.array(placedSchema),
  advisory: z.array(placedSchema),
  odds: z.array(z.object({ size: z.string().nullable(), chance: z.number() })),
  alternates: sizesSchema,
  alterations: z.array(
    z.object({
      code: columnSchema,
      name: z.string(),
      foot: z.boolean().default(false),
      does: z.enum(ALTERATION_DOES),
      by: lengthSchema,
      holds: z.object({ lower: lengthSchema.nullable(), upper: lengthSchema.nullable() }),
    }),
  ),
  // Decisions of before it was looked for kept none.
  change: z
    .object({
      code: columnSchema,
      name: z.string(),
      foot: z.boolean(),
      towards: z.enum(['more', 'less']),
      by: lengthSchema,
      into: z.string().nullable(),
    })
    .nullable()
    .default(null),
  rule: ruleSchema,
});

const wayTakenSchema = z.object({
  tension: z.enum(TENSIONS).nullable(),
  clothing: z.enum(CLOTHINGS).nullable(),
});

/** The lines of the arithmetic are kept as they were carried out; their steps are the chart version's own. */
const lineSchema = z.custom<DerivedLine>(
  (line) => typeof line === 'object' && line !== null && 'step' in line && 'operands' in line,
);

const verdictShape = z.object({
  verdict: z.enum(VERDICTS),
  proposed: z.string().nullable(),
  sizes: z.record(z.string(), z.string()),
  parts: z.array(partSchema).min(1),
  worst: z.string().nullable(),
  notMade: z.object({ asked: z.string(), nearest: sizesSchema }).nullable(),
  alternates: sizesSchema,
  odds: z.array(z.object({ label: z.string().nullable(), chance: z.number() })).default([]),
  derived: z.array(
    z.object({
      code: derivedSchema,
      name: z.string(),
      lines: z.array(lineSchema),
      result: lengthSchema.nullable(),
      problem: z
        .discriminatedUnion('code', [
          z.object({ code: z.literal('missing'), readings: z.array(codeSchema) }),
          z.object({ code: z.literal('waits'), part: z.string() }),
          z.object({ code: z.literal('no-size'), part: z.string() }),
          z.object({
            code: z.literal('requirement'),
            because: z.string(),
            readings: z.array(codeSchema),
          }),
          z.object({ code: z.literal('off-scale'), step: z.string(), value: lengthSchema }),
        ])
        .nullable(),
      readings: z.array(codeSchema),
    }),
  ),
  options: z.array(z.object({ name: z.string(), adds: z.string() })),
  /** Decisions of before it was kept assumed nothing that they name. */
  assumed: z
    .array(z.object({ code: codeSchema, value: lengthSchema, give: lengthSchema.nullable().default(null) }))
    .default([]),
  takenOtherwise: z.array(z.object({ code: codeSchema, wanted: wayTakenSchema, taken: wayTakenSchema })),
  /** Decisions of before it was kept counted nothing as anything else. */
  countedAs: z.array(z.object({ code: codeSchema, from: codeSchema, value: lengthSchema })).default([]),
  cautions: z.array(z.string()),
  rule: ruleSchema,
  preference: z.enum(FIT_PREFERENCES),
});

/** A verdict as a decision keeps it, and as it is sent. */
export const keptVerdictSchema = verdictShape as unknown as z.ZodType<GarmentVerdict, unknown>;
