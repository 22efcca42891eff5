import type { MeasurementCode } from '../body/catalogue/codes';
import type { CompiledColumn, CompiledPart } from '../chart/compile-chart';
import type { ColumnCode } from '../chart/column-code';
import type { DeriveProblem } from '../chart/derive';
import type { FitPreference } from '../chart/size-chart';
import { micrometres, type Length } from '../quantity/length';
import { place, type Placement } from './placement';
import { commonSizes, preferenceOf, propose, standing } from './propose';
import { sizeOdds } from './odds';
import type { Spread } from './spread';
import type { Alteration, PartVerdict, PlacedMeasurement, Reason, SizeChance } from './verdict';

/** What a column has to go by: a value with its spread, or why there is none. */
export type ColumnValue =
  | {
      readonly value: Length;
      readonly spread: Spread;
      /** The column it was estimated from, where it is not its own. */
      readonly estimatedFrom: ColumnCode | null;
      readonly readings: readonly MeasurementCode[];
    }
  | { readonly value: null; readonly problem: DeriveProblem };

/** A size inside its edges is still an `edge` case when another is at least this likely. */
export const EDGE_CHANCE = 0.1;
/** Chances below this are not listed. */
const LISTED_CHANCE = 0.001;

/** What a part is judged by. */
export interface PartCase {
  readonly part: CompiledPart;
  readonly preference: FitPreference;
  readonly edgeChance: number;
  /** Measurements that failed a check and were not confirmed. */
  readonly suspects: ReadonlySet<MeasurementCode>;
  readonly valueOf: (column: CompiledColumn) => ColumnValue;
}

type Known = Extract<ColumnValue, { spread: Spread }>;

/**
 * Sizes one wearer against one part. In this order: something it rests on is suspect, missing,
 * or past the maker's own table; then how the placements stand together.
 */
export function judgePart(asked: PartCase): PartVerdict {
  const { part, preference } = asked;
  const values = part.deciding.map((column) => asked.valueOf(column));
  const placed = part.deciding.flatMap((column, index) => placeKnown(column, values[index]!));
  const placements = placed.map(({ column, known, placement }) => labelled(part, column, known, placement));
  const advisory = part.advisory.flatMap((column) =>
    placeKnown(column, asked.valueOf(column)).map(({ known, placement }) =>
      labelled(part, column, known, placement),
    ),
  );
  const liked = preferenceOf(part, preference);
  const base = {
    part: part.code,
    name: part.name,
    sizes: part.sizes,
    placements,
    advisory,
    rule: part.rule,
  };

  const broken = whyNot(
    asked,
    values,
    placed.map(({ placement }) => placement),
  );
  if (broken !== null)
    return {
      ...base,
      verdict: broken.verdict,
      proposed: null,
      reason: broken,
      odds: [],
      alternates: [],
      alterations: [],
    };

  const knowns = placed.map(({ known }) => known);
  const odds = listOdds(part, knowns, preference);
  const bare = placed.map(({ placement }) => placement);
  const size = propose(part, bare, preference);
  const proposed = size === null ? null : part.sizes[size]!;
  const reason = explain(asked, bare, placements, proposed, odds, liked);
  return {
    ...base,
    verdict: reason.verdict,
    proposed,
    reason,
    odds,
    alternates: alternates(part, bare, proposed, odds, reason),
    alterations:
      size === null
        ? []
        : alterations([...part.deciding, ...part.advisory], [...placements, ...advisory], size),
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
  { spread, estimatedFrom }: Known,
  placement: Placement,
): PlacedMeasurement {
  const label = (size: number | null) => (size === null ? null : part.sizes[size]!);
  const { code, value, where, toEdge } = placement;
  return {
    code,
    name: column.name,
    foot: column.foot,
    value,
    standardError: spread.standardError,
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
  { part, suspects }: PartCase,
  values: readonly ColumnValue[],
  placed: readonly Placement[],
): Extract<Reason, { verdict: 'suspect' | 'incomplete' | 'beyond' }> | null {
  const problems = values.flatMap((value) => (value.value === null ? [value.problem] : []));
  const possible = () => stillPossible(part, placed).map((size) => part.sizes[size]!);
  const used = values.flatMap((value) => (value.value === null ? [] : value.readings));
  const unmet = problems.find((problem) => problem.code === 'requirement');
  const doubted = [...new Set([...used, ...(unmet?.readings ?? [])])].filter((code) => suspects.has(code));
  if (doubted.length > 0 || unmet !== undefined)
    return {
      verdict: 'suspect',
      suspects: doubted.length > 0 ? doubted : unmet!.readings,
      possible: possible(),
      requirement: unmet?.because ?? null,
    };
  const missing = problems.flatMap((problem) => (problem.code === 'missing' ? problem.readings : []));
  const waits = problems.find((problem) => problem.code === 'waits');
  if (missing.length > 0 || waits !== undefined)
    return {
      verdict: 'incomplete',
      missing: [...new Set(missing)],
      possible: possible(),
      waitsFor: waits?.part ?? null,
    };
  if (problems.length > 0)
    return {
      verdict: 'beyond',
      outside: [],
      offScale: part.deciding.flatMap(({ name }, index) => (values[index]!.value === null ? [name] : [])),
    };
  return null;
}

/** What the measurements taken so far leave open: the sizes all of them accept, or all that any of them asks for. */
function stillPossible(part: CompiledPart, placed: readonly Placement[]): number[] {
  if (placed.length === 0) return part.sizes.map((_, size) => size);
  const common = commonSizes(placed);
  if (common.length > 0) return common;
  const named = new Set(placed.flatMap(({ containing, below, above }) => [...containing, below, above]));
  return part.sizes.flatMap((_, size) => (named.has(size) ? [size] : []));
}

function listOdds(part: CompiledPart, known: readonly Known[], preference: FitPreference): SizeChance[] {
  const measured = known.map(({ value, spread }) => ({ value, below: spread.below }));
  const { sizes, none } = sizeOdds(part, measured, preference);
  return [
    ...sizes.map((chance, size) => ({ size: part.sizes[size]! as string | null, chance })),
    { size: null, chance: none },
  ]
    .filter(({ chance }) => chance >= LISTED_CHANCE)
    .sort((a, b) => b.chance - a.chance);
}

function explain(
  { part, edgeChance }: PartCase,
  placed: readonly Placement[],
  placements: readonly PlacedMeasurement[],
  proposed: string | null,
  odds: readonly SizeChance[],
  preference: FitPreference,
): Exclude<Reason, { verdict: 'suspect' | 'incomplete' }> {
  const { rule } = part;
  switch (standing(placed)) {
    case 'beyond':
      return {
        verdict: 'beyond',
        outside: placements.filter(({ where }) => where === 'below' || where === 'above'),
        offScale: [],
      };
    case 'between':
      return {
        verdict: 'between',
        gaps: placements.filter(({ where }) => where === 'gap'),
        rule,
        pick: proposed,
      };
    case 'split':
      return { verdict: 'split', says: placements, rule, pick: proposed };
    case 'overlap':
      return {
        verdict: 'overlap',
        sizes: commonSizes(placed).map((size) => part.sizes[size]!),
        preference,
        pick: proposed!,
      };
    case 'one': {
      const size = proposed!;
      const tightest = tightestOf(placements);
      const rival = odds.find((one) => one.size !== size);
      if (rival === undefined || rival.chance < edgeChance) return { verdict: 'settled', size, tightest };
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

/** What would have to be changed on a size so that it goes with every measurement. */
function alterations(
  columns: readonly CompiledColumn[],
  placements: readonly PlacedMeasurement[],
  size: number,
): Alteration[] {
  return placements.flatMap(({ code, name, value }): Alteration[] => {
    const column = columns.find((one) => one.code === code)!;
    const { from, until, lower, upper } = column.intervals[size]!;
    if (from <= value && value < until) return [];
    const small = value < from;
    const by = small ? (lower ?? from) - value : value - (upper ?? until);
    const girth = column.along === 'girth';
    const does = small ? (girth ? 'take-in' : 'shorten') : girth ? 'let-out' : 'lengthen';
    return [
      { code, name, foot: column.foot, does, by: micrometres(Math.max(0, by)), holds: { lower, upper } },
    ];
  });
}
