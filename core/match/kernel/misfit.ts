import type { CompiledColumn } from '../../chart/compile-chart';

/** Sums of distances up to here are whole numbers exactly. */
const EXACT = Number.MAX_SAFE_INTEGER;
/** A distance is never longer than this: twice the longest result of any arithmetic. */
const LONGEST = 2_000_000_000;
/** Beyond exact sums, two that are nearer than this share of themselves are compared as whole numbers of any length. */
const NEAR = 1e-9;

/**
 * The rule of the closest: the size with the least sum of distances to its intervals, each in
 * steps of its own column, a tie to the larger.
 *
 * Steps differ from column to column, so a sum of distances in steps is a sum of fractions. It is
 * multiplied out by the steps' least common multiple and compared as whole numbers: two sizes that
 * are equally far are never told apart by the last bit of a fraction.
 */
export class Misfit {
  private readonly weights: Float64Array;
  private readonly exactWeights: readonly bigint[] | null;

  constructor(private readonly columns: readonly CompiledColumn[]) {
    const multiple = columns.reduce((all, { step }) => leastCommonMultiple(all, BigInt(step)), 1n);
    const weights = columns.map(({ step }) => multiple / BigInt(step));
    this.weights = Float64Array.from(weights, Number);
    const most = weights.reduce((sum, weight) => sum + weight * BigInt(LONGEST), 0n);
    this.exactWeights = most <= BigInt(EXACT) ? null : weights;
  }

  /** The size with the least misfit for a value a column. */
  least(values: Float64Array): number {
    const count = this.columns[0]!.intervals.length;
    let [best, least] = [0, this.sum(values, 0)];
    for (let size = 1; size < count; size++) {
      const sum = this.sum(values, size);
      if (this.exactWeights !== null && Math.abs(sum - least) <= NEAR * Math.max(sum, least)) {
        if (this.exactSum(values, size) > this.exactSum(values, best)) continue;
      } else if (sum > least) continue;
      [best, least] = [size, sum];
    }
    return best;
  }

  private sum(values: Float64Array, size: number): number {
    let sum = 0;
    for (let at = 0; at < this.columns.length; at++)
      sum += distance(this.columns[at]!, size, values[at]!) * this.weights[at]!;
    return sum;
  }

  private exactSum(values: Float64Array, size: number): bigint {
    return this.exactWeights!.reduce(
      (sum, weight, at) => sum + weight * BigInt(distance(this.columns[at]!, size, values[at]!)),
      0n,
    );
  }
}

/** How far a value lies outside a size, from its nearer printed end; nothing inside it. */
function distance({ cut }: CompiledColumn, size: number, value: number): number {
  if (value >= cut.from[size]! && value < cut.until[size]!) return 0;
  const toLower = Math.abs(value - cut.lower[size]!);
  const toUpper = Math.abs(value - cut.upper[size]!);
  // An open end is no end to be near to.
  if (Number.isNaN(toLower)) return toUpper;
  return Number.isNaN(toUpper) ? toLower : Math.min(toLower, toUpper);
}

function leastCommonMultiple(one: bigint, other: bigint): bigint {
  let [a, b] = [one, other];
  while (b !== 0n) [a, b] = [b, a % b];
  return (one / a) * other;
}
