/** What a chart says of some wearers in a row. The arrays are used again for the next. */
export interface RollSizes {
  /** The first wearer, and how many there are. */
  readonly from: number;
  readonly count: number;
  /** One a wearer, the verdict and the size of the first part in one word: `verdictIn` and `sizeIn` take it apart. */
  readonly answers: Uint16Array;
  /** The sizes of the parts after the first by their index, -1 for none. */
  readonly furtherSizes: readonly Int16Array[];
}

/** How many wearers are taken at a time: what they need stays in a core's own cache. */
export const AT_ONCE = 8_192;
