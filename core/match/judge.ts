import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import type { CompiledChart, RuleOverride } from '../chart/compile-chart';
import type { FitPreference } from '../chart/size-chart';
import type { Length } from '../quantity/length';
import { sizeOdds, type Measured } from './odds';
import { place, type Placement } from './placement';
import { commonSizes, propose, standing } from './propose';
import type { GarmentVerdict, PlacedMeasurement, Reason, SizeChance } from './verdict';

/** The values of one wearer by measurement. An error of its own replaces the catalogue's. */
export type MeasuredBody = ReadonlyMap<
  MeasurementCode,
  { readonly value: Length; readonly standardError?: number }
>;

/** A size inside its edges is still an `edge` case when another is at least this likely. */
export const EDGE_CHANCE = 0.1;

const NO_SUSPECTS: ReadonlySet<MeasurementCode> = new Set();

/** Chances below this are not listed. */
const LISTED_CHANCE = 0.001;

/**
 * Sizes one wearer against one chart: the verdict, the proposal and everything they rest on.
 * Pure: the same chart and values always give the same verdict.
 *
 * @param suspects measurements that failed a check and were not confirmed
 */
export function judge(
  compiled: CompiledChart,
  body: MeasuredBody,
  override: RuleOverride = {},
  suspects: ReadonlySet<MeasurementCode> = NO_SUSPECTS,
): GarmentVerdict {
  const chart: CompiledChart = {
    ...compiled,
    rule: override.rule ?? compiled.rule,
    key: override.key ?? compiled.key,
  };
  const preference = override.preference ?? 'regular';
  const measured = chart.deciding.map(({ code }) => withError(code, body));
  const placed = chart.deciding.flatMap((column, index) => {
    const one = measured[index];
    return one === undefined ? [] : [{ ...place(column, one.value), standardError: one.standardError }];
  });
  const placements = placed.map((placement) => labelled(chart, placement));
  const base = { placements, rule: chart.rule, preference };

  const doubted = chart.deciding.map(({ code }) => code).filter((code) => suspects.has(code));
  const missing = chart.deciding.filter((_, index) => measured[index] === undefined).map(({ code }) => code);
  if (doubted.length > 0 || missing.length > 0) {
    const possible = stillPossible(chart, placed).map((size) => chart.sizes[size]!);
    const reason: Reason =
      doubted.length > 0
        ? { verdict: 'suspect', suspects: doubted, possible }
        : { verdict: 'incomplete', missing, possible };
    return { ...base, verdict: reason.verdict, proposed: null, reason, odds: [], alternates: [] };
  }

  const odds = listOdds(chart, measured as Measured[], preference);
  const size = propose(chart, placed, preference);
  const proposed = size === null ? null : chart.sizes[size]!;
  const reason = explain(chart, placed, placements, proposed, odds, preference);
  return {
    ...base,
    verdict: reason.verdict,
    proposed,
    reason,
    odds,
    alternates: alternates(chart, placed, proposed, odds, reason),
  };
}

function withError(code: MeasurementCode, body: MeasuredBody): Measured | undefined {
  const one = body.get(code);
  if (one === undefined) return undefined;
  return { value: one.value, standardError: one.standardError ?? measurement(code).standardError };
}

function labelled(chart: CompiledChart, placement: Placement & { standardError: number }): PlacedMeasurement {
  const label = (size: number | null) => (size === null ? null : chart.sizes[size]!);
  const { code, value, standardError, where, toEdge } = placement;
  const sizes = placement.containing.map((size) => chart.sizes[size]!);
  return {
    code,
    value,
    standardError,
    where,
    sizes,
    below: label(placement.below),
    above: label(placement.above),
    toEdge,
  };
}

/** What the measurements taken so far leave open: the sizes all of them accept, or all that any of them asks for. */
function stillPossible(chart: CompiledChart, placed: readonly Placement[]): number[] {
  if (placed.length === 0) return chart.sizes.map((_, size) => size);
  const common = commonSizes(placed);
  if (common.length > 0) return common;
  const named = new Set(placed.flatMap(({ containing, below, above }) => [...containing, below, above]));
  return chart.sizes.flatMap((_, size) => (named.has(size) ? [size] : []));
}

function listOdds(
  chart: CompiledChart,
  measured: readonly Measured[],
  preference: FitPreference,
): SizeChance[] {
  const { sizes, none } = sizeOdds(chart, measured, preference);
  return [
    ...sizes.map((chance, size) => ({ size: chart.sizes[size]! as string | null, chance })),
    { size: null, chance: none },
  ]
    .filter(({ chance }) => chance >= LISTED_CHANCE)
    .sort((a, b) => b.chance - a.chance);
}

function explain(
  chart: CompiledChart,
  placed: readonly Placement[],
  placements: readonly PlacedMeasurement[],
  proposed: string | null,
  odds: readonly SizeChance[],
  preference: FitPreference,
): Reason {
  switch (standing(placed)) {
    case 'beyond':
      return {
        verdict: 'beyond',
        outside: placements.filter(({ where }) => where === 'below' || where === 'above'),
      };
    case 'between':
      return {
        verdict: 'between',
        gaps: placements.filter(({ where }) => where === 'gap'),
        rule: chart.rule,
        pick: proposed,
      };
    case 'split':
      return { verdict: 'split', says: placements, rule: chart.rule, pick: proposed };
    case 'overlap':
      return {
        verdict: 'overlap',
        sizes: commonSizes(placed).map((size) => chart.sizes[size]!),
        preference,
        pick: proposed!,
      };
    case 'one': {
      const size = proposed!;
      const tightest = tightestOf(placements);
      const rival = odds.find((one) => one.size !== size);
      if (rival === undefined || rival.chance < EDGE_CHANCE) return { verdict: 'settled', size, tightest };
      return { verdict: 'edge', size, neighbour: rival.size, chance: rival.chance, tightest };
    }
  }
}

/** The measurement that is fewest standard errors away from an edge: the one that could move the size. */
function tightestOf(placements: readonly PlacedMeasurement[]): PlacedMeasurement {
  const room = ({ toEdge, standardError }: PlacedMeasurement) =>
    toEdge === null ? Infinity : standardError > 0 ? toEdge / standardError : Number.MAX_VALUE;
  return placements.reduce((tightest, one) => (room(one) < room(tightest) ? one : tightest));
}

function alternates(
  chart: CompiledChart,
  placed: readonly Placement[],
  proposed: string | null,
  odds: readonly SizeChance[],
  reason: Reason,
): string[] {
  const named = new Set<string | null>();
  if (reason.verdict === 'edge') named.add(reason.neighbour);
  else if (reason.verdict === 'overlap') reason.sizes.forEach((size) => named.add(size));
  else if (reason.verdict !== 'settled') {
    for (const { containing, below, above } of placed)
      for (const size of [...containing, below, above]) if (size !== null) named.add(chart.sizes[size]!);
  }
  // Chances too small for an edge are still worth offering when nothing else is.
  if (named.size === 0) odds.filter(({ chance }) => chance >= 0.01).forEach(({ size }) => named.add(size));
  named.delete(proposed);
  return chart.sizes.filter((size) => named.has(size));
}
