/** What a count of one article in one compartment found, against the list of movements. */
export interface CountLine {
  readonly articleId: string;
  readonly counted: number;
  /** By the movements; told only once it was counted. */
  readonly listed: number;
}

/** Where a count found otherwise than the list says: each of these is explained before it is put right. */
export function differencesOf(lines: readonly CountLine[]): readonly CountLine[] {
  return lines.filter(({ counted, listed }) => counted !== listed);
}

/** What is listed in a place and was not counted at all: as if none had been found. */
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
