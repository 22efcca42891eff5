/**
 * How many of a thing, in words: one is one.
 *
 * @example counted(1, 'day') // '1 day'
 * @example counted(12, 'month') // '12 months'
 */
export function counted(count: number, thing: string): string {
  return `${count} ${thing}${count === 1 ? '' : 's'}`;
}
