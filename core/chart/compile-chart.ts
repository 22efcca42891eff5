import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { type Length, micrometres } from '../quantity/length';
import type { ColumnCode } from './column-code';
import { compileArithmetic, type Arithmetic } from './arithmetic/compile-arithmetic';
import { cutColumn, type CutColumn } from './cut-column';
import { behindColumn } from './arithmetic/derivation';
import { settleColumn, type Cell, type Interval } from './interval';
import { garmentKind } from '../garment/kinds';
import { columnName } from './size-chart';
import type { ChartColumn, ChartPart, ChartSheet, Expectation, HouseRule, Lean } from './chart-shape';

/** A deciding or advisory column, settled: what matching works on. */
export interface CompiledColumn {
  readonly code: ColumnCode;
  /** What it is called, on rulers and in sentences. */
  readonly name: string;
  /** Girths are taken in and let out, lengths shortened and lengthened. */
  readonly along: 'girth' | 'length';
  /** Feet are shown in millimetres whatever the reader's unit. */
  readonly foot: boolean;
  /** One a size, smallest size first: the body's own measures, ease taken off. */
  readonly intervals: readonly Interval[];
  /** The usual distance from one size to the next: the measure of a misfit. */
  readonly step: number;
  /** The intervals as a search among sorted numbers. */
  readonly cut: CutColumn;
  /** How near an end a value is at the end of its size: the error of one reading of what it goes by. */
  readonly margin: number;
  /** What may stand in while it is not measured, the best first. */
  readonly standIns: readonly ColumnCode[];
}

/** A part made ready for matching: all its sizes, or those that another part's outcome leaves. */
export interface CompiledPart {
  readonly code: string;
  readonly name: string;
  readonly sizes: readonly string[];
  /** What each size measures, where the chart says. */
  readonly values: readonly Length[] | null;
  readonly deciding: readonly CompiledColumn[];
  readonly advisory: readonly CompiledColumn[];
  readonly rule: HouseRule;
  /** What wins under `key-decides`; the first deciding column where the sheet names none of this part. */
  readonly key: ColumnCode;
  readonly lean: Lean | null;
  /** Whether a tailor may alter it: what protects, seals or is moulded is never altered. */
  readonly altered: boolean;
  /** Whether it covers who wears it: a close fit then never takes a size off. */
  readonly protects: boolean;
}

/** A part with what it offers for each outcome of the part it goes by. */
export interface PartPlan {
  readonly whole: CompiledPart;
  readonly by: string | null;
  readonly cases: ReadonlyMap<string, CompiledPart>;
}

/** A chart made ready for matching, once per chart version. */
export interface CompiledChart {
  readonly sheet: ChartSheet;
  readonly arithmetic: Arithmetic;
  readonly parts: readonly PartPlan[];
  readonly expects: ReadonlyMap<MeasurementCode, Expectation>;
}

/**
 * Settles every column of a chart into whole-number intervals, ease taken off, and lays its
 * arithmetic out in slots: one program, once a chart version, that every way of sizing runs.
 *
 * @example compileChart(jacket.sheet).parts.length // 1
 */
export function compileChart(sheet: ChartSheet): CompiledChart {
  return {
    sheet,
    arithmetic: compileArithmetic(sheet),
    parts: sheet.parts.map((part) => ({
      whole: compilePart(sheet, part, part.sizes),
      by: part.offered?.by ?? null,
      cases: new Map(
        Object.entries(part.offered?.sizes ?? {}).map(([size, offered]) => [
          size,
          compilePart(sheet, part, offered),
        ]),
      ),
    })),
    expects: new Map(sheet.expects.map((one) => [one.code, one])),
  };
}

/**
 * The part as it is offered for the outcomes so far; the whole of it where that says nothing.
 *
 * @example offeredPart(compileChart(jacket.sheet).parts[0], new Map()).sizes // ['M', 'L', 'XL']
 */
export function offeredPart(
  { whole, by, cases }: PartPlan,
  outcomes: ReadonlyMap<string, string>,
): CompiledPart {
  const outcome = by === null ? undefined : outcomes.get(by);
  return (outcome === undefined ? undefined : cases.get(outcome)) ?? whole;
}

/**
 * The only part of a plain size table, compiled.
 *
 * @example onlyPart(compileChart(jacket.sheet)).sizes // ['M', 'L', 'XL']
 */
export function onlyPart({ parts }: CompiledChart): CompiledPart {
  return parts[0]!.whole;
}

function compilePart(sheet: ChartSheet, part: ChartPart, offered: readonly string[]): CompiledPart {
  const kept = part.sizes.flatMap((size, index) => (offered.includes(size) ? [index] : []));
  const columns = (role: ChartColumn['role']) =>
    part.columns.filter((column) => column.role === role).map((column) => compileColumn(sheet, column, kept));
  const deciding = columns('deciding');
  const key = deciding.find(({ code }) => code === sheet.key) ?? deciding[0]!;
  return {
    code: part.code,
    name: part.name,
    sizes: kept.map((index) => part.sizes[index]!),
    values: part.values === null ? null : kept.map((index) => part.values![index]!),
    deciding,
    advisory: columns('advisory'),
    rule: part.rule ?? sheet.rule,
    key: key.code,
    lean: part.lean,
    altered: garmentKind(sheet.kind).altered,
    protects: garmentKind(sheet.kind).protects,
  };
}

function compileColumn(sheet: ChartSheet, column: ChartColumn, kept: readonly number[]): CompiledColumn {
  const cells = kept.map((index) => onBody(column.cells[index]!, column));
  const whole = () =>
    settleColumn(
      column.cells.map((cell) => onBody(cell, column)),
      column.reach,
    );
  // A single value that is left over, alone or several times, reaches as far as it did among its neighbours.
  const [first] = cells;
  const leftOver =
    first?.kind === 'nominal' && cells.every((cell) => cell.kind === 'nominal' && cell.at === first.at);
  const intervals = leftOver ? kept.map((index) => whole()[index]!) : settleColumn(cells, column.reach);
  const { readings } = behindColumn(sheet.derivations, column.code);
  // What is worked out lies along the body where all that it is worked out of does.
  const girth = readings.length === 0 || readings.some((code) => measurement(code).kind === 'girth');
  return {
    code: column.code,
    name: columnName(sheet, column.code, (code) => measurement(code).name),
    along: girth ? 'girth' : 'length',
    foot: readings.every((code) => measurement(code).kind === 'foot'),
    intervals,
    step: usualStep(intervals),
    cut: cutColumn(intervals),
    margin: Math.max(0, ...readings.map((code) => measurement(code).standardError)),
    standIns: column.standIns,
  };
}

/** A finished measure of the garment as the body it is for: smaller by the ease. */
function onBody(cell: Cell, { ease }: ChartColumn): Cell {
  if (ease === null) return cell;
  const less = (at: Length, by: Length) => micrometres(at - by);
  if (cell.kind === 'nominal')
    return {
      kind: 'interval',
      lower: { at: less(cell.at, ease.most), edge: 'printed' },
      upper: { at: less(cell.at, ease.least), edge: 'printed' },
    };
  return {
    kind: 'interval',
    lower: cell.lower && { ...cell.lower, at: less(cell.lower.at, ease.most) },
    upper: cell.upper && { ...cell.upper, at: less(cell.upper.at, ease.least) },
  };
}

/** The middle one of the distances between neighbouring sizes' ends; one micrometre where there are none. */
function usualStep(intervals: readonly Interval[]): number {
  const steps = intervals
    .flatMap((interval, size) => {
      const next = intervals[size + 1];
      if (next === undefined) return [];
      return [
        interval.lower !== null && next.lower !== null ? next.lower - interval.lower : 0,
        interval.upper !== null && next.upper !== null ? next.upper - interval.upper : 0,
      ];
    })
    .filter((step) => step > 0)
    .sort((a, b) => a - b);
  return steps[Math.floor(steps.length / 2)] ?? 1;
}
