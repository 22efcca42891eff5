/** What stands of a docket or muster, and what waits behind it. */
export interface InTurn<Act> {
  readonly standing: readonly Act[];
  readonly waiting: readonly Act[];
}

/**
 * Joins what the server has kept with what this device did and does not know to be kept. A stream that was away may tell of an
 * act before it is known that one done here before it was kept, too: that one would come to stand behind it, and a reading that
 * was taken back would count again. So from the first act on that is not known to be kept, all that was done here after it waits,
 * in the order it was done.
 *
 * @param kept what the server has kept, in the order it was let in
 * @param done what was done here and is not crossed out yet, in the order it was done
 */
export function inTurn<Kept extends { readonly id: string }, Done extends Kept>(
  kept: readonly Kept[],
  done: readonly Done[],
): InTurn<Kept> {
  const known = new Set(kept.map(({ id }) => id));
  const first = done.findIndex(({ id }) => !known.has(id));
  if (first < 0) return { standing: kept, waiting: [] };
  const waiting = done.slice(first);
  const waits = new Set(waiting.map(({ id }) => id));
  // Nothing of it is kept yet: what stands is the same list, and nothing that follows from it is done again.
  if (!waiting.some(({ id }) => known.has(id))) return { standing: kept, waiting };
  return { standing: kept.filter(({ id }) => !waits.has(id)), waiting };
}
