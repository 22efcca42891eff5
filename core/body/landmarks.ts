import { placeAt } from './at-waist';
import { chainOf } from './chains';
import type { MeasurementCode } from './catalogue/codes';
import type { WaistPlace } from './waist';

/** A place on the body that a measurement starts from, ends at or lies over, and how somebody finds it on themselves. */
export interface Landmark {
  readonly name: string;
  readonly find: string;
}

/** Landmarks by the words that speak of them, in the order in which they are told. Common practice, no source. */
const LANDMARKS: readonly (readonly [RegExp, Landmark])[] = [
  [
    /nape bone/i,
    {
      name: 'Nape bone',
      find: 'Bend your head forward and feel the back of your neck: it is the bone that stands out most. Then look straight ahead again.',
    },
  ],
  [
    /neck meets shoulder/i,
    {
      name: 'Where neck meets shoulder',
      find: 'A thin chain round your neck lies over it: the place at the side where the neck runs into the shoulder.',
    },
  ],
  [
    /shoulder point|shoulder bone/i,
    {
      name: 'Shoulder point',
      find: 'Follow the top of your shoulder outwards with a finger: it is the end of the bone, just before the arm begins.',
    },
  ],
  [
    /armhole|armpit|under the arms?\b/i,
    {
      name: 'Armhole fold and armpit',
      find: 'With your arm hanging, it is the crease where arm and body meet. A ruler held level under the arm shows the height of the armpit.',
    },
  ],
  [
    /bust point|centre of the bust/i,
    {
      name: 'Bust point',
      find: 'The point of the breast that stands out most, in the underwear you will wear.',
    },
  ],
  [
    /throat/i,
    { name: 'Throat notch', find: 'The hollow at the bottom of the throat, between the two collar bones.' },
  ],
  [
    /collar bone/i,
    { name: 'Collar bone', find: 'The bone that runs from the throat notch to the shoulder.' },
  ],
  [
    /side seam/i,
    { name: 'Side seam', find: 'A line straight down your side from the middle of the armpit.' },
  ],
  [
    /natural waist/i,
    {
      name: 'Natural waist',
      find: 'Bend to the side: your waist is where the side creases. Tie the cord there.',
    },
  ],
  [
    /hip bones|high hip/i,
    { name: 'Hip bones', find: 'Put your hands on your hips: the bones you feel under your hands.' },
  ],
  [
    /hip level|hip and seat/i,
    { name: 'Hip level', find: 'Seen from the side, the height at which your seat stands out most.' },
  ],
  [
    /\bfork\b|through the legs/i,
    {
      name: 'Fork',
      find: 'Where your legs meet at the top. Hold the end of the tape up against the body, without pressing.',
    },
  ],
  [
    /kneecap|\bknee\b/i,
    {
      name: 'Middle of the kneecap',
      find: 'Bend and straighten your leg: the middle of the round bone in front.',
    },
  ],
  [/ankle/i, { name: 'Ankle bone', find: 'The round bone on the side of your ankle that stands out most.' }],
  [
    /wrist bone|slimmest of the wrist/i,
    {
      name: 'Wrist bone',
      find: 'The round bone on the outer side of your wrist, in line with the little finger.',
    },
  ],
  [
    /thumb knuckle/i,
    { name: 'Thumb knuckle', find: 'The joint in the middle of the thumb; bend it to see it.' },
  ],
  [
    /worn (?:trouser )?waistband|trousers are worn/i,
    { name: 'Worn waistband', find: 'The top edge of the trousers, as you wear yours every day.' },
  ],
  [/navel/i, { name: 'Navel', find: 'The belly button.' }],
];

/**
 * The landmarks that a measurement speaks of, with how somebody finds them on themselves, each once.
 *
 * @example landmarksOf('back-waist-length', 'natural').map(({ name }) => name) // ['Nape bone', 'Natural waist']
 */
export function landmarksOf(code: MeasurementCode, waist: WaistPlace | null | undefined): Landmark[] {
  const chain = chainOf(code);
  const words = `${placeAt(code, waist)} ${chain === null ? '' : chain.from}`;
  return LANDMARKS.flatMap(([speaksOf, landmark]) => (speaksOf.test(words) ? [landmark] : []));
}
