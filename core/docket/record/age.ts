/**
 * How old somebody is, in whole years.
 *
 * @param born year and month, as `2009-04`; `null` where it is not known
 *
 * @example ageAt('2009-04', Date.UTC(2026, 3, 15)) // 17
 */
export function ageAt(born: string | null, now: number): number | null {
  if (born === null) return null;
  const [year, month] = born.split('-').map(Number) as [number, number];
  const today = new Date(now);
  const months = (today.getUTCFullYear() - year) * 12 + today.getUTCMonth() + 1 - month;
  return Math.floor(months / 12);
}
