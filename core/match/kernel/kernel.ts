import type { MeasurementCode } from '../../body/catalogue/codes';
import { type ColumnCode, isDerivedCode } from '../../chart/column-code';
import type { CompiledChart, CompiledPart } from '../../chart/compile-chart';
import { LONGEST_RESULT, type DerivationPlan } from '../../chart/arithmetic/compile-arithmetic';
import { NONE } from '../../chart/cut-column';
import type { DeriveProblem } from '../../chart/arithmetic/derived';
import type { FitPreference, HouseRule } from '../../chart/chart-shape';
import { named } from '../../chart/named';
import { VERDICTS } from '../verdict';
import { PartRun, type ColumnRun } from './part-run';
import { WhyNothing } from './why-nothing';

const NOT_MADE = VERDICTS.indexOf('not-made');

/** The rule and preference a docket puts in the place of the chart's own. */
export interface RuleOverride {
  readonly rule?: HouseRule | undefined;
  readonly key?: ColumnCode | undefined;
  readonly preference?: FitPreference | undefined;
}

/** Two parts that are only made in some combinations. */
interface MadePairs {
  readonly first: number;
  readonly second: number;
  readonly width: number;
  readonly pairs: Uint8Array;
}

/**
 * A compiled chart at work, for many wearers at once. A person on screen, a roll and the draws of
 * the odds all go through here; nothing else gives a size. Nothing is allocated a wearer.
 *
 * Each round: `take` the measurements, `run`, read what everybody came to. An `edge`, which needs
 * the odds, counts as `settled` here.
 */
export class Kernel {
  /** The measurements that decide, in the order `take` wants them. */
  readonly codes: readonly MeasurementCode[];
  /** What each wearer came to: an index of `VERDICTS`. */
  readonly verdicts: Uint8Array;
  /** Whose sizes are not made together, by a one; only where every part has a size. */
  readonly unmade: Uint8Array;
  readonly parts: readonly PartRun[];

  private readonly slots: readonly Float64Array[];
  private readonly deciding: readonly (readonly DerivationPlan[])[];
  private readonly reporting: readonly DerivationPlan[];
  private readonly made: readonly MadePairs[];
  private readonly why: WhyNothing;

  /**
   * @param chart the compiled chart; it must have no faults
   * @param override what a docket puts in the place of the chart's rule, key and preference
   * @param capacity the most wearers of one round
   */
  constructor(
    readonly chart: CompiledChart,
    override: RuleOverride = {},
    readonly capacity = 1_024,
  ) {
    const { sheet, arithmetic } = chart;
    const memory = new Float64Array(arithmetic.slots * capacity).fill(NaN);
    this.slots = Array.from({ length: arithmetic.slots }, (_, at) =>
      memory.subarray(at * capacity, (at + 1) * capacity),
    );
    for (const { slot, value } of arithmetic.constants) this.slots[slot]!.fill(value);
    this.verdicts = new Uint8Array(capacity);
    this.unmade = new Uint8Array(capacity);
    this.why = new WhyNothing(chart, this.slots, (part, row) => this.parts[part]!.verdicts[row]!);
    this.parts = chart.parts.map((plan, at) => {
      const part = (one: CompiledPart) => ({
        part: one,
        ruling: {
          rule: override.rule ?? one.rule,
          key: one.deciding.find(({ code }) => code === override.key)?.code ?? one.key,
          preference: override.preference ?? 'regular',
        },
      });
      const by = plan.by === null ? NONE : sheet.parts.findIndex(({ code }) => code === plan.by);
      return new PartRun({
        whole: part(plan.whole),
        cases: new Map([...plan.cases].map(([size, one]) => [size, part(one)])),
        by: by === NONE ? null : { part: by, sizes: sheet.parts[by]!.sizes },
        columns: plan.whole.deciding.map((column) => this.columnRun(column, at)),
        why: this.why,
        capacity,
      });
    });
    const needed = this.neededDerivations();
    this.deciding = [...chart.parts.keys()].map((stage) => needed.filter((one) => one.stage === stage));
    this.reporting = arithmetic.derivations.filter((one) => !needed.includes(one));
    const read = new Set<MeasurementCode>();
    for (const { columns } of this.parts)
      for (const { choices } of columns)
        for (const { code } of choices)
          for (const one of isDerivedCode(code) ? arithmetic.derivationOf.get(code)!.readings : [code])
            read.add(one);
    this.codes = [...read];
    this.made = sheet.combinations.map(({ parts: [first, second], made }) => {
      const indexOf = (code: string) => sheet.parts.findIndex((part) => part.code === code);
      const [one, other] = [sheet.parts[indexOf(first)]!, sheet.parts[indexOf(second)]!];
      const pairs = Uint8Array.from(
        one.sizes.flatMap((size) =>
          other.sizes.map((label) => (named(made, size)?.includes(label) === true ? 1 : 0)),
        ),
      );
      return { first: indexOf(first), second: indexOf(second), width: other.sizes.length, pairs };
    });
  }

  /** Where the values of a measurement, as they were read, are put for the next round. */
  input(code: MeasurementCode): Float64Array {
    return this.slots[this.chart.arithmetic.readings.get(code)!]!;
  }

  /** What a column goes by came to: `NaN` for nothing. */
  values(code: ColumnCode): Float64Array {
    return this.slots[this.chart.arithmetic.columns.get(code)!]!;
  }

  /** A slot of the arithmetic, for its lines. */
  slot(at: number): Float64Array {
    return this.slots[at]!;
  }

  /** Why a column of one wearer came to nothing; `null` where it came to something. */
  problem(code: ColumnCode, row: number): DeriveProblem | null {
    return this.why.problem(code, row);
  }

  /**
   * Takes the measurements of a round.
   *
   * @param columns the measurements of `codes`, in micrometres, `NaN` for one not taken
   * @param from which wearer of the columns is the first
   */
  take(columns: readonly Float64Array[], from: number, count: number): void {
    for (let at = 0; at < this.codes.length; at++)
      this.input(this.codes[at]!).set(columns[at]!.subarray(from, from + count));
  }

  /**
   * Sizes everybody of a round.
   *
   * @param suspects measurements that failed a check: what rests on one is not sized
   */
  run(count: number, suspects?: ReadonlySet<MeasurementCode>): void {
    const { arithmetic } = this.chart;
    for (const { work, operands, out } of arithmetic.roundings)
      work(
        this.slots[out]!,
        operands.map((at) => this.slots[at]!),
        count,
      );
    this.why.forget();
    for (let at = 0; at < this.parts.length; at++) {
      for (const derivation of this.deciding[at]!) this.derive(derivation, count);
      const part = this.parts[at]!;
      part.run(count, this.parts, suspects);
      const { values } = this.chart.parts[at]!.whole;
      if (values !== null) measure(this.slots[arithmetic.sizes[at]!]!, part.sizes, values, count);
    }
    this.sumUp(count);
  }

  /** Carries out what the sizes do not rest on, for the lines and options of one wearer. After `run`. */
  runRest(row: number): void {
    for (const derivation of this.reporting) this.derive(derivation, row + 1, row);
  }

  private derive({ steps, result, besides }: DerivationPlan, count: number, from = 0): void {
    const rows = (at: number) => (from === 0 ? this.slots[at]! : this.slots[at]!.subarray(from));
    const many = count - from;
    for (const { work, operands, out, unbounded } of steps) {
      const values = rows(out);
      work(values, operands.map(rows), many);
      if (unbounded)
        for (let row = 0; row < many; row++) if (Math.abs(values[row]!) > LONGEST_RESULT) values[row] = NaN;
    }
    const last = rows(result);
    for (const beside of besides) {
      const values = rows(beside);
      for (let row = 0; row < many; row++) if (Number.isNaN(values[row]!)) last[row] = NaN;
    }
  }

  /** The worst part's verdict is the garment's, unless its sizes are not made together. */
  private sumUp(count: number): void {
    const { verdicts, unmade, parts, made } = this;
    verdicts.set(parts[0]!.verdicts.subarray(0, count));
    for (let at = 1; at < parts.length; at++) {
      const own = parts[at]!.verdicts;
      for (let row = 0; row < count; row++) if (own[row]! > verdicts[row]!) verdicts[row] = own[row]!;
    }
    unmade.fill(0, 0, count);
    if (made.length === 0) return;
    for (const { first, second, width, pairs } of made) {
      const [ones, others] = [parts[first]!.sizes, parts[second]!.sizes];
      for (let row = 0; row < count; row++)
        if (ones[row] !== NONE && others[row] !== NONE && pairs[ones[row]! * width + others[row]!] === 0)
          unmade[row] = 1;
    }
    for (const { sizes } of parts)
      for (let row = 0; row < count; row++) if (sizes[row] === NONE) unmade[row] = 0;
    for (let row = 0; row < count; row++)
      if (unmade[row] === 1 && verdicts[row]! < NOT_MADE) verdicts[row] = NOT_MADE;
  }

  private columnRun({ code, standIns }: CompiledPart['deciding'][number], stage: number): ColumnRun {
    const { arithmetic, expects } = this.chart;
    const known = (one: ColumnCode) =>
      !isDerivedCode(one) || arithmetic.derivationOf.get(one)!.stage <= stage;
    return {
      // What is only known once this part has a size cannot stand in for it.
      choices: [code, ...standIns.filter(known)].map((one) => ({ code: one, values: this.values(one) })),
      alwaysMissing:
        standIns.length === 0 && !isDerivedCode(code) && (expects.get(code)?.rounding ?? null) === null,
    };
  }

  /** The derivations that the sizes rest on, in their order. */
  private neededDerivations(): DerivationPlan[] {
    const { derivations, derivationOf } = this.chart.arithmetic;
    const needed = new Set<DerivationPlan>();
    for (const { columns } of this.parts)
      for (const { choices } of columns)
        for (const { code } of choices) if (isDerivedCode(code)) needed.add(derivationOf.get(code)!);
    for (const one of [...derivations].reverse())
      if (needed.has(one))
        for (const { from } of one.steps)
          for (const { operand } of from)
            if (operand.kind === 'derived') needed.add(derivationOf.get(operand.code)!);
    return derivations.filter((one) => needed.has(one));
  }
}

/** What the sizes of a part measure, `NaN` for no size. */
function measure(slot: Float64Array, sizes: Int16Array, values: readonly number[], count: number): void {
  for (let row = 0; row < count; row++) slot[row] = sizes[row] === NONE ? NaN : values[sizes[row]!]!;
}
