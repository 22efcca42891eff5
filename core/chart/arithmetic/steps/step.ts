import * as z from 'zod';
import type { RoundingPolicy } from '../../../quantity/rounding';

/**
 * A step of a maker's arithmetic, as one object: what a chart file writes for it, what it works
 * on, what the kernel does with it, between which lengths it can come out, and how it is said.
 * A new kind of step is one new file beside this one and one line in `index.ts`.
 */
export interface StepKind<Schema extends z.ZodType = z.ZodType<never>> {
  readonly do: string;
  readonly schema: Schema;
  /** Every operand, as the file writes it. */
  readonly operands: (step: z.infer<Schema>) => readonly string[];
  /**
   * What the kernel does: from the operands of many wearers to their results, in micrometres. A
   * `NaN` operand gives `NaN`, and so does one the step has no answer for. What does not come out
   * whole goes to the nearest micrometre, a half upward.
   */
  readonly work: (step: z.infer<Schema>) => Work;
  /** Between which lengths the result lies where the operands lie between these. */
  readonly range: (step: z.infer<Schema>, operands: readonly Range[]) => Range;
  /** Why it gives nothing where every operand is there. */
  readonly failsAs: 'off-scale' | 'requirement';
  /** How a chart says it, with no wearer in sight: `half × 0.8`. */
  readonly describe: (step: z.infer<Schema>, operands: readonly string[], write: StepWords) => string;
  /** How it is told once it was carried out; operands and result are written in the maker's unit. */
  readonly tell: (
    step: z.infer<Schema>,
    operands: readonly string[],
    result: string,
    write: StepWords,
  ) => string;
  /** Its lengths as a file writes them, where it has any of its own. */
  readonly written?: (step: z.infer<Schema>) => object;
}

/** Carries a step out for `count` wearers at once. */
export type Work = (out: Float64Array, operands: readonly Float64Array[], count: number) => void;

/** From the least to the most a value can be. */
export interface Range {
  readonly least: number;
  readonly most: number;
}

/** How a step's own lengths and rounding are put in words. */
export interface StepWords {
  readonly unit: string;
  readonly rounding: (to: RoundingPolicy) => string;
}

const NAME = /^[a-z][a-z0-9-]{0,38}$/;

/** Whether a text has the form of a step's name. */
export function hasNameForm(text: string): boolean {
  return NAME.test(text);
}

/** An operand as it is written; what it may be is in `arithmetic/operand.ts`. */
export const operandSchema = z.string().min(1).max(48);
export const operandsSchema = z.array(operandSchema).min(2).max(8);

/** What every step has: its kind, and the name that later steps call its result by. */
export function stepSchema<Do extends string, Shape extends z.ZodRawShape>(kind: Do, shape: Shape) {
  const as = z.string().regex(NAME, { error: 'Name the step in small letters, digits and hyphens.' });
  return z.object({ do: z.literal(kind), as, ...shape });
}

/** A step whose result is reckoned wearer by wearer from one operand. */
export function onOne(reckon: (value: number) => number): Work {
  return (out, [values], count) => {
    for (let row = 0; row < count; row++) out[row] = reckon(values![row]!);
  };
}

/** The same, from two. */
export function onTwo(reckon: (one: number, other: number) => number): Work {
  return (out, [ones, others], count) => {
    for (let row = 0; row < count; row++) out[row] = reckon(ones![row]!, others![row]!);
  };
}

/** The sum of the operands, wearer by wearer. */
export function addUp(out: Float64Array, operands: readonly Float64Array[], count: number): void {
  out.set(operands[0]!.subarray(0, count));
  for (let at = 1; at < operands.length; at++) {
    const values = operands[at]!;
    for (let row = 0; row < count; row++) out[row]! += values[row]!;
  }
}

/** The range of a result that grows with its operand. */
export function growing({ least, most }: Range, change: (value: number) => number): Range {
  return { least: change(least), most: change(most) };
}

/** The range of a sum. */
export function sumOfRanges(ranges: readonly Range[]): Range {
  return {
    least: ranges.reduce((sum, { least }) => sum + least, 0),
    most: ranges.reduce((sum, { most }) => sum + most, 0),
  };
}

/** The range of a difference with its sign. */
export function rangeBetween(from: Range, take: Range): Range {
  return { least: from.least - take.most, most: from.most - take.least };
}
