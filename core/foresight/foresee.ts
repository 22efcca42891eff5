import type { MeasurementCode } from '../body/catalogue/codes';
import type { CompiledChart } from '../chart/compile-chart';
import type { FitPreference, HouseRule } from '../chart/chart-shape';
import { Kernel } from '../match/kernel/kernel';
import { plausibleBodies, type Known, type Random } from './plausible-bodies';

/** A garment that is not decided yet, as the docket has it sized. */
export interface OpenGarment {
  readonly chart: CompiledChart;
  readonly preference: FitPreference;
  /** In the place of the chart's own, where the docket says so. */
  readonly rule?: HouseRule | undefined;
}

/** What each step that is still open can do. */
export interface Foresight {
  /** How much of the doubt about all sizes a step is expected to take away, in bits; the most first. */
  readonly steps: readonly { readonly code: MeasurementCode; readonly bits: number }[];
  /** Steps that no plausible value of can change any verdict any more. */
  readonly idle: readonly MeasurementCode[];
}

/** How many plausible bodies are looked at. */
export const BODIES = 600;
/** A step's values are looked at in this many equally likely stretches. */
const STRETCHES = 8;

/**
 * Looks ahead: sizes many plausible bodies that go with what has been measured, and asks of
 * every step that is still open how much knowing it would narrow the sizes (the expected
 * reduction of entropy), and whether it can change anything at all. The bodies come from the
 * statistics of 507, so this ranks and offers; it never decides.
 *
 * @param known what has been measured
 * @param open the steps that have no value yet, in the order of the plan
 * @example foresee([{ chart: compileChart(jacket.sheet), preference: 'regular' }], new Map(), ['height', 'chest-girth'], steadyRandom(1)).steps.map(({ code }) => code) // ['chest-girth', 'height']
 */
export function foresee(
  garments: readonly OpenGarment[],
  known: Known,
  open: readonly MeasurementCode[],
  random: Random,
): Foresight {
  const bulk = garments.map(({ chart, preference, rule }) => new Kernel(chart, { preference, rule }, BODIES));
  const codes = [...new Set([...bulk.flatMap(({ codes: needed }) => needed), ...open])];
  const columns = plausibleBodies(known, codes, BODIES, random);
  const columnOf = (code: MeasurementCode) => columns[codes.indexOf(code)]!;
  const outcomes = bulk.map((chart) => outcomesOf(chart, chart.codes.map(columnOf)));
  const doubt = outcomes.map((one) => entropy(one, ALL));

  const steps = open.map((code) => {
    const asking = bulk.flatMap((chart, at) => (chart.codes.includes(code) ? [at] : []));
    const stretches = stretchesOf(columnOf(code));
    const bits = asking.reduce(
      (sum, at) =>
        sum + Math.max(0, doubt[at]! - mean(stretches.map((rows) => entropy(outcomes[at]!, rows)))),
      0,
    );
    const settled = asking.every((at) => new Set(outcomes[at]).size === 1);
    return { code, bits, idle: asking.length > 0 && settled };
  });
  return {
    steps: steps.map(({ code, bits }) => ({ code, bits })).sort((a, b) => b.bits - a.bits),
    idle: steps.filter(({ idle }) => idle).map(({ code }) => code),
  };
}

/**
 * Whether a garment comes to the same on every plausible body that goes with what is known: no step
 * that is open or was passed over can change it any more. The same bodies for the same values, on
 * server and screen.
 *
 * @example alwaysTheSame({ chart: compileChart(jacket.sheet), preference: 'regular' }, new Map([['chest-girth', cm(98)], ['waist-girth', cm(85)]])) // true
 */
export function alwaysTheSame({ chart, preference, rule }: OpenGarment, known: Known): boolean {
  const kernel = new Kernel(chart, { preference, rule }, BODIES);
  const columns = plausibleBodies(known, kernel.codes, BODIES, steadyRandom(STEADY));
  return new Set(outcomesOf(kernel, columns)).size === 1;
}

const STEADY = 42;

/**
 * Draws from 0 up to 1 that are the same for the same seed (a linear congruence, Numerical Recipes' constants, from memory).
 *
 * @example steadyRandom(7)() === steadyRandom(7)() // true
 */
export function steadyRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 4_294_967_296;
  };
}

const ALL = Array.from({ length: BODIES }, (_, row) => row);

/** What each body comes to, told apart by verdict and sizes. */
function outcomesOf(chart: Kernel, columns: readonly Float64Array[]): string[] {
  chart.take(columns, 0, BODIES);
  chart.run(BODIES);
  return ALL.map((row) => `${chart.verdicts[row]!} ${chart.parts.map(({ sizes }) => sizes[row]!).join()}`);
}

/** The rows in stretches of a value, equally many in each. */
function stretchesOf(values: Float64Array): number[][] {
  const sorted = [...ALL].sort((a, b) => values[a]! - values[b]!);
  const long = Math.ceil(sorted.length / STRETCHES);
  return Array.from({ length: STRETCHES }, (_, at) => sorted.slice(at * long, (at + 1) * long));
}

/** Entropy in bits of the outcomes of some rows, with the correction of Miller (1955) for few of them. */
function entropy(outcomes: readonly string[], rows: readonly number[]): number {
  const counts = new Map<string, number>();
  for (const row of rows) counts.set(outcomes[row]!, (counts.get(outcomes[row]!) ?? 0) + 1);
  let bits = (counts.size - 1) / (2 * rows.length * Math.LN2);
  for (const count of counts.values()) bits -= (count / rows.length) * Math.log2(count / rows.length);
  return bits;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, one) => sum + one, 0) / values.length;
}
