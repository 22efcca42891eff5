import { chosenLength } from '../choices';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { roundEach } from '../../quantity/rounding';
import { isDerivedCode, type ColumnCode, type DerivedCode } from '../column-code';
import { behindEach, parsedSteps, type Derivation } from './derivation';
import type { Operand } from './operand';
import type { ChartSheet } from '../chart-shape';
import { kindOfStep, type AnyKind, type DerivationStep, type Range, type Work } from './steps';

/**
 * A chart's arithmetic as one program over an array of numbers: every measurement, size, constant
 * and result has a slot in it. All is whole micrometres; `NaN` is nothing.
 */
export interface Arithmetic {
  readonly slots: number;
  /** Where a measurement stands as it was read. */
  readonly readings: ReadonlyMap<MeasurementCode, number>;
  /** Where what a column goes by stands: a measurement as the chart takes it, or a derivation's result. */
  readonly columns: ReadonlyMap<ColumnCode, number>;
  /** Where the value of the size of each part stands, in the order of the parts. */
  readonly sizes: readonly number[];
  readonly constants: readonly { readonly slot: number; readonly value: number }[];
  /** What is rounded before anything is reckoned. */
  readonly roundings: readonly Instruction[];
  readonly derivations: readonly DerivationPlan[];
  readonly derivationOf: ReadonlyMap<DerivedCode, DerivationPlan>;
}

/** One thing to do: some slots in, one out. */
export interface Instruction {
  readonly work: Work;
  readonly operands: readonly number[];
  readonly out: number;
}

/** A derivation with all its operands slots. */
export interface DerivationPlan {
  readonly derivation: Derivation;
  /** Where it stands among the chart's. */
  readonly index: number;
  readonly steps: readonly StepPlan[];
  readonly result: number;
  /** Steps that the result does not go through; if one comes to nothing, so does the whole. */
  readonly besides: readonly number[];
  /** How many parts must have been sized before it can be reckoned. */
  readonly stage: number;
  /** Every measurement it rests on. */
  readonly readings: readonly MeasurementCode[];
}

/** A step with its operands slots. */
export interface StepPlan extends Instruction {
  readonly step: DerivationStep;
  readonly kind: AnyKind;
  readonly from: readonly { readonly text: string; readonly operand: Operand; readonly slot: number }[];
  /** Whether it could come out longer than anything is: then it comes to nothing. */
  readonly unbounded: boolean;
}

/** No measurement reads longer than this: what is typed is refused from there on. */
const LONGEST_READING = 100_000_000;
/** A result beyond this, a kilometre, is past every table. So every number stays exact in a double. */
export const LONGEST_RESULT = 1_000_000_000;

/**
 * Lays the arithmetic of a chart out in slots. Linear in the size of the chart.
 *
 * @example [...compileArithmetic(waistcoat.sheet).readings.keys()] // ['chest-girth']
 */
export function compileArithmetic(sheet: ChartSheet): Arithmetic {
  let slots = 0;
  const slot = () => slots++;
  const readings = new Map<MeasurementCode, number>();
  const columns = new Map<ColumnCode, number>();
  const constants = new Map<number, number>();
  const ranges = new Map<number, Range>();
  const roundings: Instruction[] = [];

  const reading = (code: MeasurementCode): number => {
    const known = columns.get(code);
    if (known !== undefined) return known;
    const read = slot();
    readings.set(code, read);
    ranges.set(read, { least: -LONGEST_READING, most: LONGEST_READING });
    const rounding = sheet.expects.find((one) => one.code === code)?.rounding ?? null;
    const taken = rounding === null ? read : slot();
    if (rounding !== null) {
      const each = roundEach(rounding);
      const work: Work = (out, operands, count) => {
        each(out, operands[0]!, count);
      };
      roundings.push({ work, operands: [read], out: taken });
      ranges.set(taken, { least: -2 * LONGEST_READING, most: 2 * LONGEST_READING });
    }
    columns.set(code, taken);
    return taken;
  };
  const constant = (value: number): number => {
    const known = constants.get(value) ?? slot();
    constants.set(value, known);
    ranges.set(known, { least: value, most: value });
    return known;
  };
  const sizes = sheet.parts.map(({ values }) => {
    const own = slot();
    ranges.set(
      own,
      values === null ? { least: 0, most: 0 } : { least: Math.min(...values), most: Math.max(...values) },
    );
    return own;
  });

  const planned = new Map<DerivedCode, DerivationPlan>();
  const plan = (derivation: Derivation, index: number): DerivationPlan => {
    const named = new Map<string, number>();
    let stage = 0;
    const slotOf = (operand: Operand): number => {
      switch (operand.kind) {
        case 'reading':
          return reading(operand.code);
        case 'step':
          return named.get(operand.name)!;
        case 'length':
          return constant(operand.length);
        case 'choice':
          return constant(chosenLength(sheet, operand.choice));
        case 'size-of': {
          const at = sheet.parts.findIndex(({ code }) => code === operand.part);
          stage = Math.max(stage, at + 1);
          return sizes[at]!;
        }
        case 'derived': {
          const earlier = planned.get(operand.code)!;
          stage = Math.max(stage, earlier.stage);
          return earlier.result;
        }
      }
    };
    const steps = parsedSteps(derivation).map(({ step, operands }): StepPlan => {
      const kind = kindOfStep(step);
      const from = operands.map(({ text, operand }) => ({ text, operand: operand!, slot: slotOf(operand!) }));
      const out = slot();
      named.set(step.as, out);
      const range = kind.range(
        step,
        from.map((one) => ranges.get(one.slot)!),
      );
      ranges.set(out, boundedRange(range));
      return {
        step,
        kind,
        from,
        operands: from.map((one) => one.slot),
        out,
        work: kind.work(step),
        unbounded: range.least < -LONGEST_RESULT || range.most > LONGEST_RESULT,
      };
    });
    const result = steps.at(-1)!.out;
    const behind = behindEach(sheet.derivations).get(derivation.code)!;
    return {
      derivation,
      index,
      steps,
      result,
      besides: notOnTheWay(steps),
      stage,
      readings: behind.readings,
    };
  };

  for (const code of codesOf(sheet)) if (!isDerivedCode(code)) reading(code);
  const derivations = sheet.derivations.map((derivation, index) => {
    const one = plan(derivation, index);
    planned.set(derivation.code, one);
    columns.set(derivation.code, one.result);
    return one;
  });
  return {
    slots,
    readings,
    columns,
    sizes,
    constants: [...constants].map(([value, at]) => ({ slot: at, value })),
    roundings,
    derivations,
    derivationOf: planned,
  };
}

/**
 * A range with what comes to nothing left out.
 *
 * @example boundedRange({ least: -Infinity, most: cm(90) }).most // cm(90)
 */
export function boundedRange({ least, most }: Range): Range {
  return { least: Math.max(least, -LONGEST_RESULT), most: Math.min(most, LONGEST_RESULT) };
}

/** Every code a chart names outside its derivations. */
function codesOf({ parts, options }: ChartSheet): ColumnCode[] {
  return [
    ...parts.flatMap((part) => part.columns.flatMap(({ code, standIns }) => [code, ...standIns])),
    ...options.flatMap(({ when }) => when.map(({ of }) => of)),
  ];
}

/** The results of steps that the last one does not go through. */
function notOnTheWay(steps: readonly StepPlan[]): number[] {
  const reached = new Set<number>([steps.at(-1)!.out]);
  for (const { out, operands } of [...steps].reverse())
    if (reached.has(out)) for (const operand of operands) reached.add(operand);
  return steps.map(({ out }) => out).filter((out) => !reached.has(out));
}
