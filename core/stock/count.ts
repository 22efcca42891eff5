/** What a count of one article in one compartment found, against the list of movements. */
export interface CountLine {
  readonly articleId: string;
  readonly counted: number;
  /** By the movements as they were when the count was sent; told only then. */
  readonly listed: number;
}

/**
 * By how much the stock is corrected: pieces to add where it is above nought, to take off where it is
 * below. What moved after the count was sent is no difference of it, so this is the same whenever it is asked.
 *
 * @example correctionOf({ articleId: 'gloves-9', counted: 4, listed: 5 }) // -1
 */
export function correctionOf({ counted, listed }: CountLine): number {
  return counted - listed;
}

/**
 * Where a count found otherwise than the list says: each of these is explained before the stock is corrected.
 *
 * @example differencesOf([{ articleId: 'gloves-9', counted: 5, listed: 5 }, { articleId: 'gloves-10', counted: 2, listed: 3 }]).length // 1
 */
export function differencesOf(lines: readonly CountLine[]): readonly CountLine[] {
  return lines.filter(({ counted, listed }) => counted !== listed);
}

/**
 * What is listed in a place and was not counted at all: as if none had been found.
 *
 * @example withUncounted(new Map([['gloves-9', 4]]), new Map([['gloves-9', 5], ['gloves-10', 2]])).map(({ articleId, counted }) => [articleId, counted]) // [['gloves-9', 4], ['gloves-10', 0]]
 */
export function withUncounted(
  counted: ReadonlyMap<string, number>,
  listed: ReadonlyMap<string, number>,
): readonly CountLine[] {
  const ids = new Set([...counted.keys(), ...listed.keys()]);
  return [...ids].map((articleId) => ({
    articleId,
    counted: counted.get(articleId) ?? 0,
    listed: listed.get(articleId) ?? 0,
  }));
}
