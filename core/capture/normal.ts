/**
 * The probability that a standard normal variable is below `z`.
 *
 * Near the middle, the series of Marsaglia (2004), "Evaluating the Normal Distribution",
 * Journal of Statistical Software 11(4); in the tails, where the series cancels, the
 * continued fraction of the Mills ratio. Absolute error below 1e-14.
 *
 * @example normalBelow(0) // 0.5
 */
export function normalBelow(z: number): number {
  if (z === Infinity) return 1;
  if (z === -Infinity) return 0;
  if (Math.abs(z) > 5) return z > 0 ? 1 - tail(z) : tail(-z);
  let sum = z;
  let term = z;
  for (let odd = 3; Math.abs(term) > 1e-17 * Math.abs(sum) && odd < 400; odd += 2) {
    term *= (z * z) / odd;
    sum += term;
  }
  return 0.5 + sum * density(z);
}

function density(z: number): number {
  return Math.exp(-z * z * 0.5) / Math.sqrt(2 * Math.PI);
}

/** The upper tail beyond a `z` of 5 or more. */
function tail(z: number): number {
  let fraction = z;
  for (let level = 60; level >= 1; level--) fraction = z + level / fraction;
  return density(z) / fraction;
}

const QUANTILES = new Map<number, Float64Array>();

/**
 * The middles of so many equally likely stretches of the standard normal distribution: the
 * lengths below which `(n + 1/2) / count` of it lies, growing. Found by Newton's method on
 * `normalBelow`, each begun from the one before; kept once made.
 *
 * @example normalQuantiles(3)[2] > 0 // true
 */
export function normalQuantiles(count: number): Float64Array {
  const known = QUANTILES.get(count);
  if (known !== undefined) return known;
  const quantiles = new Float64Array(count);
  let z = 0;
  for (let at = count >> 1; at < count; at++) {
    const share = (at + 0.5) / count;
    for (let round = 0; round < 20; round++) {
      const step = (normalBelow(z) - share) / density(z);
      z -= step;
      if (Math.abs(step) < 1e-12) break;
    }
    quantiles[at] = z;
    quantiles[count - 1 - at] = -z;
  }
  QUANTILES.set(count, quantiles);
  return quantiles;
}

/** How finely the table of `roughlyBelow` is made, and how far it goes. */
const TABLE_STEP = 1 / 512;
const TABLE_REACH = 6;
let table: Float64Array | null = null;

/**
 * `normalBelow` from a table, between whose entries it is straight: for where it is asked for millions of
 * times. Absolute error below 2e-7.
 *
 * @example Math.abs(roughlyBelow(0) - 0.5) < 0.001 // true
 */
export function roughlyBelow(z: number): number {
  if (z <= -TABLE_REACH) return 0;
  if (z >= TABLE_REACH) return 1;
  table ??= Float64Array.from({ length: (2 * TABLE_REACH) / TABLE_STEP + 2 }, (_, at) =>
    normalBelow(at * TABLE_STEP - TABLE_REACH),
  );
  const place = (z + TABLE_REACH) / TABLE_STEP;
  const at = Math.floor(place);
  return table[at]! + (place - at) * (table[at + 1]! - table[at]!);
}
