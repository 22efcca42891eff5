import { z } from 'zod';
import { isMeasurementCode, measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { micrometres, WORKING_UNITS, type Length } from '../quantity/length';
import { parseLength } from '../quantity/parse-length';
import { isColumnCode, isDerivedCode, type DerivedCode } from './column-code';
import { writtenLengthSchema, writtenRoundingSchema } from './written-length';

/**
 * The maker's arithmetic as data: a list of typed steps, each with a name, each able to
 * explain itself. The last step is what the derivation comes to.
 *
 * An operand is written as one word: a measurement's code, the name of an earlier step,
 * `derived:…` for what another derivation came to, `size-of:…` for the printed value of the
 * size that another part came to, or a length with its unit (`1 in`).
 */
const NAME = /^[a-z][a-z0-9-]{0,38}$/;
const nameSchema = z.string().regex(NAME, {
  error: 'A step is named in small letters, digits and hyphens.',
});
const operandSchema = z.string().min(1).max(48);
const operandsSchema = z.array(operandSchema).min(2).max(8);
const step = <Do extends string, Shape extends z.ZodRawShape>(kind: Do, shape: Shape) =>
  z.object({ do: z.literal(kind), as: nameSchema, ...shape });

export const derivationStepSchema = z.discriminatedUnion('do', [
  /** Takes a measurement as it is, to give it a name. */
  step('reading', { of: operandSchema }),
  step('add', { of: operandsSchema }),
  step('subtract', { from: operandSchema, take: operandSchema }),
  /** By a plain factor, such as 0.8. */
  step('multiply', { of: operandSchema, by: z.number().positive().max(10) }),
  step('average', { of: operandsSchema }),
  /** How far apart two lengths are, whichever is larger. */
  step('difference', { of: z.tuple([operandSchema, operandSchema]) }),
  step('max', { of: operandsSchema }),
  /** The row whose bound is the first at or above the value; beyond the last row there is nothing. */
  step('lookup', {
    of: operandSchema,
    rows: z
      .array(z.object({ upTo: writtenLengthSchema, gives: writtenLengthSchema }))
      .min(1)
      .max(200),
  }),
  step('round', { of: operandSchema, to: writtenRoundingSchema }),
  step('clamp', {
    of: operandSchema,
    least: writtenLengthSchema.nullable().default(null),
    most: writtenLengthSchema.nullable().default(null),
  }),
  /** Holds `of` to be at least `least`; if it is not, something was measured wrongly and nothing is derived. */
  step('require', { of: operandSchema, least: operandSchema, because: z.string().min(1).max(200) }),
]);
export type DerivationStep = z.infer<typeof derivationStepSchema>;

export const derivationSchema = z.object({
  code: z.custom<DerivedCode>((text) => typeof text === 'string' && isDerivedCode(text), {
    error: 'A derivation is named derived:… in small letters, digits and hyphens.',
  }),
  name: z.string().trim().min(1).max(60),
  steps: z.array(derivationStepSchema).min(1).max(12),
});
export type Derivation = z.infer<typeof derivationSchema>;

/** An operand, taken apart. */
export type Operand =
  | { readonly kind: 'reading'; readonly code: MeasurementCode }
  | { readonly kind: 'step'; readonly name: string }
  | { readonly kind: 'derived'; readonly code: DerivedCode }
  | { readonly kind: 'size-of'; readonly part: string }
  | { readonly kind: 'length'; readonly length: Length };

/** Takes an operand apart; `null` for one that is none of the five. A step's name must stand before it. */
export function parseOperand(text: string, earlier: readonly string[]): Operand | null {
  if (earlier.includes(text)) return { kind: 'step', name: text };
  if (isMeasurementCode(text)) return isColumnCode(text) ? { kind: 'reading', code: text } : null;
  if (isDerivedCode(text)) return { kind: 'derived', code: text };
  const sizeOf = /^size-of:([a-z][a-z0-9-]*)$/.exec(text);
  if (sizeOf) return { kind: 'size-of', part: sizeOf[1]! };
  const length = parseLength(text, 'mm');
  return length.ok && !length.value.bare ? { kind: 'length', length: length.value.length } : null;
}

/** Every operand of a step, as written. */
export function operandsOf(one: DerivationStep): string[] {
  switch (one.do) {
    case 'add':
    case 'average':
    case 'difference':
    case 'max':
      return [...one.of];
    case 'subtract':
      return [one.from, one.take];
    case 'require':
      return [one.of, one.least];
    default:
      return [one.of];
  }
}

/** What stands behind an operand that is no measurement: where arithmetic is checked and sorted. */
export function operandsOfDerivation({
  steps,
}: Derivation): { step: string; text: string; operand: Operand | null }[] {
  const earlier: string[] = [];
  return steps.flatMap((one) => {
    const operands = operandsOf(one).map((text) => ({
      step: one.as,
      text,
      operand: parseOperand(text, earlier),
    }));
    earlier.push(one.as);
    return operands;
  });
}

/** Whether a name can be a step's: it must not be taken for a measurement. */
export function isStepName(text: string): boolean {
  return NAME.test(text) && !isMeasurementCode(text);
}

/** The name of a measurement in a derivation's lines. */
export function readingName(code: MeasurementCode): string {
  return measurement(code).name;
}

/** A length with a unit, as an operand is written; exact. */
export function writeLengthOperand(length: Length): string {
  for (const unit of WORKING_UNITS) {
    const text = `${length / { in: 25_400, cm: 10_000, mm: 1_000 }[unit]} ${unit}`;
    const read = parseLength(text, unit);
    if (text.length < 14 && read.ok && read.value.length === length) return text;
  }
  return `${micrometres(length) / 1_000} mm`;
}
