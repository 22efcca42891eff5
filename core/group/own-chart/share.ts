/** A share of so many with how far it may be off. */
export interface Share {
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/** For an interval that holds the true share 95 times of 100. */
const Z = 1.959_963_984_540_054;

/**
 * A share with its 95 % interval.
 *
 * Source: Wilson (1927), "Probable inference, the law of succession, and statistical inference", Journal of the American
 * Statistical Association 22, from memory.
 *
 * @example shareOf(8, 10).low > 0.49 // true
 */
export function shareOf(count: number, of: number): Share {
  if (of === 0) return { share: 0, low: 0, high: 1 };
  const share = count / of;
  const square = (Z * Z) / of;
  const middle = (share + square / 2) / (1 + square);
  const reach = (Z / (1 + square)) * Math.sqrt((share * (1 - share)) / of + square / (4 * of));
  return { share, low: Math.max(0, middle - reach), high: Math.min(1, middle + reach) };
}
