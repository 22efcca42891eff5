import type { Axis } from './axis';
import type { PartPlacer } from './part-placer';

/** A verdict (an index of `VERDICTS`) and a size in one word. */
export type Answer = number;

/** A part has at most two hundred sizes. */
const SIZE_BITS = 8;
const SIZE_MASK = (1 << SIZE_BITS) - 1;

/**
 * The verdict in an answer: an index of `VERDICTS`.
 *
 * @example VERDICTS[verdictIn(asAnswer(VERDICTS.indexOf('between'), -1))] // 'between'
 */
export function verdictIn(answer: Answer): number {
  return answer >> SIZE_BITS;
}

/** The index of the size in an answer, -1 for none. */
export function sizeIn(answer: Answer): number {
  return (answer & SIZE_MASK) - 1;
}

/**
 * A verdict (an index of `VERDICTS`) and a size (-1 for none) as an answer.
 *
 * @example sizeIn(asAnswer(3, 7)) // 7
 */
export function asAnswer(verdict: number, size: number): Answer {
  return (verdict << SIZE_BITS) | (size + 1);
}

/** From here on what is kept of a combination is no answer, and somebody in it must be asked. */
export const ASK = 0xfffe;
/** Nobody in it has been met yet; whoever is in it must be asked for themselves. */
const UNMET = 0xfffe;
const ASK_EACH = 0xffff;
/** A part of more combinations than this is not looked up. */
const MOST_COMBINATIONS = 1 << 16;

/**
 * What a part says of every combination of stretches, found out once and looked up from then on:
 * all whose values lie in the same stretches come to the same, but where a size rests on how near
 * a length is to something.
 */
export class PartTable {
  /** For each column, what every place of its axis adds to the number of a combination. */
  readonly strides: readonly Int32Array[];
  readonly combinations: number;
  private known: Uint16Array | null = null;
  private numbers = new Int32Array(0);

  /**
   * @param sizes where each size of the part stands among those of the whole part
   * @param axes one a column
   */
  constructor(
    readonly placer: PartPlacer,
    private readonly sizes: Int16Array,
    axes: readonly Axis[],
  ) {
    let stride = 1;
    this.strides = placer.columns.map((column, at) => {
      const own = stride;
      stride *= column.points.length + 2;
      return axes[at]!.stretchesOf(column).map((stretch) => stretch * own);
    });
    this.combinations = stride;
  }

  /** Places one wearer whose values are all known. */
  place(values: Float64Array): Answer {
    this.placer.place(values);
    const { verdict, size } = this.placer;
    return asAnswer(verdict, size < 0 ? -1 : this.sizes[size]!);
  }

  /** Whether it has so few combinations that it can be looked up. */
  get canBeLookedUp(): boolean {
    return this.combinations <= MOST_COMBINATIONS;
  }

  /** What is known of each combination so far; only of a table that can be looked up. */
  table(): Uint16Array {
    return (this.known ??= new Uint16Array(this.combinations).fill(UNMET));
  }

  /** Keeps what one wearer of a combination came to, for the others in it. */
  remember(combination: number, answer: Answer): void {
    this.table()[combination] = this.placer.differs ? ASK_EACH : answer;
  }

  /** Answers everybody of a round by their places; only of a table that can be looked up. */
  lookUp(
    places: readonly Uint16Array[],
    count: number,
    verdicts: Uint8Array,
    sizes: Int16Array,
    ask: (row: number, table: PartTable) => Answer,
  ): void {
    const known = this.table();
    const { strides } = this;
    const combinations = this.combinationsOf(places, strides, count);
    for (let row = 0; row < count; row++) {
      const combination = combinations[row]!;
      const answer = known[combination]!;
      const said = answer >= ASK ? this.askAbout(row, combination, ask) : answer;
      verdicts[row] = said >> SIZE_BITS;
      sizes[row] = (said & SIZE_MASK) - 1;
    }
  }

  /** The number of everybody's combination, column by column. */
  private combinationsOf(
    places: readonly Uint16Array[],
    strides: readonly Int32Array[],
    count: number,
  ): Int32Array {
    if (this.numbers.length < count) this.numbers = new Int32Array(count);
    const numbers = this.numbers;
    for (let at = 0; at < places.length; at++) {
      const [own, stride] = [places[at]!, strides[at]!];
      if (at === 0) for (let row = 0; row < count; row++) numbers[row] = stride[own[row]!]!;
      else for (let row = 0; row < count; row++) numbers[row]! += stride[own[row]!]!;
    }
    return numbers;
  }

  /** Answers one wearer of a round; only of a table that can be looked up. */
  lookUpOne(
    places: readonly Uint16Array[],
    row: number,
    ask: (row: number, table: PartTable) => Answer,
  ): Answer {
    let combination = 0;
    for (let at = 0; at < places.length; at++) combination += this.strides[at]![places[at]![row]!]!;
    const answer = this.table()[combination]!;
    return answer >= ASK ? this.askAbout(row, combination, ask) : answer;
  }

  private askAbout(row: number, combination: number, ask: (row: number, table: PartTable) => Answer): Answer {
    const answer = ask(row, this);
    this.remember(combination, answer);
    return answer;
  }
}
