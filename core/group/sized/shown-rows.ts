import { FLAGS } from '../../match/verdict';
import { sizedOne, type SizedGarment, type SizedOne, type Sizing } from './sizing';

/** What of a group is looked at. */
export const SHOWS = ['all', 'flagged', 'doubtful', 'certain', 'unknown', 'decided', 'in-hand'] as const;
export type Shows = (typeof SHOWS)[number];

/** Less likely than so a size is in doubt. A working value of ours. */
export const DOUBT = 0.9;

/** Which rows are wanted. */
export interface RowFilter {
  /** One garment, by its place; `null` for any. */
  readonly garment: number | null;
  readonly shows: Shows;
  /** Whoever lies between these two sizes of the garment; `null` for everybody. */
  readonly between: SizePair | null;
}

/** Two sizes of a garment, by place among its labels, the smaller first. */
export type SizePair = readonly [number, number];

/**
 * The chance of the size that is proposed or decided; `null` where there is none.
 *
 * @example chanceOfSize({ verdict: 'edge', stands: 'open', size: 'M', odds: [{ label: 'M', chance: 0.7 }], others: [] }) // 0.7
 */
export function chanceOfSize({ size, odds }: SizedOne): number | null {
  return size === null ? null : (odds.find(({ label }) => label === size)?.chance ?? 0);
}

/**
 * Whether one of a group in a garment is what is looked at.
 *
 * @example isShown({ verdict: 'between', stands: 'open', size: 'L', odds: [], others: ['M'] }, 'flagged') // true
 */
export function isShown(one: SizedOne, shows: Shows): boolean {
  const isOpen = one.stands === 'open';
  const isUnknown = one.verdict === 'incomplete' || one.verdict === 'suspect';
  switch (shows) {
    case 'all':
      return true;
    case 'flagged':
      return isOpen && FLAGS.includes(one.verdict);
    case 'doubtful':
      return isOpen && !isUnknown && (chanceOfSize(one) ?? 0) < DOUBT;
    case 'certain':
      return isOpen && !FLAGS.includes(one.verdict) && (chanceOfSize(one) ?? 0) >= DOUBT;
    case 'unknown':
      return isOpen && isUnknown;
    case 'decided':
      return one.stands === 'decided' || one.stands === 'made-to-measure';
    case 'in-hand':
      return one.stands === 'in-hand';
  }
}

/**
 * Between which two sizes somebody lies: the two that are likeliest theirs, or the proposal and the first other one.
 *
 * @returns `null` for whoever has one size for certain, or is decided
 * @example pairOf(keptGarment({ chartId: 'c', seriesId: 's', version: 1, garment: 'Jacket', maker: 'Ostrel', protects: false }, ['M', 'L'], [{ size: inGroup(judgeOne(docket, jacket, house)), stands: 'open', decided: null }]), 0) // null
 */
export function pairOf({ odds, others, sizes, stands }: SizedGarment, row: number): SizePair | null {
  if (stands[row] !== 0) return null;
  const kept = odds[row] ?? [];
  const likeliest = kept.filter((_, at) => at % 2 === 0).slice(0, 2);
  const own = [...new Set([...likeliest, sizes[row]!, ...(others[row] ?? [])])].filter((at) => at >= 0);
  const [one, other] = own;
  return one === undefined || other === undefined ? null : [Math.min(one, other), Math.max(one, other)];
}

/**
 * The rows of a sizing that are wanted, in their order.
 *
 * @example shownRows({ habits: 1, wearerIds: [], docketIds: [], rests: [], acts: [], garments: [] }, { garment: null, shows: 'all', between: null }) // []
 */
export function shownRows({ wearerIds, garments }: Sizing, { garment, shows, between }: RowFilter): number[] {
  const asked = garment === null ? garments : garments.slice(garment, garment + 1);
  const isWanted = (one: SizedGarment, row: number): boolean => {
    const sized = sizedOne(one, row);
    if (sized === null || !isShown(sized, shows)) return false;
    if (between === null) return true;
    const pair = pairOf(one, row);
    return pair !== null && pair[0] === between[0] && pair[1] === between[1];
  };
  return wearerIds.flatMap((id, row) => {
    if (id === '') return [];
    if (garment === null && shows === 'all') return [row];
    return asked.some((one) => isWanted(one, row)) ? [row] : [];
  });
}

/**
 * The pairs of sizes that somebody lies between, with how many do, the commonest first.
 *
 * @param rows whose
 * @example pairsAmong(keptGarment({ chartId: 'c', seriesId: 's', version: 1, garment: 'Jacket', maker: 'Ostrel', protects: false }, ['M', 'L'], []), []) // []
 */
export function pairsAmong(
  garment: SizedGarment,
  rows: readonly number[],
): { readonly pair: SizePair; readonly count: number }[] {
  const counts = new Map<string, { pair: SizePair; count: number }>();
  for (const row of rows) {
    const pair = pairOf(garment, row);
    if (pair === null) continue;
    const one = counts.get(pair.join()) ?? { pair, count: 0 };
    counts.set(pair.join(), { pair, count: one.count + 1 });
  }
  return [...counts.values()].sort(
    (one, other) => other.count - one.count || one.pair[0] - other.pair[0] || one.pair[1] - other.pair[1],
  );
}
