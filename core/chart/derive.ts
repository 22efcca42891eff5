import type { MeasurementCode } from '../body/catalogue/codes';
import type { Length } from '../quantity/length';
import type { RoundingPolicy } from '../quantity/rounding';
import type { DerivedCode } from './column-code';
import { operandsOf, parseOperand, type Derivation, type DerivationStep, type Operand } from './derivation';

/**
 * What the arithmetic of a chart is carried out on. There are two: whole lengths, for the
 * value and its explanation, and spreads, for the odds. One evaluator serves both, so that
 * the odds cannot follow another arithmetic than the verdict.
 */
export interface Algebra<Value> {
  /** A measurement as the chart takes it, or `undefined` where it was not taken. */
  reading(code: MeasurementCode): Value | undefined;
  /** The value of the size a part came to, or `undefined` where it came to none. */
  sizeOf(part: string): Value | undefined;
  length(length: Length): Value;
  add(values: readonly Value[]): Value;
  subtract(from: Value, take: Value): Value;
  multiply(value: Value, by: number): Value;
  average(values: readonly Value[]): Value;
  difference(one: Value, other: Value): Value;
  max(values: readonly Value[]): Value;
  /** `undefined` beyond the last row. */
  lookup(value: Value, rows: readonly { readonly upTo: Length; readonly gives: Length }[]): Value | undefined;
  /** `undefined` where nothing offered is small enough. */
  round(value: Value, to: RoundingPolicy): Value | undefined;
  clamp(value: Value, least: Length | null, most: Length | null): Value;
  isAtLeast(value: Value, least: Value): boolean;
}

/** One line of the arithmetic, as it was carried out. */
export interface DerivedLine<Value> {
  readonly step: DerivationStep;
  readonly operands: readonly { readonly text: string; readonly value: Value }[];
  readonly result: Value;
}

/** Why a derivation comes to nothing. */
export type DeriveProblem<Value = Length> =
  | { readonly code: 'missing'; readonly readings: readonly MeasurementCode[] }
  | { readonly code: 'waits'; readonly part: string }
  | { readonly code: 'requirement'; readonly because: string; readonly readings: readonly MeasurementCode[] }
  | { readonly code: 'off-scale'; readonly step: string; readonly value: Value };

/** What a derivation comes to, with its lines up to the end or to where it broke off. */
export interface Derived<Value> {
  readonly code: DerivedCode;
  readonly lines: readonly DerivedLine<Value>[];
  readonly result: Value | null;
  readonly problem: DeriveProblem<Value> | null;
  /** The measurements it rests on. */
  readonly readings: readonly MeasurementCode[];
}

/**
 * Carries out the derivations of a chart in their order; each may rest on earlier ones.
 *
 * @returns what each comes to, by its code
 */
export function derive<Value>(
  derivations: readonly Derivation[],
  algebra: Algebra<Value>,
): Map<DerivedCode, Derived<Value>> {
  const known = new Map<DerivedCode, Derived<Value>>();
  for (const derivation of derivations) known.set(derivation.code, deriveOne(derivation, algebra, known));
  return known;
}

function deriveOne<Value>(
  derivation: Derivation,
  algebra: Algebra<Value>,
  known: ReadonlyMap<DerivedCode, Derived<Value>>,
): Derived<Value> {
  const { code, steps } = derivation;
  const results = new Map<string, Value>();
  const lines: DerivedLine<Value>[] = [];
  const readings = new Set<MeasurementCode>();
  const missing = new Set<MeasurementCode>();
  let problem: DeriveProblem<Value> | null = null;

  const valueOf = (operand: Operand | null): Value | undefined => {
    switch (operand?.kind) {
      case 'reading': {
        readings.add(operand.code);
        const value = algebra.reading(operand.code);
        if (value === undefined) missing.add(operand.code);
        return value;
      }
      case 'derived': {
        const earlier = known.get(operand.code);
        earlier?.readings.forEach((reading) => readings.add(reading));
        if (earlier?.problem?.code === 'missing') earlier.problem.readings.forEach((one) => missing.add(one));
        else problem ??= earlier?.problem ?? null;
        return earlier?.result ?? undefined;
      }
      case 'size-of': {
        const value = algebra.sizeOf(operand.part);
        if (value === undefined) problem ??= { code: 'waits', part: operand.part };
        return value;
      }
      case 'step':
        return results.get(operand.name);
      case 'length':
        return algebra.length(operand.length);
      default:
        return undefined;
    }
  };

  for (const { step, parsed } of parsedSteps(derivation)) {
    const operands = parsed.map(({ text, operand }) => ({ text, value: valueOf(operand) }));
    // The rest is still walked, so that every missing measurement is named at once.
    if (operands.some(({ value }) => value === undefined)) continue;
    const sound = operands as { text: string; value: Value }[];
    const result = carryOut(
      step,
      sound.map(({ value }) => value),
      algebra,
    );
    if (result === undefined) {
      problem ??=
        step.do === 'require'
          ? { code: 'requirement', because: step.because, readings: [...readings] }
          : { code: 'off-scale', step: step.as, value: sound[0]!.value };
      continue;
    }
    results.set(step.as, result);
    lines.push({ step, operands: sound, result });
  }
  if (missing.size > 0) problem = { code: 'missing', readings: [...missing] };
  const last = results.get(steps.at(-1)!.as);
  return { code, lines, result: problem === null ? (last ?? null) : null, problem, readings: [...readings] };
}

interface ParsedStep {
  readonly step: DerivationStep;
  readonly parsed: readonly { readonly text: string; readonly operand: Operand | null }[];
}

const PARSED = new WeakMap<Derivation, readonly ParsedStep[]>();

/** The steps of a derivation with their operands taken apart, once for as long as it lives. */
function parsedSteps(derivation: Derivation): readonly ParsedStep[] {
  const known = PARSED.get(derivation);
  if (known !== undefined) return known;
  const steps = derivation.steps.map((step, at) => {
    const earlier = derivation.steps.slice(0, at).map(({ as }) => as);
    return { step, parsed: operandsOf(step).map((text) => ({ text, operand: parseOperand(text, earlier) })) };
  });
  PARSED.set(derivation, steps);
  return steps;
}

function carryOut<Value>(
  step: DerivationStep,
  values: readonly Value[],
  algebra: Algebra<Value>,
): Value | undefined {
  const first = values[0]!;
  switch (step.do) {
    case 'reading':
      return first;
    case 'add':
      return algebra.add(values);
    case 'subtract':
      return algebra.subtract(first, values[1]!);
    case 'multiply':
      return algebra.multiply(first, step.by);
    case 'average':
      return algebra.average(values);
    case 'difference':
      return algebra.difference(first, values[1]!);
    case 'max':
      return algebra.max(values);
    case 'lookup':
      return algebra.lookup(first, step.rows);
    case 'round':
      return algebra.round(first, step.to);
    case 'clamp':
      return algebra.clamp(first, step.least, step.most);
    case 'require':
      return algebra.isAtLeast(first, values[1]!) ? first : undefined;
  }
}
