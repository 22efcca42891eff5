const LISTS = {
  and: new Intl.ListFormat('en-GB', { type: 'conjunction' }),
  or: new Intl.ListFormat('en-GB', { type: 'disjunction' }),
};

/**
 * Several things in a sentence.
 *
 * @example list(['S', 'M', 'L'], 'or') // 'S, M or L'
 */
export function list(things: readonly string[], last: 'and' | 'or' = 'and'): string {
  return LISTS[last].format(things);
}
