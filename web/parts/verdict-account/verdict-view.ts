import {
  decidingPart,
  offeredPart,
  type ChartSheet,
  type ColumnCode,
  type GarmentVerdict,
  type Interval,
  type PartVerdict,
  type PlacedMeasurement,
  compiled,
} from '@neat-measure/core';

/** One ruler of a garment: a measurement, or something derived, on the sizes of its part. */
export interface RulerRow {
  readonly key: string;
  readonly partCode: string;
  /** The part's name, where the garment has several. */
  readonly part: string;
  readonly code: ColumnCode;
  readonly name: string;
  readonly sizes: readonly string[];
  readonly intervals: readonly Interval[];
  readonly reading: PlacedMeasurement | null;
  readonly candidates: readonly string[];
  /** Feet stay in millimetres. */
  readonly foot: boolean;
  /** Whether the part has come to one size. */
  readonly settled: boolean;
}

/** The rulers of a garment as its parts stand now: those a part goes by, as another part's outcome leaves them. */
export function rulersOf(sheet: ChartSheet, verdict: GarmentVerdict): RulerRow[] {
  const outcomes = new Map(Object.entries(verdict.sizes));
  return compiled(sheet).parts.flatMap((plan) => {
    const part = offeredPart(plan, outcomes);
    const said = verdict.parts.find((one) => one.part === part.code)!;
    const candidates = candidatesOf(said);
    const [first, end] = windowOf(part.sizes, candidates);
    return part.deciding.map((column) => ({
      key: `${part.code} ${column.code}`,
      partCode: part.code,
      part: sheet.parts.length === 1 ? '' : part.name,
      code: column.code,
      name: column.name,
      sizes: part.sizes.slice(first, end),
      intervals: column.intervals.slice(first, end),
      reading: said.placements.find(({ code }) => code === column.code) ?? null,
      candidates,
      foot: column.foot,
      settled: said.verdict === 'settled',
    }));
  });
}

/** The most sizes a ruler can show with their labels, and how many are kept on either side of the candidates. */
const MOST_LABELLED = 13;
const BESIDE = 3;

/** A long scale is shown about its candidates, so that its labels can be read. */
function windowOf(sizes: readonly string[], candidates: readonly string[]): readonly [number, number] {
  const at = candidates.map((size) => sizes.indexOf(size)).filter((index) => index >= 0);
  if (sizes.length <= MOST_LABELLED || at.length === 0) return [0, sizes.length];
  return [Math.max(0, Math.min(...at) - BESIDE), Math.min(sizes.length, Math.max(...at) + BESIDE + 1)];
}

/** The sizes of a part still in the running; none where nothing has been read that could tell. */
export function candidatesOf({
  reason,
  placements,
  proposed,
  alternates,
  verdict,
}: PartVerdict): readonly string[] {
  if (reason.verdict === 'incomplete' || reason.verdict === 'suspect')
    return placements.length === 0 ? [] : reason.possible;
  if (verdict === 'beyond') return [];
  if (proposed === null) return alternates;
  return verdict === 'settled' ? [proposed] : [proposed, ...alternates];
}

/** What stands for a garment in one word or two: its label, both where it is near or in between, or how far it has narrowed. */
export function shortOutcome(verdict: GarmentVerdict): string {
  const { proposed, alternates } = verdict;
  switch (verdict.verdict) {
    case 'beyond':
      return 'made to measure';
    case 'not-made':
      return `${verdict.notMade!.asked} not made`;
    case 'between': {
      // Both sizes beside the gap, the smaller first, whatever the rule picks.
      const { reason } = decidingPart(verdict);
      if (verdict.parts.length > 1 || reason.verdict !== 'between') return proposed ?? '';
      return [...new Set(reason.gaps.flatMap(({ below, above }) => [below, above]))].join(' | ');
    }
    case 'edge': {
      const other = alternates[0];
      if (verdict.parts.length > 1 || other === undefined) return proposed ?? '';
      return proposed === null ? alternates.join(' | ') : `${proposed} | ${other}`;
    }
    case 'incomplete':
    case 'suspect':
      return leftOf(verdict);
    default:
      return proposed ?? '';
  }
}

function leftOf({ parts, verdict }: GarmentVerdict): string {
  if (verdict === 'suspect') return '';
  const open = parts.filter(({ proposed }) => proposed === null);
  const [only] = parts;
  if (parts.length > 1) return `${parts.length - open.length} of ${parts.length} parts`;
  return only?.reason.verdict === 'incomplete' ? `${only.reason.possible.length} left` : '';
}
