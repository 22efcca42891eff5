import type { TakenFrom } from '@neat-measure/core';

/** For what is handed over without the stores. */
export const WITHOUT_STORES = 'without-stores';

/** Where a garment comes from that is handed over: a room of the stores and a piece in it, or not from there. */
export type Source = TakenFrom | typeof WITHOUT_STORES;

/** Somewhere a garment can come from, as it is chosen. */
export interface SourceChoice {
  readonly value: Source;
  readonly label: string;
  /** What is said where it was chosen and is not there any more. */
  readonly gone: string;
}

/** Whether two are the same source; what the stores tell anew is told in new objects. */
export function sameSource(one: Source | null | undefined, other: Source | null | undefined): boolean {
  const [a, b] = [takenFrom(one), takenFrom(other)];
  if (a === undefined || b === undefined) return (one ?? null) === (other ?? null);
  return a.roomId === b.roomId && a.pieceId === b.pieceId;
}

/** What is taken from the stores; nothing of what is handed over without them, or of which nothing is chosen. */
export function takenFrom(source: Source | null | undefined): TakenFrom | undefined {
  return source === null || source === undefined || source === WITHOUT_STORES ? undefined : source;
}
