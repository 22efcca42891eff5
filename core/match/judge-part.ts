import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import type { CompiledColumn, CompiledPart } from '../chart/compile-chart';
import type { ColumnCode } from '../chart/column-code';
import type { DeriveProblem } from '../chart/arithmetic/derived';
import type { FitPreference, HouseRule } from '../chart/chart-shape';
import { micrometres, type Length } from '../quantity/length';
import { preferenceOf, type PartPlacer } from './kernel/part-placer';
import { nearestChange } from './nearest-change';
import { LISTED_CHANCE } from './odds/odds';
import { leanedFrom, pastEdge } from './at-edges';
import { commonSizes, place, type Placement } from './placement';
import {
  type Alteration,
  type PartVerdict,
  type PlacedMeasurement,
  type Reason,
  type SizeChance,
  type Verdict,
} from './verdict';

/** What a column has to go by: a value, or why there is none. */
export type ColumnValue =
  | {
      /** The column it is the value of: its own, or what stands in. */
      readonly code: ColumnCode;
      readonly value: Length;
      /** The column it was estimated from, where it is not its own. */
      readonly estimatedFrom: ColumnCode | null;
      /** What was read, where it counts for another measurement by a custom of the trade. */
      readonly from?: MeasurementCode | undefined;
      readonly readings: readonly MeasurementCode[];
    }
  | { readonly value: null; readonly problem: DeriveProblem };

/** What the kernel found of a part. */
export interface PartFacts {
  readonly part: CompiledPart;
  readonly rule: HouseRule;
  readonly verdict: Verdict;
  readonly size: string | null;
  /** One a deciding column. */
  readonly values: readonly ColumnValue[];
  /** One an advisory column. */
  readonly advisory: readonly ColumnValue[];
  readonly placer: PartPlacer;
}

/** What a part's account is given with. */
export interface PartContext {
  readonly preference: FitPreference;
  readonly edgeChance: number;
  /** Measurements that failed a check and were not confirmed. */
  readonly suspects: ReadonlySet<MeasurementCode>;
  /** One probability a size, then that of no size; `null` where they were not asked for. */
  readonly odds: { readonly sizes: readonly string[]; readonly chances: Float64Array } | null;
  /** The same with what was recorded right on a bound moved off it: what the tape's error does besides. */
  readonly beyond: PartContext['odds'];
  /** The standard error of what a column goes by, in micrometres. */
  readonly errorOf: (code: ColumnCode) => number;
  readonly partName: (code: string) => string;
  /** Whether the odds weigh a measurement of this part that nobody took. */
  readonly unmeasured: boolean;
  /** The step that what a column goes by is rounded to; 1 where it is taken as it is. */
  readonly stepOf: (code: ColumnCode) => number;
}

/** What is done to a size that holds more, or less, than was measured; or what is wrong with it. */
const DOES = {
  altered: {
    girth: { less: 'take-in', more: 'let-out' },
    length: { less: 'shorten', more: 'lengthen' },
  },
  never: {
    girth: { less: 'too-large', more: 'too-small' },
    length: { less: 'too-long', more: 'too-short' },
  },
} as const;

type Known = Extract<ColumnValue, { value: Length }>;

/**
 * The account of one part: what the kernel found, with the reason, the placements, the odds, and
 * what else might be chosen or would change it.
 */
export function judgePart(facts: PartFacts, context: PartContext): PartVerdict {
  const { part, rule, size: proposed } = facts;
  const label = (column: CompiledColumn, known: Known, placement: Placement) =>
    labelled(part, column, known, placement, context.errorOf(known.code));
  const placed = part.deciding.flatMap((column, index) => placeKnown(column, facts.values[index]!));
  const placements = placed.map(({ column, known, placement }) => label(column, known, placement));
  const advisory = part.advisory.flatMap((column, index) =>
    placeKnown(column, facts.advisory[index]!).map(({ known, placement }) => label(column, known, placement)),
  );
  const bare = placed.map(({ placement }) => placement);
  // Written out each time: copying a common part is what took longest when lists are sized.
  const broken = whyNot(facts, context, bare);
  if (broken !== null)
    return {
      part: part.code,
      name: part.name,
      verdict: broken.verdict,
      proposed: null,
      reason: broken,
      sizes: part.sizes,
      placements,
      advisory,
      odds: [],
      alternates: [],
      alterations: [],
      change: null,
      rule,
    };

  const odds = listOdds(context);
  const reason = explain(facts, context, bare, placements, odds);
  const single = reason.verdict === 'settled' || reason.verdict === 'edge';
  return {
    part: part.code,
    name: part.name,
    verdict: reason.verdict,
    proposed,
    reason,
    sizes: part.sizes,
    placements,
    advisory,
    odds,
    alternates: alternates(part, bare, proposed, odds, reason),
    alterations:
      proposed === null ? [] : alterations(part, [...placements, ...advisory], part.sizes.indexOf(proposed)),
    change: single && context.odds !== null ? nearestChange(part, facts.placer, placements) : null,
    rule,
  };
}

function placeKnown(
  column: CompiledColumn,
  value: ColumnValue,
): { column: CompiledColumn; known: Known; placement: Placement }[] {
  return value.value === null ? [] : [{ column, known: value, placement: place(column, value.value) }];
}

function labelled(
  part: CompiledPart,
  column: CompiledColumn,
  { estimatedFrom, from }: Known,
  placement: Placement,
  standardError: number,
): PlacedMeasurement {
  const label = (size: number | null) => (size === null ? null : part.sizes[size]!);
  const { code, value, where, toEdge } = placement;
  return {
    code,
    name: from === undefined ? column.name : measurement(from).name,
    foot: column.foot,
    value,
    standardError,
    where,
    sizes: placement.containing.map((size) => part.sizes[size]!),
    below: label(placement.below),
    above: label(placement.above),
    toEdge,
    estimatedFrom,
  };
}

/** Why no size can be given yet, or at all, before placements are even compared. */
function whyNot(
  { part, values, verdict }: PartFacts,
  { suspects, partName }: PartContext,
  placed: readonly Placement[],
): Extract<Reason, { verdict: 'suspect' | 'incomplete' | 'beyond' }> | null {
  const problems = values.flatMap((value) => (value.value === null ? [value.problem] : []));
  const possible = () => stillPossible(part, placed).map((size) => part.sizes[size]!);
  if (verdict === 'suspect') {
    const used = values.flatMap((value) => (value.value === null ? [] : value.readings));
    const unmet = problems.find((problem) => problem.code === 'requirement');
    const doubted = [...new Set([...used, ...(unmet?.readings ?? [])])].filter((code) => suspects.has(code));
    return {
      verdict,
      suspects: doubted.length > 0 ? doubted : (unmet?.readings ?? []),
      possible: possible(),
      requirement: unmet?.because ?? null,
    };
  }
  if (verdict === 'incomplete') {
    const waits = problems.find((problem) => problem.code === 'waits');
    return {
      verdict,
      missing: [
        ...new Set(problems.flatMap((problem) => (problem.code === 'missing' ? problem.readings : []))),
      ],
      possible: possible(),
      waitsFor: waits === undefined ? null : partName(waits.part),
    };
  }
  if (problems.length === 0) return null;
  const without = problems.find((problem) => problem.code === 'no-size');
  return {
    verdict: 'beyond',
    outside: [],
    offScale: part.deciding.flatMap(({ name }, index) => {
      const value = values[index]!;
      return value.value === null && value.problem.code === 'off-scale' ? [name] : [];
    }),
    without: without === undefined ? null : partName(without.part),
  };
}

/** What the measurements taken so far leave open: the sizes all of them accept, or all that any of them asks for. */
function stillPossible(part: CompiledPart, placed: readonly Placement[]): number[] {
  if (placed.length === 0) return part.sizes.map((_, size) => size);
  const common = commonSizes(placed);
  if (common.length > 0) return common;
  const named = new Set(placed.flatMap(({ containing, below, above }) => [...containing, below, above]));
  return part.sizes.flatMap((_, size) => (named.has(size) ? [size] : []));
}

function listOdds({ odds }: PartContext): SizeChance[] {
  if (odds === null) return [];
  return [...odds.sizes, null]
    .map((size, index) => ({ size, chance: odds.chances[index]! }))
    .filter(({ chance }) => chance >= LISTED_CHANCE)
    .sort((a, b) => b.chance - a.chance);
}

function explain(
  { part, rule, verdict, size: proposed, placer }: PartFacts,
  { edgeChance, preference, beyond, stepOf, unmeasured }: PartContext,
  placed: readonly Placement[],
  placements: readonly PlacedMeasurement[],
  odds: readonly SizeChance[],
): Exclude<Reason, { verdict: 'suspect' | 'incomplete' }> {
  switch (verdict) {
    case 'beyond':
      return {
        verdict,
        outside: placements.filter(({ where }) => where === 'below' || where === 'above'),
        offScale: [],
        without: null,
      };
    case 'between':
      return { verdict, gaps: placements.filter(({ where }) => where === 'gap'), rule, pick: proposed };
    case 'split':
      return { verdict, says: placements, rule, pick: proposed };
    case 'overlap':
      return {
        verdict,
        sizes: commonSizes(placed).map((size) => part.sizes[size]!),
        preference: preferenceOf(part, preference),
        pick: proposed!,
        along: part.deciding.every((column) => column.along === 'length') ? 'length' : 'girth',
      };
    default: {
      const size = proposed!;
      const tightest = tightestOf(placements);
      const leaned = leanedFrom(part, rule, placed, placements, size);
      if (leaned !== null)
        return { verdict: 'settled', size, tightest: leaned.by, leaned: { from: leaned.from, preference } };
      const rival = odds.find((one) => one.size !== size);
      if (rival === undefined || rivalChance(beyond, size) < edgeChance) {
        const past = pastEdge(part, placer, placements, placements.indexOf(tightest), size, stepOf);
        return { verdict: 'settled', size, tightest, ...(past === undefined ? {} : { past }) };
      }
      return {
        verdict: 'edge',
        size,
        neighbour: rival.size,
        chance: rival.chance,
        tightest,
        ...(unmeasured ? { unmeasured } : {}),
      };
    }
  }
}

/** How likely another size than this is, or none. */
function rivalChance(beyond: PartContext['odds'], size: string): number {
  if (beyond === null) return 0;
  const own = beyond.sizes.indexOf(size);
  return Math.max(...beyond.chances.filter((_, at) => at !== own));
}

/** The measurement that is fewest standard errors away from an edge: the one that could move the size. */
function tightestOf(placements: readonly PlacedMeasurement[]): PlacedMeasurement {
  const room = ({ toEdge, standardError }: PlacedMeasurement) =>
    toEdge === null ? Infinity : standardError > 0 ? toEdge / standardError : Number.MAX_VALUE;
  return placements.reduce((tightest, one) => (room(one) < room(tightest) ? one : tightest));
}

function alternates(
  part: CompiledPart,
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
      for (const size of [...containing, below, above]) if (size !== null) named.add(part.sizes[size]!);
  }
  // Chances too small for an edge are still worth offering when nothing else is.
  if (named.size === 0) odds.filter(({ chance }) => chance >= 0.01).forEach(({ size }) => named.add(size));
  named.delete(proposed);
  return part.sizes.filter((size) => named.has(size));
}

/**
 * What would have to be changed on some size of a part, whichever it is, so that it goes with what was
 * measured: what choosing it means.
 *
 * @param part with the sizes that are offered
 * @returns nothing for a size that goes as it is, and for one that is not among them
 * @example alterationsIn(onlyPart(compileChart(jacket.sheet)), judgeOne(docket, jacket, house).parts[0], 'L').map(({ does, by }) => [does, by]) // [['take-in', cm(3.75)], ['take-in', cm(5)]]
 */
export function alterationsIn(
  part: Pick<CompiledPart, 'sizes' | 'deciding' | 'advisory' | 'altered'>,
  { placements, advisory }: Pick<PartVerdict, 'placements' | 'advisory'>,
  size: string,
): Alteration[] {
  const at = part.sizes.indexOf(size);
  return at < 0 ? [] : alterations(part, [...placements, ...advisory], at);
}

/**
 * What would have to be changed on a size so that it goes with every measurement; of what is never altered, what is
 * wrong with it.
 */
function alterations(
  { deciding, advisory, altered }: Pick<CompiledPart, 'deciding' | 'advisory' | 'altered'>,
  placements: readonly PlacedMeasurement[],
  size: number,
): Alteration[] {
  return placements.flatMap(({ code, name, value }): Alteration[] => {
    const column = [...deciding, ...advisory].find((one) => one.code === code)!;
    const { from, until, lower, upper } = column.intervals[size]!;
    if (from <= value && value < until) return [];
    const small = value < from;
    const by = small ? (lower ?? from) - value : value - (upper ?? until);
    const does = DOES[altered ? 'altered' : 'never'][column.along][small ? 'less' : 'more'];
    return [
      { code, name, foot: column.foot, does, by: micrometres(Math.max(0, by)), holds: { lower, upper } },
    ];
  });
}
