import type { MeasurementCode } from '../../body/catalogue/codes';
import type { ColumnCode } from '../../chart/column-code';
import type { CompiledChart, CompiledPart } from '../../chart/compile-chart';
import { readingsBehind, type FitPreference } from '../../chart/size-chart';
import { VERDICTS } from '../verdict';
import { BulkArithmetic, MISSING, OFF_SCALE, UNMET } from './bulk-arithmetic';
import { NONE, type BulkColumn } from './bulk-column';
import { BulkPart } from './bulk-part';

const NOT_MADE = VERDICTS.indexOf('not-made');
const BEYOND = VERDICTS.indexOf('beyond');
const INCOMPLETE = VERDICTS.indexOf('incomplete');
const SUSPECT = VERDICTS.indexOf('suspect');

interface Stage {
  readonly whole: BulkPart;
  /** By the size of the part it goes by: what is offered then. */
  readonly cases: readonly (BulkPart | null)[];
  readonly by: number | null;
  readonly columns: readonly (readonly { readonly code: ColumnCode; readonly slot: number }[])[];
  readonly values: Float64Array;
  readonly outcome: number;
  readonly measures: Float64Array | null;
}

/** A part of measurements as they are taken, as a whole roll is sized by it. */
export interface PlainPart {
  readonly columns: readonly { readonly code: MeasurementCode; readonly column: BulkColumn }[];
  /** The part itself, which knows how it came to the last wearer's size. */
  readonly part: BulkPart;
}

/** The most columns of a part that a roll is sized by at once. */
const PLAIN_COLUMNS = 3;

/**
 * A chart made ready for many wearers at once. Its verdicts and sizes are those of `judge`,
 * but for `edge`, which needs the odds and counts as `settled`; nothing is allocated a wearer.
 */
export class BulkChart {
  /** The measurements it reads, in the order of the columns it is given. */
  readonly codes: readonly MeasurementCode[];
  /** What the last wearer came to: an index of `VERDICTS`. */
  verdict = 0;
  /** The size of each part by its index, -1 for none. */
  readonly sizes: Int16Array;

  private readonly arithmetic: BulkArithmetic;
  private readonly stages: readonly Stage[];
  private readonly made: readonly {
    readonly first: number;
    readonly second: number;
    readonly width: number;
    readonly pairs: Uint8Array;
  }[];

  constructor(
    private readonly chart: CompiledChart,
    preference: FitPreference = 'regular',
  ) {
    const { sheet, parts } = chart;
    const columns = parts.flatMap(({ whole }) => whole.deciding);
    const asked = columns.flatMap(({ code, instead }) => [code, ...instead]);
    this.codes = [
      ...new Set([
        ...asked.flatMap((code) => readingsBehind(sheet, code)),
        ...sheet.derivations.flatMap(({ code }) => readingsBehind(sheet, code)),
      ]),
    ];
    this.arithmetic = new BulkArithmetic(chart, this.codes);
    this.sizes = new Int16Array(parts.length);
    const indexOf = (code: string) => sheet.parts.findIndex((part) => part.code === code);
    this.stages = parts.map(({ whole, by, cases }): Stage => {
      const offered = (part: CompiledPart) =>
        new BulkPart(
          part,
          Int16Array.from(part.sizes, (size) => whole.sizes.indexOf(size)),
          preference,
        );
      const other = by === null ? null : sheet.parts[indexOf(by)]!;
      return {
        whole: offered(whole),
        by: by === null ? null : indexOf(by),
        cases: (other?.sizes ?? []).map((size) => {
          const one = cases.get(size);
          return one === undefined ? null : offered(one);
        }),
        columns: whole.deciding.map(({ code, instead }) =>
          [code, ...instead].map((one) => ({ code: one, slot: this.arithmetic.slotOf(one) })),
        ),
        values: new Float64Array(whole.deciding.length),
        outcome: this.arithmetic.slotOf(`size-of:${whole.code}`),
        measures: whole.values === null ? null : Float64Array.from(whole.values),
      };
    });
    this.made = sheet.combinations.map(({ parts: [first, second], made }) => {
      const [one, other] = [sheet.parts[indexOf(first)]!, sheet.parts[indexOf(second)]!];
      const pairs = Uint8Array.from(
        one.sizes.flatMap((size) =>
          other.sizes.map((label) => (made[size]?.includes(label) === true ? 1 : 0)),
        ),
      );
      return { first: indexOf(first), second: indexOf(second), width: other.sizes.length, pairs };
    });
  }

  /**
   * Sizes one wearer.
   *
   * @param columns the measurements of `codes`, in micrometres, NaN for one not taken
   * @param row which wearer of the columns
   */
  size(columns: readonly Float64Array[], row: number): void {
    const { arithmetic, stages, sizes } = this;
    arithmetic.take(columns, row);
    for (const { outcome } of stages) arithmetic.set(outcome, NaN);
    arithmetic.derive();
    let worst = 0;
    let complete = true;
    for (let at = 0; at < stages.length; at++) {
      const stage = stages[at]!;
      const verdict = this.place(stage, at);
      if (verdict > worst) worst = verdict;
      if (sizes[at] === NONE) complete = false;
      else if (stage.measures !== null) {
        arithmetic.set(stage.outcome, stage.measures[sizes[at]!]!);
        arithmetic.derive();
      }
    }
    this.verdict = complete && worst < NOT_MADE && !this.isMade() ? NOT_MADE : worst;
  }

  /** The only part of a chart without arithmetic and of few columns; `null` for any other chart. */
  plainPart(): PlainPart | null {
    const { sheet } = this.chart;
    const [stage] = this.stages;
    const { part, columns } = stage!.whole;
    const plain =
      this.stages.length === 1 &&
      sheet.derivations.length === 0 &&
      sheet.expects.every(({ rounding }) => rounding === null) &&
      columns.length <= PLAIN_COLUMNS &&
      part.deciding.every(({ instead }) => instead.length === 0);
    if (!plain) return null;
    return {
      columns: columns.map((column, at) => ({ code: part.deciding[at]!.code as MeasurementCode, column })),
      part: stage!.whole,
    };
  }

  private place(stage: Stage, at: number): number {
    const { arithmetic, sizes } = this;
    sizes[at] = NONE;
    stage.whole.byLengths = false;
    let why = 0;
    for (let index = 0; index < stage.columns.length; index++) {
      const choices = stage.columns[index]!;
      let chosen = choices[0]!;
      let status = arithmetic.status(chosen.code);
      // Only what is missing may be estimated; what broke off stays broken off.
      for (let other = 1; status === MISSING && other < choices.length; other++)
        if (!Number.isNaN(arithmetic.value(choices[other]!.slot))) {
          chosen = choices[other]!;
          status = arithmetic.status(chosen.code);
        }
      if (status !== 0)
        why =
          status === UNMET
            ? UNMET
            : why === UNMET
              ? UNMET
              : why === MISSING || status === MISSING
                ? MISSING
                : OFF_SCALE;
      stage.values[index] = arithmetic.value(chosen.slot);
    }
    if (why !== 0) return why === UNMET ? SUSPECT : why === MISSING ? INCOMPLETE : BEYOND;
    const before = stage.by === null ? NONE : sizes[stage.by]!;
    const part = (before === NONE ? null : stage.cases[before]!) ?? stage.whole;
    part.place(stage.values);
    sizes[at] = part.size;
    return part.verdict;
  }

  private isMade(): boolean {
    for (const { first, second, width, pairs } of this.made)
      if (pairs[this.sizes[first]! * width + this.sizes[second]!] === 0) return false;
    return true;
  }
}
