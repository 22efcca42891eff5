import { measurement } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { normalBelow } from '../../capture/normal';
import { isDerivedCode } from '../../chart/column-code';
import { NONE, isOnBound, stretchOf } from '../../chart/cut-column';
import type { Length } from '../../quantity/length';
import { EDGE_CHANCE, type JudgeOptions } from '../judge';
import { Kernel } from '../kernel/kernel';
import type { PartPlacer } from '../kernel/part-placer';
import { asRecorded } from './as-recorded';
import { onBounds } from './on-bounds';
import { drawOdds, drawReadings, type Weighed } from './odds';

/** A part of which another size is likely enough to make an edge, and the size (`null` for none). */
export interface Rival {
  readonly part: number;
  readonly size: number | null;
}

/**
 * So many draws first, and how far from the threshold the share of a rival must be for them to do.
 * The draws fill the range evenly, so that even the first few are off by little.
 */
const STAGES = [
  { draws: 256, clear: 0.04 },
  { draws: 1_024, clear: 0.015 },
] as const;

/** What bounds leave no doubt about: beside the threshold by a tenth of it, as draws are off by a little. */
const CLEAR = 0.1;
/** Farther from an end than so many standard errors a value does not leave its stretch. */
const FAR = 4.5;

/** A part of plain measurements, whose values leave their stretches each by itself. */
interface PlainPart {
  readonly placer: PartPlacer;
  readonly columns: readonly {
    readonly code: MeasurementCode;
    readonly values: Float64Array;
    readonly error: number;
  }[];
}

/** How far off each value of a round is, as a standard deviation, by measurement and row. */
export type Errors = ReadonlyMap<MeasurementCode, Float64Array>;

interface WaysOut {
  readonly leaving: readonly number[];
  readonly anything: number;
  readonly harmful: readonly { readonly column: number; readonly chance: number; readonly size: number }[];
}

const SIDES = [-1, 1] as const;

/**
 * Whether somebody who is settled by their readings is near an edge: where another size of a part
 * is at least so likely by the tape's error. What the whole odds would say, with as little work as
 * tells: how likely plain values are to leave their stretches bounds the chance of any other size
 * from both sides; where that does not tell, a few draws are made, and all of them only near the
 * threshold.
 */
export class EdgeFinder {
  private readonly drawn: Kernel;
  private readonly plain: readonly (PlainPart | null)[];
  private readonly edgeChance: number;
  private readonly moved = new Float64Array(MOST_COLUMNS);

  /** @param kernel whose rounds are asked about */
  constructor(
    private readonly kernel: Kernel,
    options: JudgeOptions = {},
  ) {
    this.drawn = new Kernel(kernel.chart, options);
    this.edgeChance = options.edgeChance ?? EDGE_CHANCE;
    // At the ends of a size a fit that is liked closer or roomier is another size: no stretch says that.
    const regular = (options.preference ?? 'regular') === 'regular';
    this.plain = kernel.parts.map((part): PlainPart | null => {
      if (!regular) return null;
      const plain = part.columns.every(
        ({ alwaysMissing, choices }) => alwaysMissing && !isDerivedCode(choices[0]!.code),
      );
      if (!plain || part.goesByAnother) return null;
      return {
        placer: part.whole.placer,
        columns: part.columns.map(({ choices }) => ({
          code: choices[0]!.code as MeasurementCode,
          values: choices[0]!.values,
          error: measurement(choices[0]!.code as MeasurementCode).standardError,
        })),
      };
    });
  }

  /** Whether a wearer of the kernel's last round, who is settled, is plainly so. */
  isClear(row: number): boolean {
    return this.leaving(row) < this.edgeChance * (1 - CLEAR);
  }

  /**
   * How likely at most the values of a wearer of the kernel's last round leave their stretches, in the part where that
   * is likeliest: another size is no likelier.
   *
   * @param errors the standard error of each value, by measurement and row; the catalogue's where none is given
   * @returns 1 where bounds do not tell
   */
  leaving(row: number, errors?: Errors): number {
    let most = 0;
    for (const plain of this.plain) {
      if (plain === null) return 1;
      const chance = this.chanceOfLeaving(plain, row, errors);
      if (chance > most) most = chance;
    }
    return most;
  }

  /**
   * @param row a wearer of the kernel's last round, who is settled
   * @param values the wearer's readings
   * @returns the likeliest other size of each part that is near an edge; nothing for one who is settled
   */
  rivals(row: number, values: ReadonlyMap<MeasurementCode, Length>): Rival[] {
    const sizes = this.kernel.parts.map((part) => part.sizes[row]!);
    const bounds = onBounds(this.kernel, row);
    const found: Rival[] = [];
    for (let part = 0; part < sizes.length; part++) {
      const rival = this.byBounds(part, row, sizes[part]!, bounds);
      if (rival === 'unclear')
        return this.byDraws(sizes, values, bounds).filter((one) => !this.isLeaned(one.part, row));
      if (rival !== null) found.push(rival);
    }
    return found;
  }

  /** Whether a part's size is not the one its values lie in, but the next, as it is liked roomier or closer. */
  private isLeaned(part: number, row: number): boolean {
    const run = this.kernel.parts[part]!;
    const size = run.sizes[row]!;
    return this.kernel.chart.parts[part]!.whole.deciding.some(({ cut }, column) => {
      const value = run.columns[column]!.choices[run.choiceOf(column, row)]!.values[row]!;
      return value < cut.from[size]! || value >= cut.until[size]!;
    });
  }

  private chanceOfLeaving({ columns, placer }: PlainPart, row: number, errors?: Errors): number {
    let chance = 0;
    for (let at = 0; at < columns.length; at++) {
      const { code, values, error: usual } = columns[at]!;
      const error = errors?.get(code)?.[row] ?? usual;
      const { points } = placer.columns[at]!;
      const value = values[row]!;
      if (isOnBound({ points }, value)) continue;
      const stretch = stretchOf({ points }, value);
      const down = value - (points[stretch - 1] ?? -Infinity);
      const up = (points[stretch] ?? Infinity) - value;
      if (down < FAR * error) chance += normalBelow(-down / error);
      if (up < FAR * error) chance += normalBelow(-up / error);
    }
    return chance;
  }

  /**
   * Bounds of the chance of any other size. A value that leaves its stretch alone, on one side,
   * goes to the stretch beside it; the size there is asked for. Two that leave at once, and one that
   * goes farther than that stretch, may come to anything.
   */
  private byBounds(
    part: number,
    row: number,
    own: number,
    bounds: ReadonlySet<MeasurementCode>,
  ): Rival | null | 'unclear' {
    const plain = this.plain[part]!;
    if (plain === null) return 'unclear';
    const ways = this.waysOut(plain, row, own, bounds);
    if (ways === 'unclear') return 'unclear';
    const { leaving, anything, harmful } = ways;
    let staying = 1;
    let [sum, pairs] = [0, 0];
    for (const one of leaving) {
      pairs += sum * one;
      sum += one;
      staying *= 1 - one;
    }
    const total = harmful.reduce((all, { chance }) => all + chance, anything + pairs);
    if (total < this.edgeChance * (1 - CLEAR)) return null;
    if (harmful.length === 0) return 'unclear';
    const likeliest = harmful.reduce((one, other) => (other.chance > one.chance ? other : one));
    const same = harmful.filter(({ size }) => size === likeliest.size);
    const atLeast = same.reduce(
      (all, { chance, column }) => all + (chance * staying) / (1 - leaving[column]!),
      0,
    );
    const others = total - same.reduce((all, { chance }) => all + chance, 0);
    if (atLeast < this.edgeChance * (1 + CLEAR) || others > atLeast) return 'unclear';
    return { part, size: likeliest.size < 0 ? null : likeliest.size };
  }

  /** Each column's chance of leaving its stretch, what of it may come to anything, and the single steps that change the size. */
  private waysOut(
    { columns, placer }: PlainPart,
    row: number,
    own: number,
    bounds: ReadonlySet<MeasurementCode>,
  ): WaysOut | 'unclear' {
    const leaving: number[] = [];
    const harmful: { column: number; chance: number; size: number }[] = [];
    let anything = 0;
    for (let column = 0; column < columns.length; column++) {
      const { code, values, error } = columns[column]!;
      // What lies on a bound is held to it.
      if (bounds.has(code)) {
        leaving.push(0);
        continue;
      }
      const { points } = placer.columns[column]!;
      const value = values[row]!;
      const stretch = stretchOf({ points }, value);
      let leave = 0;
      for (const side of SIDES) {
        const near = points[side < 0 ? stretch - 1 : stretch] ?? side * Infinity;
        if (Math.abs(near - value) > FAR * error) continue;
        const far = points[side < 0 ? stretch - 2 : stretch + 1] ?? side * Infinity;
        const all = normalBelow(-Math.abs(near - value) / error);
        const farther = Math.abs(far - value) > FAR * error ? 0 : normalBelow(-Math.abs(far - value) / error);
        leave += all;
        anything += farther;
        const first = side < 0 ? near - 1 : near;
        const size = this.sizeAt(placer, columns, row, column, first);
        // Where the size there goes by how long it is, one length does not stand for all.
        if (placer.differs) return 'unclear';
        if (size !== own) harmful.push({ column, chance: all - farther, size });
      }
      leaving.push(leave);
    }
    return { leaving, anything, harmful };
  }

  private sizeAt(
    placer: PartPlacer,
    columns: PlainPart['columns'],
    row: number,
    moved: number,
    value: number,
  ): number {
    const values = this.moved.subarray(0, columns.length);
    for (let at = 0; at < columns.length; at++) values[at] = at === moved ? value : columns[at]!.values[row]!;
    placer.place(values);
    return placer.size;
  }

  private byDraws(
    sizes: readonly number[],
    values: ReadonlyMap<MeasurementCode, Length>,
    bounds: ReadonlySet<MeasurementCode>,
  ): Rival[] {
    const { drawn, edgeChance } = this;
    const readings: Weighed[] = [];
    for (const code of drawn.chart.arithmetic.readings.keys()) {
      const value = values.get(code);
      if (value === undefined) continue;
      const reading = { code, value, standardError: measurement(code).standardError };
      const recorded = asRecorded(drawn.chart, reading);
      readings.push(bounds.has(code) ? { ...recorded, standardError: 0 } : recorded);
    }
    for (const { draws, clear } of STAGES) {
      drawReadings(drawn, readings, 0, draws);
      drawn.run(draws);
      const shares = sizes.map((size, part) => likeliestOther(drawn.parts[part]!.sizes, draws, size));
      if (shares.every(({ share }) => Math.abs(share - edgeChance) > clear))
        return shares.flatMap(({ share, size }, part) => (share > edgeChance ? [{ part, size }] : []));
    }
    return drawOdds(drawn, readings, [], false).parts.flatMap((chances, part): Rival[] => {
      const none = chances.length - 1;
      let best = NONE;
      chances.forEach((chance, size) => {
        if (size !== sizes[part] && (best === NONE || chance > chances[best]!)) best = size;
      });
      if (best === NONE || chances[best]! < edgeChance) return [];
      return [{ part, size: best === none ? null : best }];
    });
  }
}

/** A part has at most so many columns. */
const MOST_COLUMNS = 20;

function likeliestOther(
  drawn: Int16Array,
  many: number,
  own: number,
): { share: number; size: number | null } {
  const counts = new Map<number, number>();
  for (let row = 0; row < many; row++) {
    const size = drawn[row]!;
    if (size !== own) counts.set(size, (counts.get(size) ?? 0) + 1);
  }
  let [size, most] = [NONE, 0];
  for (const [one, count] of counts) if (count > most) [size, most] = [one, count];
  return { share: most / many, size: size === NONE ? null : size };
}
