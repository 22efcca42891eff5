import { list } from '../words/list';
import { measurement } from './catalogue';
import type { Clothing, Stance, Tension } from './measurement';
import type { Plan, PlanConflict } from './plan';
import { WAIST_WORDS } from './waist';

/** Each stance as the fitter says it. */
export const STANCE_WORDS: Readonly<Record<Stance, string>> = {
  standing: 'Standing, facing you',
  tiptoe: 'On tiptoe',
  kneeling: 'Kneeling on one leg',
  turned: 'Turned away',
  seated: 'Seated',
  'on-paper': 'On paper',
  shoe: 'The shoe',
};

/** What to ask of the wearer when a stance begins. */
export const STANCE_ASKS: Readonly<Record<Stance, string>> = {
  standing: 'Ask the wearer to stand straight and relaxed, facing you, looking ahead.',
  tiptoe: 'Ask the wearer to rise on tiptoe, as in the heels to be worn, a hand on something firm.',
  kneeling:
    'Ask the wearer to kneel on the leg being measured, on something soft, the other foot flat in front.',
  turned: 'Ask the wearer to turn round and look straight ahead.',
  seated:
    'Ask the wearer to sit on a hard, armless chair as usual, not straighter, belt where it normally rides.',
  'on-paper':
    'Ask the wearer to take off their shoes and stand on the paper, weight on the foot you draw round.',
  shoe: 'Ask for the shoes that will be worn.',
};

/** Each tension in words. */
export const TENSION_WORDS: Readonly<Record<Tension, string>> = {
  skin: 'touching, not pressing',
  snug: 'snug',
  'one-finger': 'one finger beneath the tape',
  'two-fingers': 'two fingers beneath the tape',
  'drawn-tight': 'drawn tight',
};

/** What lies between tape and body, in words. */
export const CLOTHING_WORDS: Readonly<Record<Clothing, string>> = {
  bare: 'on bare skin',
  'close-fitting': 'over close-fitting clothes',
  'worn-beneath': 'over what is worn beneath',
  thick: 'over thick clothes',
};

/**
 * A conflict as a sentence that says what is done about it.
 *
 * @example sayConflict({ kind: 'tension', code: 'chest-girth', wanted: [{ tension: 'snug', by: 'Saltmarsh vest' }, { tension: 'two-fingers', by: 'Field jacket' }], taken: 'snug' }) // 'Chest is asked for with different tension of the tape (Saltmarsh vest: snug; Field jacket: two fingers beneath the tape). It is taken snug.'
 */
export function sayConflict(conflict: PlanConflict): string {
  if (conflict.kind === 'tension') {
    const asked = conflict.wanted.map(({ tension, by }) => `${by}: ${TENSION_WORDS[tension]}`).join('; ');
    return `${measurement(conflict.code).name} is asked for with different tension of the tape (${asked}). It is taken ${TENSION_WORDS[conflict.taken]}.`;
  }
  if (conflict.kind === 'clothing') {
    const asked = conflict.wanted.map(({ clothing, by }) => `${by}: ${CLOTHING_WORDS[clothing]}`).join('; ');
    return `${measurement(conflict.code).name} is asked for over different clothes (${asked}). It is taken ${CLOTHING_WORDS[conflict.taken]}.`;
  }
  if (conflict.kind === 'waist') {
    const asked = conflict.wanted.map(({ place, by }) => `${by}: ${WAIST_WORDS[place]}`).join('; ');
    return `The waist is asked for at different places (${asked}). The cord is tied ${WAIST_WORDS[conflict.taken]}, and all lengths are read there. A size chart uses the natural waist only.`;
  }
  const names = list(conflict.codes.map((code) => measurement(code).name.toLowerCase()));
  return `${list(conflict.wantedBy)} may ${conflict.wantedBy.length === 2 ? 'both' : 'all'} say “${conflict.word}” and mean different places: ${names}. Each is measured on its own.`;
}

/**
 * How many placings of the tape its chains save; empty where there are none.
 *
 * @example sayPlacings(planOf(docket, library)) // ''
 */
export function sayPlacings({ placings: { count, alone } }: Pick<Plan, 'placings'>): string {
  const saved = alone - count;
  return saved === 0
    ? ''
    : `The tape is laid ${count} times for ${alone} measurements: ${saved} ${saved === 1 ? 'is' : 'are'} read in passing.`;
}

/**
 * What is asked before the tape where two or more lengths are read at the waist.
 *
 * @example sayCord(planOf(docket, library)) // ''
 */
export function sayCord({ cord }: Pick<Plan, 'cord'>): string {
  return cord === null
    ? ''
    : `Tie a cord ${WAIST_WORDS[cord]}, level all round, and leave it there: every length from or to the waist is read at it.`;
}
