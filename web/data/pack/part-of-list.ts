import { PAGE, wordsOf } from '@neat-measure/contract';
import { plainName } from '@neat-measure/core';

/** Which part of a list is asked for. */
export interface Asked {
  readonly search: string;
  readonly from: number;
}

/**
 * A part of a list that is searched here: each word stands somewhere in what is said of it.
 *
 * @param named what an item may be called by whole, its name first: those are put first that are what was sought, then those in
 *   whose name every word begins one, as the server does
 */
export function page<Item>(
  all: readonly Item[],
  { search, from }: Asked,
  say: (item: Item) => string,
  named?: (item: Item) => readonly [name: string, ...others: string[]],
) {
  const words = wordsOf(search).map(plainName);
  const found = all.filter((item) => {
    const text = plainName(say(item));
    return words.every((word) => text.includes(word));
  });
  const whole = plainName(search);
  const rank = (item: Item): number => {
    const [name = '', ...others] = named!(item).map(plainName);
    if ([name, ...others].includes(whole)) return 0;
    return words.every((word) => ` ${name}`.includes(` ${word}`)) ? 1 : 2;
  };
  if (named !== undefined && words.length > 0) found.sort((one, other) => rank(one) - rank(other));
  return { items: found.slice(from, from + PAGE), total: found.length };
}
