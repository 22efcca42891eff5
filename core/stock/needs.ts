import type { Keeping } from './keeping';

/** What is known of one article before it is ordered. */
export interface Supply {
  /** So many wearers have this size, and not the garment. */
  readonly wanted: number;
  /** On shelves, to be handed out. */
  readonly there: number;
  /** Ordered, and not here yet. */
  readonly coming: number;
  /** The minimum stock. */
  readonly minimum: number;
}

/** What is to be ordered of one article: for wearers, to fill the shelf up to its least, and spares. */
export interface Need {
  readonly forWearers: number;
  readonly forShelf: number;
  readonly spares: number;
}

/**
 * What is to be ordered of one article. What is in stock goes to wearers first; the shelf is filled up to its
 * least from what is left; spares are so many of every hundred ordered for wearers, rounded up, and at least
 * so many where any are.
 *
 * @example needOf({ wanted: 10, there: 4, coming: 0, minimum: 3 }, { sparePercent: 10, spareLeast: 1 }) // { forWearers: 6, forShelf: 3, spares: 1 }
 */
export function needOf(
  { wanted, there, coming, minimum }: Supply,
  { sparePercent, spareLeast }: Pick<Keeping, 'sparePercent' | 'spareLeast'>,
): Need {
  const have = there + coming;
  const forWearers = Math.max(0, wanted - have);
  const forShelf = Math.max(0, minimum - Math.max(0, have - wanted));
  const spares = forWearers === 0 ? 0 : Math.max(spareLeast, Math.ceil((forWearers * sparePercent) / 100));
  return { forWearers, forShelf, spares };
}

/**
 * How many are to be ordered in all.
 *
 * @example totalOf({ forWearers: 6, forShelf: 3, spares: 1 }) // 9
 */
export function totalOf({ forWearers, forShelf, spares }: Need): number {
  // What fills the shelf is a spare as well.
  return forWearers + Math.max(forShelf, spares);
}
