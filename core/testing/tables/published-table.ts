/** A table as a maker publishes it, and what a person understands of it. */
export interface PublishedTable {
  readonly what: string;
  /** The file, or what is pasted. */
  readonly text: string;
  /**
   * Of each table in it, line by line: `asks flat 1, flat 2` where a person would ask before taking it, `refused: …` with the
   * first sentence where it cannot be taken, else its sizes, with labels of other systems behind them.
   */
  readonly understood: readonly (readonly string[])[];
}
