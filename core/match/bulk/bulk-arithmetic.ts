import type { MeasurementCode } from '../../body/catalogue/codes';
import type { ColumnCode, DerivedCode } from '../../chart/column-code';
import { isDerivedCode } from '../../chart/column-code';
import type { CompiledChart } from '../../chart/compile-chart';
import { operandsOf, parseOperand, type Derivation, type DerivationStep } from '../../chart/derivation';
import { micrometres } from '../../quantity/length';
import { roundLength, type RoundingPolicy } from '../../quantity/rounding';

/** How a derivation ended, the worse the larger: with a value, for want of one, past a table, against a requirement. */
export const DERIVED = 0;
export const MISSING = 1;
export const OFF_SCALE = 2;
export const UNMET = 3;

type Work = () => void;

/**
 * The arithmetic of a chart with every operand a place in one array of numbers: measurements,
 * parts' values, constants, steps. Carried out anew for each wearer without allocating; gives
 * what `derive` gives on lengths.
 */
export class BulkArithmetic {
  private readonly slots: Float64Array;
  private readonly places = new Map<string, number>();
  private readonly statuses = new Map<DerivedCode, number>();
  private readonly outcomes: Uint8Array;
  private readonly work: Work[] = [];
  private readonly roundings: { readonly slot: number; readonly to: RoundingPolicy }[] = [];

  constructor({ sheet, expects }: CompiledChart, codes: readonly MeasurementCode[]) {
    const constants: [number, number][] = [];
    const place = (name: string): number => {
      const known = this.places.get(name) ?? this.places.size;
      this.places.set(name, known);
      return known;
    };
    codes.forEach((code) => place(code));
    sheet.parts.forEach(({ code }) => place(`size-of:${code}`));
    this.outcomes = new Uint8Array(sheet.derivations.length);
    sheet.derivations.forEach((derivation, index) => {
      this.statuses.set(derivation.code, index);
      this.plan(derivation, index, place, constants);
    });
    this.slots = new Float64Array(this.places.size).fill(NaN);
    for (const [slot, value] of constants) this.slots[slot] = value;
    for (const code of codes) {
      const to = expects.get(code)?.rounding ?? null;
      if (to !== null) this.roundings.push({ slot: this.places.get(code)!, to });
    }
  }

  /** Where a column's value is found. */
  slotOf(code: ColumnCode | `size-of:${string}`): number {
    return this.places.get(code)!;
  }

  value(slot: number): number {
    return this.slots[slot]!;
  }

  /** How a column came to its value, or did not. */
  status(code: ColumnCode): number {
    if (!isDerivedCode(code)) return Number.isNaN(this.slots[this.slotOf(code)]!) ? MISSING : DERIVED;
    return this.outcomes[this.statuses.get(code)!]!;
  }

  /** Takes one wearer's measurements, NaN for one not taken; no part has come to a size yet. */
  take(columns: readonly Float64Array[], row: number): void {
    for (let at = 0; at < columns.length; at++) this.slots[at] = columns[at]![row]!;
    for (const { slot, to } of this.roundings) this.slots[slot] = rounded(this.slots[slot]!, to);
  }

  /** What a part came to, NaN for nothing; then everything is derived anew. */
  set(slot: number, value: number): void {
    this.slots[slot] = value;
  }

  derive(): void {
    for (const one of this.work) one();
  }

  private plan(
    { code, steps }: Derivation,
    index: number,
    place: (name: string) => number,
    constants: [number, number][],
  ): void {
    const earlier: string[] = [];
    this.work.push(() => {
      this.outcomes[index] = DERIVED;
    });
    for (const step of steps) {
      const slots = operandsOf(step).map((text) => {
        const operand = parseOperand(text, earlier)!;
        if (operand.kind === 'length') {
          const slot = place(`= ${operand.length}`);
          constants.push([slot, operand.length]);
          return slot;
        }
        if (operand.kind === 'step') return place(`${code}#${operand.name}`);
        const slot = place(text);
        const status = operand.kind === 'derived' ? this.statuses.get(operand.code)! : null;
        this.work.push(() => {
          // Missing counts for more than what broke off, as every missing measurement is named first.
          const was =
            status === null ? (Number.isNaN(this.slots[slot]!) ? MISSING : DERIVED) : this.outcomes[status]!;
          this.outcomes[index] = worse(this.outcomes[index]!, was);
        });
        return slot;
      });
      const result = place(`${code}#${step.as}`);
      const carry = carryOut(step, slots);
      const broken = step.do === 'require' ? UNMET : OFF_SCALE;
      this.work.push(() => {
        for (const slot of slots)
          if (Number.isNaN(this.slots[slot]!)) {
            this.slots[result] = NaN;
            return;
          }
        const value = carry(this.slots);
        this.slots[result] = value;
        if (Number.isNaN(value)) this.outcomes[index] = worse(this.outcomes[index]!, broken);
      });
      earlier.push(step.as);
    }
    const [last, result] = [place(`${code}#${steps.at(-1)!.as}`), place(code)];
    this.work.push(() => {
      this.slots[result] = this.outcomes[index] === DERIVED ? this.slots[last]! : NaN;
    });
  }
}

/** Of two reasons the one that is told: what is missing before all, then what broke off first. */
function worse(one: number, other: number): number {
  if (one === MISSING || other === MISSING) return MISSING;
  return one !== DERIVED ? one : other;
}

function rounded(value: number, to: RoundingPolicy): number {
  if (Number.isNaN(value)) return NaN;
  return roundLength(micrometres(value), to) ?? NaN;
}

/** A step as a function of the slots; NaN where it comes to nothing. */
function carryOut(step: DerivationStep, slots: readonly number[]): (values: Float64Array) => number {
  const [a = 0, b = 0] = slots;
  switch (step.do) {
    case 'reading':
      return (values) => values[a]!;
    case 'add':
      return (values) => sum(values, slots);
    case 'subtract':
      return (values) => values[a]! - values[b]!;
    case 'multiply':
      return (values) => Math.round(values[a]! * step.by);
    case 'average':
      return (values) => Math.round(sum(values, slots) / slots.length);
    case 'difference':
      return (values) => Math.abs(values[a]! - values[b]!);
    case 'max':
      return (values) => {
        let most = -Infinity;
        for (const slot of slots) if (values[slot]! > most) most = values[slot]!;
        return most;
      };
    case 'lookup':
      return (values) => {
        for (const { upTo, gives } of step.rows) if (values[a]! <= upTo) return gives;
        return NaN;
      };
    case 'round':
      return (values) => rounded(values[a]!, step.to);
    case 'clamp':
      return (values) => Math.min(Math.max(values[a]!, step.least ?? -Infinity), step.most ?? Infinity);
    case 'require':
      return (values) => (values[a]! >= values[b]! ? values[a]! : NaN);
  }
}

function sum(values: Float64Array, slots: readonly number[]): number {
  let total = 0;
  for (const slot of slots) total += values[slot]!;
  return total;
}
