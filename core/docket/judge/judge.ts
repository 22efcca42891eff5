import type { MeasurementCode } from '../../body/catalogue/codes';
import { openSuspicions, suspectCodes } from '../../capture/checks/confirmations';
import type { Suspicion } from '../../capture/checks/checks';
import { compileChart, type CompiledChart } from '../../chart/compile-chart';
import type { ChartSheet, FitPreference, HouseRule } from '../../chart/chart-shape';
import { sheetAsChosen } from '../../chart/choices';
import { codesRead } from '../../chart/size-chart';
import { alwaysTheSame } from '../../foresight/foresee';
import { expectedValue } from '../../foresight/plausible-bodies';
import { judge, type JudgeOptions, type MeasuredBody, type MeasuredValue } from '../../match/judge';
import { sizesAfterTrial, type SizesAfterTrial } from '../../fit/sizes-after-trial';
import { withExpected } from '../../match/expected';
import { withFullerHip } from '../../match/fuller-hip';
import type { GarmentVerdict } from '../../match/verdict';
import type { Length } from '../../quantity/length';
import { garmentOn, isClosing, passedStep, standingDecision, type Decision, type Docket } from '../docket';
import { asTrials, trialsOf } from '../fitting/fitting';
import { houseCautions, houseRuleFor, type Habits } from '../habits';
import { meantByMakers } from './customs';
import { expectedFor } from './expected-for';
import { settle } from './settle';
import type { Library, LibraryChart } from '../library';

/** A garment of a docket with its verdict now and what was decided last. */
export interface JudgedGarment<Chart extends LibraryChart = LibraryChart> {
  readonly chart: Chart;
  readonly verdict: GarmentVerdict;
  readonly decision: Decision | null;
}

/** What the values of a docket come to. */
export interface JudgedDocket<Chart extends LibraryChart = LibraryChart> {
  readonly garments: readonly JudgedGarment<Chart>[];
  readonly values: ReadonlyMap<MeasurementCode, Length>;
  /** What does not hang together and nobody has confirmed. */
  readonly suspicions: readonly Suspicion[];
  /** Steps passed over because no value could change a size, of which that is no longer so: they are open again. */
  readonly openAgain: readonly MeasurementCode[];
}

/** What a garment of a docket is judged by besides its chart. */
export interface Ruling {
  /** In the place of the chart's; `undefined` for its own. */
  readonly rule: HouseRule | undefined;
  readonly preference: FitPreference;
  readonly edgeChance: number;
  readonly houseCautions: readonly string[];
}

/**
 * The garment's own rule before the house's, and that before the chart's; the garment's own fit before the docket's.
 *
 * @example rulingOf(docket, jacket, house).preference // 'regular'
 */
export function rulingOf(docket: Docket, { id, sheet }: LibraryChart, habits: Habits): Ruling {
  const garment = garmentOn(docket, id);
  const house = houseRuling(sheet, habits);
  return {
    ...house,
    rule: garment?.rule ?? house.rule,
    preference: garment?.preference ?? docket.preference,
  };
}

/**
 * What a house has any garment of a chart judged by.
 *
 * @example houseRuling(jacket.sheet, { ...house, rules: { jacket: 'closest' } }).rule // 'closest'
 */
export function houseRuling(sheet: ChartSheet, habits: Habits): Omit<Ruling, 'preference'> {
  return {
    rule: houseRuleFor(habits, sheet),
    edgeChance: habits.edgePercent / 100,
    houseCautions: houseCautions(habits, sheet),
  };
}

/**
 * A chart as a docket has it: with what was chosen there of what the chart leaves to be chosen.
 *
 * @example asChosenOn(docket, jacket).sheet === jacket.sheet // true
 */
export function asChosenOn<Chart extends LibraryChart>(docket: Docket, chart: Chart): Chart {
  const sheet = sheetAsChosen(chart.sheet, garmentOn(docket, chart.id)?.chosen ?? {});
  if (sheet === chart.sheet) return chart;
  const known = AS_CHOSEN.get(sheet) ?? { ...chart, sheet };
  AS_CHOSEN.set(sheet, known);
  return known as Chart;
}

const AS_CHOSEN = new WeakMap<ChartSheet, LibraryChart>();

/**
 * Judges every garment of a docket by the values that stand. Server and screen both call this, so
 * that what the fitter saw and what is kept are the same computation.
 *
 * @example judgeDocket(docket, { charts: [jacket], habits: house }).garments.map(({ verdict }) => verdict.proposed) // ['M']
 */
export function judgeDocket<Chart extends LibraryChart>(
  docket: Docket,
  library: Pick<Library<Chart>, 'charts' | 'habits'>,
): JudgedDocket<Chart> {
  const basis = basisOf(docket, library.habits);
  const charts = docket.garments.flatMap(({ chartId }) => library.charts.filter(({ id }) => id === chartId));
  const judged = charts.map((found) => {
    const chart = asChosenOn(docket, found);
    const idle = idleFor(docket, chart, basis);
    const decision = standingDecision(docket, chart.id);
    return { chart, decision, idle, verdict: judgedOn(docket, chart, basis, idle).verdict };
  });
  return {
    garments: judged.map(({ chart, verdict, decision }) => ({ chart, verdict, decision })),
    values: basis.values,
    suspicions: basis.suspicions,
    openAgain: [
      ...new Set(judged.flatMap(({ decision, idle }) => (isClosing(decision) ? [] : idle.openAgain))),
    ],
  };
}

/**
 * The verdict on one garment of a docket, as `judgeDocket` gives it.
 *
 * @example judgeOne(docket, jacket, house).verdict // 'settled'
 */
export function judgeOne(docket: Docket, found: LibraryChart, habits: Habits): GarmentVerdict {
  const chart = asChosenOn(docket, found);
  const basis = basisOf(docket, habits);
  return judgedOn(docket, chart, basis, idleFor(docket, chart, basis)).verdict;
}

/**
 * How likely each size of a garment is by what was read and by what was seen of the sizes that were put on.
 *
 * @example sizesAfterTrials(worn, jacket, house).odds[0].label // 'M'
 */
export function sizesAfterTrials(docket: Docket, found: LibraryChart, habits: Habits): SizesAfterTrial {
  const chart = asChosenOn(docket, found);
  const whole = bodyBehind(docket, chart, habits);
  const trials = asTrials(trialsOf(docket, chart.id));
  return sizesAfterTrial(compiled(chart.sheet), whole, rulingOf(docket, chart, habits), trials);
}

/**
 * What a garment of a docket is judged by: what was read, and what stands for what was passed over.
 *
 * @param chart as it is chosen on the docket
 * @example bodyBehind(docket, jacket, house).get('waist-girth').value === cm(85) // true
 */
export function bodyBehind(docket: Docket, chart: LibraryChart, habits: Habits): MeasuredBody {
  const basis = basisOf(docket, habits);
  return judgedOn(docket, chart, basis, idleFor(docket, chart, basis)).body;
}

/** What the garments of a docket are judged by: its values, and which of them are in doubt. */
export interface Basis {
  readonly habits: Habits;
  readonly body: MeasuredBody;
  readonly values: ReadonlyMap<MeasurementCode, Length>;
  readonly suspicions: readonly Suspicion[];
  /** Measurements that failed a check and were not confirmed. */
  readonly suspects: ReadonlySet<MeasurementCode>;
}

/**
 * What the readings of a docket come to, for all of its garments.
 *
 * @example [...basisOf(docket, house).values.keys()] // ['chest-girth', 'waist-girth']
 */
export function basisOf({ readings, confirmations }: Docket, habits: Habits): Basis {
  const settled = settle(readings, habits);
  const body = meantByMakers(settled);
  const values = new Map([...settled].map(([code, { value }]) => [code, value]));
  const suspicions = openSuspicions(values, confirmations);
  return { habits, body, values, suspicions, suspects: suspectCodes(suspicions) };
}

interface Idle {
  /** Passed over as idle, and still so for this garment. */
  readonly holding: readonly MeasurementCode[];
  readonly openAgain: readonly MeasurementCode[];
}

const NO_IDLE: Idle = { holding: [], openAgain: [] };

/**
 * Asks again, of the steps passed over because no plausible value could change a size, whether that
 * is still so for a garment: a reading since may have changed what it rested on.
 */
function idleFor(docket: Docket, chart: LibraryChart, { habits, body }: Basis): Idle {
  const { sheet } = chart;
  const codes = codesOf(sheet).filter((code) => !body.has(code) && passedStep(docket, code)?.idle === true);
  if (codes.length === 0) return NO_IDLE;
  const ruling = rulingOf(docket, chart, habits);
  const known = new Map([...body].map(([code, { value }]) => [code, value]));
  const same = remembered(SAME, sheet, [ruling, codes, [...known]], () =>
    alwaysTheSame({ chart: compiled(sheet), ...ruling }, known),
  );
  return same ? { holding: codes, openAgain: [] } : { holding: [], openAgain: codes };
}

/** What a garment is judged by, and what that comes to. */
interface Judged {
  readonly body: MeasuredBody;
  readonly verdict: GarmentVerdict;
}

/**
 * Judges a garment by what was read and by what stands for what was not. A step passed over because nothing could come
 * of it stands at what the rest leads one to expect, and is marked so; any other plausible value would have given the
 * same size. One that is not to be had does not decide: the odds weigh what is expected of it.
 */
function judgedBy(
  docket: Docket,
  chart: LibraryChart,
  { habits, body, values, suspects }: Basis,
  idle: readonly MeasurementCode[],
  expected?: JudgeOptions['expected'],
): Judged {
  const { sheet } = chart;
  const ruling = rulingOf(docket, chart, habits);
  const assumed = idle.map((code) => [code, { value: expectedValue(values, code), assumed: true }] as const);
  const codes = codesOf(sheet);
  const whole = withFullerHip(new Map<MeasurementCode, MeasuredValue>([...body, ...assumed]), codes);
  // What counts for another brings its own doubts along.
  const doubted = new Set(
    codes.filter((code) => suspects.has(code) || suspects.has(whole.get(code)?.from ?? code)),
  );
  const on = [codes.map((code) => [whole.get(code), doubted.has(code)]), [...(expected ?? [])]];
  const memory = expected === undefined ? VERDICTS : ESTIMATED;
  const verdict = remembered(memory, sheet, [ruling, on], () =>
    judge(compiled(sheet), whole, { ...ruling, suspects: doubted, expected }),
  );
  return { body: withExpected(whole, expected), verdict };
}

/** The verdict, and the body it is judged by: with what is expected only where everything else is there. */
function judgedOn(docket: Docket, chart: LibraryChart, basis: Basis, { holding }: Idle): Judged {
  const judged = judgedBy(docket, chart, basis, holding);
  const expected = expectedFor(docket, chart.sheet, judged.verdict, basis.values);
  return expected === undefined ? judged : judgedBy(docket, chart, basis, holding, expected);
}

/**
 * The last answer of each chart and what it rested on: a reading changes only those garments that
 * go by it, so the others of a docket are not judged, or drawn, again.
 */
type Memory<Answer> = WeakMap<ChartSheet, { readonly on: string; readonly answer: Answer }>;
const VERDICTS: Memory<GarmentVerdict> = new WeakMap();
const ESTIMATED: Memory<GarmentVerdict> = new WeakMap();
const SAME: Memory<boolean> = new WeakMap();

function remembered<Answer>(
  memory: Memory<Answer>,
  sheet: ChartSheet,
  basis: unknown,
  answer: () => Answer,
): Answer {
  const on = JSON.stringify(basis);
  const last = memory.get(sheet);
  if (last?.on === on) return last.answer;
  const found = answer();
  memory.set(sheet, { on, answer: found });
  return found;
}

const CODES = new WeakMap<ChartSheet, readonly MeasurementCode[]>();

/** What a chart reads, found once for as long as its sheet lives. */
function codesOf(sheet: ChartSheet): readonly MeasurementCode[] {
  const known = CODES.get(sheet) ?? codesRead(sheet);
  CODES.set(sheet, known);
  return known;
}

const COMPILED = new WeakMap<ChartSheet, CompiledChart>();

/**
 * A chart compiled, once for as long as its sheet lives: it is judged by at every key.
 *
 * @example compiled(jacket.sheet) === compiled(jacket.sheet) // true
 */
export function compiled(sheet: ChartSheet): CompiledChart {
  const known = COMPILED.get(sheet) ?? compileChart(sheet);
  COMPILED.set(sheet, known);
  return known;
}
