import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import type { Clothing, Tension } from '../body/measurement';
import { isDerivedCode, type ColumnCode } from '../chart/column-code';
import { offeredPart, type CompiledChart, type CompiledPart } from '../chart/compile-chart';
import { garmentKind } from '../garment/kinds';
import { isMade, labelOf, nearestMade } from '../chart/label';
import type { Condition } from '../chart/chart-shape';
import { micrometres, type Length } from '../quantity/length';
import { asRecorded } from './odds/as-recorded';
import { derivedLines } from './derived-lines';
import { partsBy, withExpected, withoutColumns, type Expected } from './expected';
import { judgePart, type ColumnValue, type PartFacts } from './judge-part';
import { Kernel, type RuleOverride } from './kernel/kernel';
import { drawOdds, drawTogether, type Odds, type SizesTogether, type Weighed } from './odds/odds';
import { heldTo, onBounds } from './odds/on-bounds';
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
  /** Read for another measurement, which counts for this one by a custom of the trade. */
  readonly from?: MeasurementCode;
}

/** The values of one wearer. */
export type MeasuredBody = ReadonlyMap<MeasurementCode, MeasuredValue>;

/** What a docket says beyond the chart. */
export interface JudgeOptions extends RuleOverride {
  /** Measurements that failed a check and were not confirmed. */
  readonly suspects?: ReadonlySet<MeasurementCode> | undefined;
  /**
   * Deciding measurements that are not to be had, with what is expected of them: the rest decides, and the odds weigh
   * them with the spread of people of that build.
   */
  readonly expected?: ReadonlyMap<MeasurementCode, Expected> | undefined;
  /** How likely another size must be to make a size an `edge` case. */
  readonly edgeChance?: number | undefined;
  /** What the house says besides the cautions of the kind and the chart. */
  readonly houseCautions?: readonly string[] | undefined;
}

/** A size inside its edges is still an `edge` case when another is at least this likely. */
export const EDGE_CHANCE = 0.1;

/**
 * Sizes one wearer against one chart: the verdict of every part and of the whole, the
 * proposal and everything they rest on. Pure: the same chart and values always give the same
 * verdict.
 *
 * The kernel sizes a round of one, whose slots are then read for the account of it; the odds are
 * the same kernel's answers to drawn readings.
 *
 * @example judge(compileChart(jacket.sheet), new Map([['chest-girth', { value: cm(110.5) }], ['waist-girth', { value: cm(95) }]])).verdict // 'between'
 */
export function judge(
  compiled: CompiledChart,
  body: MeasuredBody,
  options: JudgeOptions = {},
): GarmentVerdict {
  const { expected } = options;
  const decides = expected === undefined ? compiled : withoutColumns(compiled, expected);
  const { judged } = kernelsOf(decides, options);
  const { drawn } = kernelsOf(compiled, options);
  for (const code of decides.arithmetic.readings.keys()) judged.input(code)[0] = body.get(code)?.value ?? NaN;
  judged.run(1, options.suspects);
  const readings = weighedReadings(compiled, withExpected(body, expected));
  const draws = (columns: readonly ColumnCode[], held?: ReadonlySet<MeasurementCode>) =>
    drawOdds(drawn, heldTo(held ?? NONE_HELD, readings), columns);
  return accountOf(judged, 0, body, options, {
    draws,
    unmeasured: expected === undefined ? NO_PARTS : partsBy(compiled, expected),
  });
}

/** How the odds of a wearer are come by. */
interface Draw {
  /** With how far off what these columns go by is. */
  readonly draws: (columns: readonly ColumnCode[], held?: ReadonlySet<MeasurementCode>) => Odds;
  /** The parts of which the odds weigh a measurement that does not decide, as nobody took it. */
  readonly unmeasured: ReadonlySet<string>;
}

/** The whole account of one wearer of a round that a kernel has run: what it found, with reasons. */
function accountOf(
  kernel: Kernel,
  row: number,
  body: MeasuredBody,
  options: JudgeOptions,
  draw: Draw,
): GarmentVerdict {
  const compiled = kernel.chart;
  const { sheet, arithmetic } = compiled;
  const { odds, ...finding } = findingOf(kernel, row, body, options, draw);
  const holds = ({ of, is, length }: Condition) => isHeld(kernel.values(of)[row]!, is, length);
  return {
    ...finding,
    odds: odds === null || finding.parts.some(({ odds: own }) => own.length === 0) ? [] : odds.labels,
    derived: arithmetic.derivations.map((plan) => derivedLines(plan, kernel, row)),
    options: sheet.options.filter(({ when }) => when.some(holds)).map(({ name, adds }) => ({ name, adds })),
    assumed: [
      ...kernel.codes.flatMap((code) =>
        body.get(code)?.assumed === true ? [{ code, value: body.get(code)!.value, give: null }] : [],
      ),
      ...[...(options.expected ?? [])].map(([code, { value, spread: give }]) => ({ code, value, give })),
    ],
    takenOtherwise: takenOtherwise(compiled, body),
    countedAs: kernel.codes.flatMap((code) => {
      const one = body.get(code);
      return one?.from === undefined ? [] : [{ code, from: one.from, value: one.value }];
    }),
    cautions: [
      ...new Set([garmentKind(sheet.kind).caution, ...sheet.cautions, ...(options.houseCautions ?? [])]),
    ].filter((one) => one !== null),
    rule: options.rule ?? sheet.rule,
    preference: options.preference ?? 'regular',
  };
}

/** What a verdict says and why, without what stands beside it. */
export type BareVerdict = Pick<
  GarmentVerdict,
  'verdict' | 'proposed' | 'sizes' | 'parts' | 'worst' | 'notMade' | 'alternates'
>;

/**
 * What a kernel found of one wearer of a round it has run, with the reasons.
 *
 * @param draw gives the odds; without it nothing is said of them, and what is inside one size is
 *   called settled however near its edge
 * @example ((kernel) => (drawReadings(kernel, weighedReadings(kernel.chart, bodyBehind(docket, jacket, house)), 0, 1), kernel.run(1), findingOf(kernel, 0, bodyBehind(docket, jacket, house), {}).verdict))(new Kernel(compileChart(jacket.sheet))) // 'settled'
 */
export function findingOf(
  kernel: Kernel,
  row: number,
  body: MeasuredBody,
  options: JudgeOptions,
  draw?: Draw,
): BareVerdict & { readonly odds: Odds | null } {
  const compiled = kernel.chart;
  kernel.runRest(row);
  const outcomes = new Map<string, string>();
  const facts = compiled.parts.map((plan, at) => {
    const one = partFacts(kernel, row, at, offeredPart(plan, outcomes), body, options);
    if (one.size !== null) outcomes.set(one.part.code, one.size);
    return one;
  });
  const sizes = Object.fromEntries(outcomes);
  const codes = placedCodes(facts);
  const odds = draw?.draws(codes) ?? null;
  const held = odds === null ? NONE_HELD : onBounds(kernel, row);
  const beyond = held.size === 0 ? odds : draw!.draws(codes, held);
  const parts = facts.map((one, at) =>
    judgePart(one, {
      preference: options.preference ?? 'regular',
      edgeChance: options.edgeChance ?? EDGE_CHANCE,
      suspects: options.suspects ?? NO_SUSPECTS,
      // By the whole part's sizes, of which this wearer may be offered some.
      odds: odds === null ? null : { sizes: compiled.parts[at]!.whole.sizes, chances: odds.parts[at]! },
      beyond: beyond === null ? null : { sizes: compiled.parts[at]!.whole.sizes, chances: beyond.parts[at]! },
      errorOf: (code) => errorOf(code, body, compiled) ?? odds?.deviations.get(code) ?? 0,
      stepOf: (code) => stepOf(compiled, code),
      unmeasured: draw?.unmeasured.has(one.part.code) === true,
      partName: (code) => compiled.sheet.parts.find((part) => part.code === code)!.name,
    }),
  );
  return { ...wholeOf(compiled, sizes, parts), sizes, parts, odds };
}

/** What of the verdict of a part the verdict of the whole rests on. */
export type PartBrief = Pick<PartVerdict, 'part' | 'verdict' | 'alternates'>;

/**
 * What a garment comes to by what its parts come to.
 *
 * @param sizes those of the parts that have one
 * @example wholeOf(compileChart(jacket.sheet), { size: 'M' }, [{ part: 'size', verdict: 'settled', alternates: ['L'] }]).alternates // ['L']
 */
export function wholeOf(
  compiled: CompiledChart,
  sizes: Readonly<Record<string, string>>,
  parts: readonly PartBrief[],
): Pick<GarmentVerdict, 'verdict' | 'proposed' | 'worst' | 'notMade' | 'alternates'> {
  const { sheet } = compiled;
  const label = labelOf(sheet, sizes);
  const notMade =
    label === null || isMade(sheet, sizes)
      ? null
      : { asked: label, nearest: nearestMade(sheet, sizes).map((made) => labelOf(sheet, made)!) };
  const worst = parts.reduce((one, other) => (rank(other.verdict) > rank(one.verdict) ? other : one));
  const combined = notMade !== null && rank(worst.verdict) < rank('not-made');
  return {
    verdict: combined ? 'not-made' : worst.verdict,
    proposed: notMade === null ? label : null,
    worst: combined ? null : worst.part,
    notMade: combined ? notMade : null,
    alternates: combined ? notMade.nearest : otherLabels(compiled, sizes, parts),
  };
}

/** Some parts of a garment, and how likely each of their sizes are together. */
export interface SomeParts {
  readonly parts: readonly PartVerdict[];
  /** Sizes by their place in the whole part, -1 for none. */
  readonly together: readonly SizesTogether[];
}

/**
 * Judges some parts of a chart that rest on no reading of the rest: each as `judge` does.
 *
 * @param codes what those parts rest on
 * @param at which parts, by their place in the chart
 * @example judgeSome(compileChart(jacket.sheet), bodyBehind(docket, jacket, house), new Set(['chest-girth', 'waist-girth']), [0]).parts[0].proposed // 'M'
 */
export function judgeSome(
  compiled: CompiledChart,
  body: MeasuredBody,
  codes: ReadonlySet<MeasurementCode>,
  at: readonly number[],
  options: JudgeOptions = {},
): SomeParts {
  const { judged, drawn } = kernelsOf(compiled, options);
  for (const code of compiled.arithmetic.readings.keys())
    judged.input(code)[0] = body.get(code)?.value ?? NaN;
  judged.run(1, options.suspects);
  // The others stay where they are, but each of these is drawn as it is with them.
  const readings = weighedReadings(compiled, body).map((one) =>
    codes.has(one.code) || one.standardError === 0 ? one : { ...one, standardError: Number.MIN_VALUE },
  );
  const { parts } = findingOf(judged, 0, body, options, {
    draws: (columns, held) => drawOdds(drawn, heldTo(held ?? NONE_HELD, readings), columns, false),
    unmeasured: NO_PARTS,
  });
  return { parts: at.map((part) => parts[part]!), together: drawTogether(drawn, readings, at) };
}

/** What the kernel found of one part for one wearer. */
function partFacts(
  kernel: Kernel,
  row: number,
  at: number,
  part: CompiledPart,
  body: MeasuredBody,
  options: JudgeOptions,
): PartFacts {
  const run = kernel.parts[at]!;
  const size = run.sizes[row]!;
  const valueOf = (code: ColumnCode) => columnValue(kernel, row, code, body);
  return {
    part,
    rule: options.rule ?? part.rule,
    verdict: VERDICTS[run.verdicts[row]!]!,
    size: size < 0 ? null : kernel.chart.parts[at]!.whole.sizes[size]!,
    values: part.deciding.map((_, column) => {
      const choice = run.choiceOf(column, row);
      const { code } = run.columns[column]!.choices[choice]!;
      const value = valueOf(code);
      return choice === 0 || value.value === null ? value : { ...value, estimatedFrom: code };
    }),
    advisory: part.advisory.map(({ code, standIns }) => firstKnown([code, ...standIns], valueOf)),
    placer: run.tableFor(row, kernel.parts).placer,
  };
}

function columnValue(kernel: Kernel, row: number, code: ColumnCode, body: MeasuredBody): ColumnValue {
  const value = kernel.values(code)[row]!;
  if (Number.isNaN(value)) return { value: null, problem: kernel.problem(code, row)! };
  const derived = isDerivedCode(code);
  const { derivationOf } = kernel.chart.arithmetic;
  return {
    code,
    value: micrometres(value),
    estimatedFrom: !derived && body.get(code)?.assumed === true ? code : null,
    readings: derived ? derivationOf.get(code)!.readings : [code],
    ...(derived ? {} : { from: body.get(code)?.from }),
  };
}

const NO_SUSPECTS: ReadonlySet<MeasurementCode> = new Set();
const NONE_HELD: ReadonlySet<MeasurementCode> = new Set();
const NO_PARTS: ReadonlySet<string> = new Set();

interface Kernels {
  readonly by: string;
  /** Sizes the wearer, a round of one. */
  readonly judged: Kernel;
  /** Sizes the draws. */
  readonly drawn: Kernel;
}

const KERNELS = new WeakMap<CompiledChart, Kernels>();

/** The chart at work under one ruling; the last one is kept, as a docket's ruling rarely changes. */
function kernelsOf(compiled: CompiledChart, { rule, key, preference }: RuleOverride): Kernels {
  const by = [rule, key, preference].join();
  const last = KERNELS.get(compiled);
  if (last?.by === by) return last;
  const ruling = { rule, key, preference };
  const kernels = { by, judged: new Kernel(compiled, ruling, 1), drawn: new Kernel(compiled, ruling) };
  KERNELS.set(compiled, kernels);
  return kernels;
}

function rank(verdict: Verdict): number {
  return VERDICTS.indexOf(verdict);
}

function firstKnown(codes: readonly ColumnCode[], valueOf: (code: ColumnCode) => ColumnValue): ColumnValue {
  const own = valueOf(codes[0]!);
  if (own.value !== null || own.problem.code !== 'missing') return own;
  for (const code of codes.slice(1)) {
    const other = valueOf(code);
    if (other.value !== null) return { ...other, estimatedFrom: code };
  }
  return own;
}

function isHeld(value: number, is: Condition['is'], length: number): boolean {
  if (is === 'above') return value > length;
  if (is === 'below') return value < length;
  return is === 'at-least' ? value >= length : value <= length;
}

/**
 * The readings a chart reads, with their own errors.
 *
 * @example weighedReadings(compileChart(jacket.sheet), bodyBehind(docket, jacket, house)).map(({ code }) => code) // ['chest-girth', 'waist-girth']
 */
export function weighedReadings(compiled: CompiledChart, body: MeasuredBody): Weighed[] {
  return [...compiled.arithmetic.readings.keys()].flatMap((code): Weighed[] => {
    const one = body.get(code);
    return one === undefined
      ? []
      : [asRecorded(compiled, { code, value: one.value, standardError: ownError(code, one) })];
  });
}

function ownError(code: MeasurementCode, { assumed, standardError }: MeasuredValue): number {
  // What is assumed stands for any value, so it has no error of its own to weigh.
  return assumed === true ? 0 : (standardError ?? measurement(code).standardError);
}

/** The error of a reading that is taken as it is; `undefined` for what is rounded or derived, which is drawn. */
function errorOf(code: ColumnCode, body: MeasuredBody, { expects }: CompiledChart): number | undefined {
  if (isDerivedCode(code) || (expects.get(code)?.rounding ?? null) !== null) return undefined;
  const one = body.get(code);
  return one === undefined ? undefined : ownError(code, one);
}

/** The step a reading is rounded to by its chart before it is looked up; 1 where it is taken as it is. */
function stepOf({ expects }: CompiledChart, code: ColumnCode): number {
  const rounding = isDerivedCode(code) ? null : (expects.get(code)?.rounding ?? null);
  return rounding === null || rounding.mode === 'down-to-offered' ? 1 : rounding.step;
}

function placedCodes(facts: readonly PartFacts[]): ColumnCode[] {
  const placed = facts.flatMap(({ values, advisory }) => [...values, ...advisory]);
  return [...new Set(placed.flatMap((one) => (one.value === null ? [] : [one.code])))];
}

/** Labels with one part changed to each of its alternates, made ones only. */
function otherLabels(
  { sheet }: CompiledChart,
  sizes: Readonly<Record<string, string>>,
  parts: readonly PartBrief[],
): string[] {
  const labels = parts.flatMap(({ part, alternates }) =>
    alternates.flatMap((size) => {
      const changed = { ...sizes, [part]: size };
      const label = labelOf(sheet, changed);
      return label === null || !isMade(sheet, changed) ? [] : [label];
    }),
  );
  return [...new Set(labels)];
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
