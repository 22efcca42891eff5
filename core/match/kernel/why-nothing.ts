import type { MeasurementCode } from '../../body/catalogue/codes';
import { isDerivedCode, type ColumnCode, type DerivedCode } from '../../chart/column-code';
import type { CompiledChart } from '../../chart/compile-chart';
import type { DerivationPlan } from '../../chart/arithmetic/compile-arithmetic';
import type { DeriveProblem } from '../../chart/arithmetic/derived';
import type { Operand } from '../../chart/arithmetic/operand';
import { micrometres } from '../../quantity/length';
import { VERDICTS } from '../verdict';

const BEYOND = VERDICTS.indexOf('beyond');

/** How something came to nothing: not measured, before a size that is not known yet or that there is none of, past a table, against a requirement. */
export const SOMETHING = 0;
export const MISSING = 1;
export const WAITS = 2;
export const NO_SIZE = 3;
export const OFF_SCALE = 4;
export const UNMET = 5;
export type Status =
  | typeof SOMETHING
  | typeof MISSING
  | typeof WAITS
  | typeof NO_SIZE
  | typeof OFF_SCALE
  | typeof UNMET;
const UNASKED = 255;
/** A step has at most eight operands; behind them stands the step itself. */
const MOST_OPERANDS = 16;
const OWN = 15;

/**
 * Why something came to nothing, read off the slots of a round after the fact: the kernel itself
 * only knows `NaN`. Every missing measurement is named at once and counts for more than what broke
 * off; of what broke off, the first is told.
 */
export class WhyNothing {
  private row = -1;
  /** What was found of each derivation for this row, `UNASKED` before. */
  private readonly found: Uint8Array;
  /** Of a derivation that broke off, the step and operand it was told by. */
  private readonly brokenAt: Int32Array;

  /** @param verdictOf the verdict of a part, of those that have been sized in this round */
  constructor(
    private readonly chart: CompiledChart,
    private readonly slots: readonly Float64Array[],
    private readonly verdictOf: (part: number, row: number) => number,
  ) {
    const { derivations } = chart.arithmetic;
    this.found = new Uint8Array(derivations.length);
    this.brokenAt = new Int32Array(derivations.length);
  }

  /** A new round begins. */
  forget(): void {
    this.row = -1;
  }

  /** How a column of one wearer came to nothing, or that it came to something. Allocates nothing. */
  status(code: ColumnCode, row: number): Status {
    if (row !== this.row) this.found.fill(UNASKED);
    this.row = row;
    const plan = this.chart.arithmetic.derivationOf.get(code as DerivedCode);
    return plan === undefined ? this.ofReading(code as MeasurementCode) : this.ofDerivation(plan);
  }

  /** The same with what there is to say of it; `null` where it came to something. */
  problem(code: ColumnCode, row: number): DeriveProblem | null {
    const status = this.status(code, row);
    if (status === SOMETHING) return null;
    if (status === MISSING) return { code: 'missing', readings: this.missingOf(code) };
    const plan = this.chart.arithmetic.derivationOf.get(code as DerivedCode);
    return plan === undefined ? this.offScale(code as MeasurementCode) : this.brokenOff(plan, status);
  }

  /** The measurements a column rests on. */
  readingsOf(code: ColumnCode): readonly MeasurementCode[] {
    return isDerivedCode(code) ? this.chart.arithmetic.derivationOf.get(code)!.readings : [code];
  }

  private ofReading(code: MeasurementCode): Status {
    const { readings, columns } = this.chart.arithmetic;
    if (Number.isNaN(this.at(readings.get(code)!))) return MISSING;
    return Number.isNaN(this.at(columns.get(code)!)) ? OFF_SCALE : SOMETHING;
  }

  private ofDerivation(plan: DerivationPlan): Status {
    const known = this.found[plan.index]!;
    if (known !== UNASKED) return known as Status;
    const status = Number.isNaN(this.at(plan.result)) ? this.lookFor(plan) : SOMETHING;
    this.found[plan.index] = status;
    return status;
  }

  /** What is missing counts for more than what broke off; of what broke off, the first is told. */
  private lookFor({ steps, index }: DerivationPlan): Status {
    let first: Status = SOMETHING;
    for (let at = 0; at < steps.length; at++) {
      const { kind, from, out } = steps[at]!;
      let complete = true;
      for (let operand = 0; operand < from.length; operand++) {
        if (!Number.isNaN(this.at(from[operand]!.slot))) continue;
        complete = false;
        const status = this.ofOperand(from[operand]!.operand);
        if (status === MISSING) return MISSING;
        if (first === SOMETHING && status !== SOMETHING) {
          first = status;
          this.brokenAt[index] = at * MOST_OPERANDS + operand;
        }
      }
      if (first !== SOMETHING || !complete || !Number.isNaN(this.at(out))) continue;
      first = kind.failsAs === 'requirement' ? UNMET : OFF_SCALE;
      this.brokenAt[index] = at * MOST_OPERANDS + OWN;
    }
    return first;
  }

  private ofOperand(operand: Operand): Status {
    switch (operand.kind) {
      case 'reading':
        return this.ofReading(operand.code);
      case 'derived':
        return this.ofDerivation(this.chart.arithmetic.derivationOf.get(operand.code)!);
      case 'size-of':
        return this.verdictOf(this.partOf(operand.part), this.row) === BEYOND ? NO_SIZE : WAITS;
      default:
        // An earlier step of the same derivation has told why by itself.
        return SOMETHING;
    }
  }

  private partOf(code: string): number {
    return this.chart.sheet.parts.findIndex((one) => one.code === code);
  }

  /** Every measurement that is missing behind a column. */
  private missingOf(code: ColumnCode): MeasurementCode[] {
    const { readings } = this.chart.arithmetic;
    return this.readingsOf(code).filter((one) => Number.isNaN(this.at(readings.get(one)!)));
  }

  private offScale(code: MeasurementCode): DeriveProblem {
    const read = this.at(this.chart.arithmetic.readings.get(code)!);
    return { code: 'off-scale', step: code, value: micrometres(read) };
  }

  /** What a derivation broke off by, followed to where it happened. */
  private brokenOff({ steps, readings, index }: DerivationPlan, status: Status): DeriveProblem {
    const { step, from } = steps[Math.floor(this.brokenAt[index]! / MOST_OPERANDS)]!;
    const operand = from[this.brokenAt[index]! % MOST_OPERANDS]?.operand;
    if (operand?.kind === 'reading') return this.offScale(operand.code);
    if (operand?.kind === 'derived')
      return this.brokenOff(this.chart.arithmetic.derivationOf.get(operand.code)!, status);
    if (operand?.kind === 'size-of')
      return { code: status === NO_SIZE ? 'no-size' : 'waits', part: operand.part };
    return step.do === 'require'
      ? { code: 'requirement', because: step.because, readings }
      : { code: 'off-scale', step: step.as, value: micrometres(this.at(from[0]!.slot)) };
  }

  private at(slot: number): number {
    return this.slots[slot]![this.row]!;
  }
}
