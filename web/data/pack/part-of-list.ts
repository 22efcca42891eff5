import { PAGE, wordsOf } from '@neat-measure/contract';
import { plainName } from '@neat-measure/core';

/** Which part of a list is asked for. */
export interface Asked {
  readonly search: string;
  readonly from: number;
}

/** A part of a list that is searched here: each word stands somewhere in what is said of it. */
export function page<Item>(all: readonly Item[], { search, from }: Asked, say: (item: Item) => string) {
  const words = wordsOf(search).map(plainName);
  const found = all.filter((item) => {
    const text = plainName(say(item));
    return words.every((word) => text.includes(word));
  });
  return { items: found.slice(from, from + PAGE), total: found.length };
}
