import type { GarmentKind } from '../chart/garment-kind';
import type { ChartSheet, FitCheck } from '../chart/chart-shape';

/** What is looked at once a garment of a kind is on, each with what to do where it is not so. Common practice, no source. */
const FIT_CHECKS: Readonly<Partial<Record<GarmentKind, readonly FitCheck[]>>> = {
  jacket: [
    check(
      'Closed at the middle button, half an inch to spare',
      'Pulls: a size up. Hangs like a box: a size down.',
    ),
    check('The lapels lie flat', 'They bow: the chest is too small, a size up.'),
    check(
      'The shoulder ends a quarter inch beyond the bone, the seam on it',
      'It stands out and collapses: a size down.',
    ),
    check(
      'The cuff ends where the hand meets the wrist',
      'Otherwise the other length class, or alter the sleeve.',
    ),
    check(
      'The hem reaches the thumb tip of the hanging arm and covers the seat',
      'Otherwise the other length class.',
    ),
  ],
  outerwear: [
    check(
      'Closed over what is worn beneath, arms crossed in front without a pull across the back',
      'Pulls: a size up.',
    ),
    check(
      'The cuffs cover the wrists with the arms stretched out',
      'They do not: the longer class, or a size up.',
    ),
  ],
  waistcoat: [
    check('Closed without a pull at any button', 'Pulls: a size up.'),
    check(
      'It covers the waistband, standing and with the arms raised',
      'It does not: the longer, if there is one.',
    ),
  ],
  trousers: [
    check(
      'Half an inch, or three fingers flat, to spare at the waist',
      'Less: a size up. More: a size down, or take in the waist.',
    ),
    check(
      'The hem breaks once in front and stands just on the heel behind',
      'Otherwise pin it, measure, and record the hem.',
    ),
  ],
  shirt: [
    check('Two fingers go inside the closed collar', 'Tighter: the next collar. Looser: the one below.'),
    check('The cuff ends just below the wrist bone', 'Otherwise the other sleeve.'),
  ],
  vest: [
    check('Standing: there is a gap between the front panel and the belt', 'There is none: a shorter front.'),
    check(
      'Seated: that gap just closes; the panel neither rests on the belt nor rises to the throat',
      'It rises or rests: a shorter front. The gap stays open: a longer front. In an outer carrier it may pass the belt; note the carrier.',
    ),
    check('The torso is not left bare above the belt', 'It is: a longer front or back.'),
    check(
      'The sides overlap by at least 1 in, front over back',
      'They do not: a wider front or back, never a looser strap.',
    ),
    check('Front and back are equally wide, or as near as they are made', 'They are not: the other widths.'),
    check('Arms forward, nothing binds at neck or arms', 'It binds: another width, or a shorter front.'),
  ],
  'one-piece': [
    check(
      'Arms up and a full squat without a pull at fork or shoulder',
      'Pulls: the longer class, or a size up.',
    ),
    check('Wrists and ankles are reached', 'They are not: the longer class.'),
  ],
  'dry-suit': [
    check(
      'The seals lie snug all round and do not throttle',
      'Loose or throttling: another seal, trimmed only by a trained person.',
    ),
    check('Squat, and reach as far as the work will', 'Pulls: a size up.'),
  ],
  waders: [
    check('With the socks to be worn, the heel does not lift', 'It lifts: a smaller boot.'),
    check(
      'Kneeling, the toes are free and nothing pulls at the fork',
      'Pressed: a larger boot. Pulls: a size up.',
    ),
  ],
  boots: [
    check('With the socks to be worn, the heel does not lift', 'It lifts: shorter, or narrower.'),
    check('Kneeling, the toes are free', 'Pressed: longer, or wider.'),
  ],
  dress: [
    check('The zip closes without force at the bust', 'It does not: a size up, and take in the rest.'),
    check('Waist and hip lie smooth', 'They do not: note what to alter, and by how much.'),
    check('The hem is right in the shoes to be worn', 'It is not: pin it, measure, and record the hem.'),
  ],
  bra: [
    check(
      'The band lies level on its outer hook and takes two fingers',
      'Rides up: a smaller band, a larger cup. Tighter: a larger band.',
    ),
    check('The straps do not dig in', 'They do: a smaller band, or a larger cup.'),
    check('Nothing spills and nothing gapes', 'Spills: a larger cup. Gapes: a smaller cup.'),
  ],
  gloves: [
    check(
      'A fist closes, and two fingers pinch what is small',
      'They do not: the size up. Bunches at the tips: the size down.',
    ),
  ],
  hat: [
    check('A finger goes in at the back', 'It does not: the size up.'),
    check('It does not lift when the head is shaken', 'It lifts: the size down.'),
  ],
};

/** What to look at once a garment is on: what its kind asks for, then what its maker adds. */
export function fitChecksOf({
  kind,
  fitChecks,
}: Pick<ChartSheet, 'kind' | 'fitChecks'>): readonly FitCheck[] {
  return [...(FIT_CHECKS[kind] ?? []), ...fitChecks];
}

function check(look: string, otherwise: string): FitCheck {
  return { look, otherwise };
}
