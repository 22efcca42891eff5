import { sizedOne, type SizedGarment } from './sizing';

/** What is kept in reserve of a size: a share of what is wanted, and no fewer than so many. */
export interface SparesRule {
  readonly percent: number;
  readonly least: number;
  /** Sizes of which another number is kept, by label. */
  readonly bySize: Readonly<Record<string, number>>;
}

/** How many of one size. */
export interface TallyLine {
  readonly label: string;
  /** Of whom it is proposed or decided, and who have none in hand. */
  readonly wanted: number;
  /** Of those, whom it fits for certain or for whom it was decided. */
  readonly certain: number;
  /** By the odds: everybody counts for each size as far as it is likely theirs. */
  readonly expected: number;
  readonly spares: number;
}

/** How many of each size of a garment a group takes, and who gets none. */
export interface GarmentTally {
  readonly lines: readonly TallyLine[];
  /** Who have it in hand already, or have one made. */
  readonly served: number;
  /** For whom no size is made, or none that is proposed. */
  readonly without: number;
  /** Of whom something is missing or in doubt. */
  readonly unknown: number;
}

/** Verdicts under which nobody can say a size. */
const UNKNOWN: readonly string[] = ['incomplete', 'suspect'];

/** No spares. */
export const NO_SPARES: SparesRule = { percent: 0, least: 0, bySize: {} };

/**
 * How many of each size a group takes, of some of its wearers: what is decided counts whole, what is open by proposal and
 * by the odds.
 *
 * @param versions of one garment: what lies on a shelf is the same whichever version of its chart somebody was sized by
 * @param rows their places among the wearers; everybody without
 * @example tallyOf([keptGarment({ chartId: 'c', seriesId: 's', version: 1, garment: 'Jacket', maker: 'Ostrel', protects: false }, ['M', 'L'], [{ size: inGroup(judgeOne(docket, jacket, house)), stands: 'open', decided: null }])], { percent: 10, least: 0, bySize: {} }).lines[0] // { label: 'M', wanted: 1, certain: 1, expected: 1, spares: 1 }
 */
export function tallyOf(
  versions: readonly SizedGarment[],
  rule: SparesRule,
  rows: readonly number[] = (versions[0]?.verdicts ?? []).map((_, row) => row),
): GarmentTally {
  const labels = versions.flatMap((one) => one.labels);
  const lines = new Map(labels.map((label) => [label, { wanted: 0, certain: 0, expected: 0 }]));
  let [served, without, unknown] = [0, 0, 0];
  for (const one of rows.flatMap((row) => versions.flatMap((version) => sizedOne(version, row) ?? []))) {
    if (one.stands === 'in-hand' || one.stands === 'made-to-measure') {
      served += 1;
      continue;
    }
    // Beyond the range the nearest size is only a fallback: nobody orders it unasked.
    if (one.stands === 'open' && one.verdict === 'beyond') {
      without += 1;
      continue;
    }
    const isCertain = one.stands === 'decided' || (one.odds.length === 1 && one.odds[0]!.chance === 1);
    for (const { label, chance } of one.odds) if (label !== null) lines.get(label)!.expected += chance;
    if (one.size !== null) {
      const line = lines.get(one.size)!;
      line.wanted += 1;
      if (isCertain) line.certain += 1;
    } else if (UNKNOWN.includes(one.verdict)) unknown += 1;
    else without += 1;
  }
  return {
    lines: [...lines].map(([label, line]) => ({
      label,
      ...line,
      spares: sparesOf(rule, label, line.wanted),
    })),
    served,
    without,
    unknown,
  };
}

/**
 * How many of a size are kept in reserve. Of what nobody wants nothing is, unless the size is named.
 *
 * @example [sparesOf({ percent: 10, least: 1, bySize: { XL: 4 } }, 'M', 25), sparesOf({ percent: 10, least: 1, bySize: { XL: 4 } }, 'XL', 0)] // [3, 4]
 */
export function sparesOf({ percent, least, bySize }: SparesRule, label: string, wanted: number): number {
  const own = Object.hasOwn(bySize, label) ? bySize[label] : undefined;
  if (own !== undefined) return own;
  return wanted === 0 ? 0 : Math.max(least, Math.ceil((wanted * percent) / 100));
}
