import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import type { Clothing, Tension } from '../body/measurement';
import { isDerivedCode, type ColumnCode, type DerivedCode } from '../chart/column-code';
import {
  offeredPart,
  type CompiledChart,
  type CompiledColumn,
  type RuleOverride,
} from '../chart/compile-chart';
import { derive, type Derived } from '../chart/derive';
import { KIND_CAUTIONS } from '../chart/garment-kind';
import { isMade, labelOf, nearestMade } from '../chart/label';
import { lengthAlgebra } from '../chart/length-algebra';
import type { Condition } from '../chart/size-chart';
import { roundLength } from '../quantity/rounding';
import type { Length } from '../quantity/length';
import { EDGE_CHANCE, judgePart, type ColumnValue } from './judge-part';
import { readingSpread, roundSpread, spreadAlgebra, type Spread } from './spread';
import {
  VERDICTS,
  type GarmentVerdict,
  type PartVerdict,
  type TakenOtherwise,
  type Verdict,
} from './verdict';

/** One value of a wearer, with how it was taken as far as that is known. */
export interface MeasuredValue {
  readonly value: Length;
  /** In micrometres; the catalogue's error of one reading where nothing better is known. */
  readonly standardError?: number;
  readonly tension?: Tension;
  readonly clothing?: Clothing;
  /** Not measured: what the rest leads one to expect, where no value could change the size. */
  readonly assumed?: boolean;
}

/** The values of one wearer. */
export type MeasuredBody = ReadonlyMap<MeasurementCode, MeasuredValue>;

/** What a docket says beyond the chart. */
export interface JudgeOptions extends RuleOverride {
  /** Measurements that failed a check and were not confirmed. */
  readonly suspects?: ReadonlySet<MeasurementCode> | undefined;
  /** How likely another size must be to make a size an `edge` case. */
  readonly edgeChance?: number | undefined;
}

const NO_SUSPECTS: ReadonlySet<MeasurementCode> = new Set();

/**
 * Sizes one wearer against one chart: the verdict of every part and of the whole, the
 * proposal and everything they rest on. Pure: the same chart and values always give the same
 * verdict.
 */
export function judge(
  compiled: CompiledChart,
  body: MeasuredBody,
  options: JudgeOptions = {},
): GarmentVerdict {
  const { sheet } = compiled;
  const preference = options.preference ?? 'regular';
  const rule = options.rule ?? sheet.rule;
  const values = new Arithmetic(compiled, body);
  const parts: PartVerdict[] = [];
  for (const plan of compiled.parts) {
    const offered = offeredPart(plan, values.outcomes);
    const part = {
      ...offered,
      rule: options.rule ?? offered.rule,
      key: offered.deciding.find(({ code }) => code === options.key)?.code ?? offered.key,
    };
    const verdict = judgePart({
      part,
      preference,
      edgeChance: options.edgeChance ?? EDGE_CHANCE,
      suspects: options.suspects ?? NO_SUSPECTS,
      valueOf: (column) => values.of(column),
    });
    parts.push(verdict);
    if (verdict.proposed !== null) values.comeTo(part.code, verdict.proposed);
  }

  const sizes = Object.fromEntries(values.outcomes);
  const label = labelOf(sheet, sizes);
  const notMade =
    label === null || isMade(sheet, sizes)
      ? null
      : { asked: label, nearest: nearestMade(sheet, sizes).map((made) => labelOf(sheet, made)!) };
  const worst = parts.reduce((one, other) => (rank(other.verdict) > rank(one.verdict) ? other : one));
  const combined = notMade !== null && rank(worst.verdict) < rank('not-made');
  const proposed = notMade === null ? label : null;
  return {
    verdict: combined ? 'not-made' : worst.verdict,
    proposed,
    sizes,
    parts,
    worst: combined ? null : worst.part,
    notMade: combined ? notMade : null,
    alternates: combined ? notMade.nearest : otherLabels(compiled, sizes, parts),
    derived: values.lines(),
    options: sheet.options
      .filter(({ when }) => when.some((condition) => values.holds(condition)))
      .map(({ name, adds }) => ({ name, adds })),
    takenOtherwise: takenOtherwise(compiled, body),
    cautions: [...new Set([KIND_CAUTIONS[sheet.kind], ...sheet.cautions])].filter((one) => one !== undefined),
    rule,
    preference,
  };
}

function rank(verdict: Verdict): number {
  return VERDICTS.indexOf(verdict);
}

/** Labels with one part changed to each of its alternates, made ones only. */
function otherLabels(
  { sheet }: CompiledChart,
  sizes: Readonly<Record<string, string>>,
  parts: readonly PartVerdict[],
): string[] {
  const labels = parts.flatMap(({ part, alternates }) =>
    alternates.flatMap((size) => {
      const changed = { ...sizes, [part]: size };
      const label = labelOf(sheet, changed);
      return label === null || !isMade(sheet, changed) ? [] : [label];
    }),
  );
  const proposed = labelOf(sheet, sizes);
  return [...new Set(labels)].filter((label) => label !== proposed);
}

/** Measurements of this chart that were taken otherwise than it expects. */
function takenOtherwise({ expects }: CompiledChart, body: MeasuredBody): TakenOtherwise[] {
  return [...expects.values()].flatMap(({ code, tension, clothing }): TakenOtherwise[] => {
    const taken = body.get(code);
    if (taken === undefined) return [];
    const differs = <Way>(wanted: Way | null, way: Way | undefined) =>
      wanted !== null && way !== undefined && way !== wanted;
    if (!differs(tension, taken.tension) && !differs(clothing, taken.clothing)) return [];
    return [
      {
        code,
        wanted: { tension, clothing },
        taken: { tension: taken.tension ?? null, clothing: taken.clothing ?? null },
      },
    ];
  });
}

/** The values of one wearer as a chart takes them: rounded as it says, derived, and with what parts came to. */
class Arithmetic {
  /** The size each part came to. */
  readonly outcomes = new Map<string, string>();
  private derived: ReadonlyMap<DerivedCode, Derived<Length>> | null = null;
  private spreads: ReadonlyMap<DerivedCode, Derived<Spread>> | null = null;

  constructor(
    private readonly compiled: CompiledChart,
    private readonly body: MeasuredBody,
  ) {}

  /** A part came to a size; what rests on it is derived anew. */
  comeTo(part: string, size: string): void {
    this.outcomes.set(part, size);
    if (this.compiled.sheet.parts.some(({ values }) => values !== null)) this.derived = this.spreads = null;
  }

  /** What a column has to go by: its own value, or the first of what may stand in for it. */
  of(column: CompiledColumn): ColumnValue {
    const own = this.valueOf(column.code);
    if (own.value !== null || own.problem.code !== 'missing') return own;
    for (const code of column.instead) {
      const other = this.valueOf(code);
      if (other.value !== null) return { ...other, estimatedFrom: code };
    }
    return own;
  }

  lines(): GarmentVerdict['derived'] {
    return this.compiled.sheet.derivations.map(({ code, name }) => ({ ...this.lengths().get(code)!, name }));
  }

  holds({ of, is, length }: Condition): boolean {
    const { value } = this.valueOf(of);
    if (value === null) return false;
    if (is === 'above') return value > length;
    if (is === 'below') return value < length;
    return is === 'at-least' ? value >= length : value <= length;
  }

  private valueOf(code: ColumnCode): ColumnValue {
    if (!isDerivedCode(code)) {
      const [value, spread] = [this.reading(code), this.spread(code)];
      if (value === undefined || spread === undefined)
        return { value: null, problem: { code: 'missing', readings: [code] } };
      const estimatedFrom = this.body.get(code)?.assumed === true ? code : null;
      return { value, spread, estimatedFrom, readings: [code] };
    }
    const one = this.lengths().get(code)!;
    if (one.result === null) return { value: null, problem: one.problem! };
    this.spreads ??= derive(
      this.compiled.sheet.derivations,
      spreadAlgebra(
        (reading) => this.spread(reading),
        (part) => this.sizeOf(part),
      ),
    );
    // Arithmetic that holds for the value may break off for its spread only in theory; then it is taken as exact.
    const spread = this.spreads.get(code)!.result;
    return {
      value: one.result,
      spread: spread ?? readingSpread(one.readings[0]!, one.result, 0),
      estimatedFrom: null,
      readings: one.readings,
    };
  }

  private lengths(): ReadonlyMap<DerivedCode, Derived<Length>> {
    return (this.derived ??= derive(
      this.compiled.sheet.derivations,
      lengthAlgebra(
        (code) => this.reading(code),
        (part) => this.sizeOf(part),
      ),
    ));
  }

  /** A measurement as the chart takes it: rounded, where it says so. */
  private reading(code: MeasurementCode): Length | undefined {
    const value = this.body.get(code)?.value;
    const rounding = this.compiled.expects.get(code)?.rounding ?? null;
    return value === undefined || rounding === null ? value : (roundLength(value, rounding) ?? undefined);
  }

  private spread(code: MeasurementCode): Spread | undefined {
    const one = this.body.get(code);
    if (one === undefined) return undefined;
    // What is assumed stands for any value, so it has no error of its own to weigh.
    const error = one.assumed === true ? 0 : (one.standardError ?? measurement(code).standardError);
    const spread = readingSpread(code, one.value, error);
    const rounding = this.compiled.expects.get(code)?.rounding ?? null;
    return rounding === null ? spread : roundSpread(spread, rounding);
  }

  private sizeOf(part: string): Length | undefined {
    const size = this.outcomes.get(part);
    const sized = this.compiled.sheet.parts.find(({ code }) => code === part);
    if (size === undefined || sized === undefined) return undefined;
    return sized.values?.[sized.sizes.indexOf(size)];
  }
}
