/**
 * The probability that a standard normal variable is below `z`.
 *
 * Near the middle, the series of Marsaglia (2004), "Evaluating the Normal Distribution",
 * Journal of Statistical Software 11(4); in the tails, where the series cancels, the
 * continued fraction of the Mills ratio. Absolute error below 1e-14.
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
