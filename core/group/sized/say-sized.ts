import { sayChance, VERDICT_WORDS } from '../../match/say-verdict';
import type { Rests } from './as-known';
import { chanceOfSize, DOUBT, type Shows } from './shown-rows';
import type { SizedOne } from './sizing';

/** What of a group is looked at, in words. */
export const SHOWS_WORDS: Readonly<Record<Shows, string>> = {
  all: 'everybody',
  flagged: 'exceptions',
  doubtful: 'in doubt',
  certain: 'certain',
  unknown: 'something missing',
  decided: 'decided',
  'in-hand': 'handed over',
};

/** What a size rests on, in words. */
export const RESTS_WORDS: Readonly<Record<Rests, string>> = {
  read: 'measured for it',
  record: 'from the record',
  own: 'the wearer’s own values',
  nothing: 'nothing known',
};

/**
 * What is told beside a size: what became of it, or how likely it is where that is in doubt; nothing where it is neither.
 *
 * @example besideSize({ verdict: 'edge', stands: 'open', size: 'M', odds: [{ label: 'M', chance: 0.7 }], others: [] }) // '70 %'
 */
export function besideSize(one: SizedOne): string {
  if (one.stands === 'in-hand') return 'in hand';
  if (one.stands !== 'open') return one.stands === 'decided' ? 'decided' : 'made to measure';
  const chance = chanceOfSize(one);
  return chance === null || chance >= DOUBT ? '' : sayChance(chance);
}

/**
 * How one of a group stands with a garment, in a word: the verdict while nothing is decided.
 *
 * @example sayStands({ verdict: 'edge', stands: 'decided' }) // 'decided'
 */
export function sayStands({ verdict, stands }: Pick<SizedOne, 'verdict' | 'stands'>): string {
  if (stands === 'open') return VERDICT_WORDS[verdict];
  return { decided: 'decided', 'in-hand': 'in hand', 'made-to-measure': 'made to measure' }[stands];
}
