/** A Map takes some sixteen million entries; well before that another is begun. */
const MOST_IN_ONE = 8_000_000;
/** A text cut out of a longer one keeps that whole in memory from this length on (V8). */
export const CUT_OUT_FROM = 13;

/** On which line each id of a list stood first. Every id is kept as it is, so that no two are taken for one. */
export class SeenIds {
  private readonly maps: Map<string, number>[] = [new Map()];

  /** The line an id stood on first; `undefined` for one not met yet. */
  get(id: string): number | undefined {
    for (const map of this.maps) {
      const line = map.get(id);
      if (line !== undefined) return line;
    }
    return undefined;
  }

  /** Keeps the line of an id that was not met yet. */
  set(id: string, line: number): void {
    if (this.maps.at(-1)!.size >= MOST_IN_ONE) this.maps.push(new Map());
    this.maps.at(-1)!.set(id.length < CUT_OUT_FROM ? id : [...id].join(''), line);
  }
}
