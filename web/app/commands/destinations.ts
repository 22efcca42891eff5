import type { Capability } from '@neat-measure/contract';
import { DESKS } from '../../places/house/desks';

/** A line of the list: where it goes, or what it does. */
export interface Destination {
  readonly name: string;
  readonly about: string;
  readonly run: () => void;
}

/** Every place and desk, with who may be there. */
export const DESTINATIONS: readonly {
  readonly name: string;
  readonly path: string;
  readonly takes?: Capability;
}[] = [
  { name: 'Bench: next wearer', path: '/bench' },
  { name: 'Coverage', path: '/charts/coverage' },
  { name: 'Exceptions', path: '/roll/exceptions' },
  { name: 'Protocols', path: '/bench/protocols' },
  { name: 'Practice tape', path: '/bench/tape' },
  { name: 'Roll: musters', path: '/roll' },
  { name: 'Charts', path: '/charts' },
  { name: 'Kits', path: '/charts/kits' },
  { name: 'Stores: stock', path: '/stores/shelves' },
  { name: 'Stores: reserved', path: '/stores/reserved' },
  { name: 'Stores: hire', path: '/stores/hire' },
  { name: 'Stores: orders', path: '/stores/orders' },
  { name: 'Stores: stock count', path: '/stores/counting' },
  { name: 'Stores: storage', path: '/stores/keeping' },
  { name: 'Log', path: '/log' },
  { name: 'Audit log', path: '/log/house', takes: 'run-house' },
  ...DESKS.map(({ name, path, takes }) => ({
    name: `House: ${name.charAt(0).toLowerCase()}${name.slice(1)}`,
    path: `/house/${path}`,
    takes,
  })),
];

/** Those in whose names every word that was typed begins a word, without regard to accents or case. */
export function matching(all: readonly Destination[], words: string): Destination[] {
  const wanted = wordsOf(words);
  return all.filter(({ name }) => {
    const own = wordsOf(name);
    return wanted.every((word) => own.some((one) => one.startsWith(word)));
  });
}

function wordsOf(text: string): string[] {
  return text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');
}
