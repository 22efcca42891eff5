import type { MeasurementCode } from './catalogue/codes';

/**
 * Where the cord is tied: at the natural waist, found by bending to the side or two inches above the
 * navel, or at the navel itself. Lengths from one are not lengths from another.
 */
export const WAIST_PLACES = ['natural', 'above-navel', 'navel'] as const;
export type WaistPlace = (typeof WAIST_PLACES)[number];

/** What is read at the cord. */
const AT_THE_WAIST: ReadonlySet<MeasurementCode> = new Set<MeasurementCode>([
  'waist-girth',
  'front-waist-length',
  'notch-to-waist',
  'side-waist-length',
  'back-waist-length',
  'waist-to-high-hip',
  'waist-to-hip',
  'waist-to-knee',
  'waist-to-ankle',
  'outside-leg-length',
  'waist-to-floor-tiptoe',
  'standing-rise',
  'body-rise',
  'waist-to-under-seat',
  'crotch-length-front',
  'crotch-length',
  'crotch-length-back',
]);

/**
 * Whether a measurement begins, ends or lies at the waist, so that it matters where that is.
 *
 * @example touchesWaist('back-waist-length') // true
 */
export function touchesWaist(code: MeasurementCode): boolean {
  return AT_THE_WAIST.has(code);
}

/**
 * Where a reading's waist was: `natural` where nothing is said; `null` of what has none to do with it.
 *
 * @example waistOf({ code: 'waist-girth' }) // 'natural'
 */
export function waistOf({
  code,
  waist,
}: {
  readonly code: MeasurementCode;
  readonly waist?: WaistPlace | undefined;
}): WaistPlace | null {
  return touchesWaist(code) ? (waist ?? 'natural') : null;
}

/**
 * What is asked of a chart's `waist-girth`: the natural waist, however it was found. Two inches above
 * the navel is a way to find it; at the navel is another place.
 *
 * @example isNaturalWaist('above-navel') // true
 * @example isNaturalWaist('navel') // false
 */
export function isNaturalWaist(place: WaistPlace | null): boolean {
  return place !== 'navel';
}

/**
 * Whether what was read with the waist at one place is the same measurement as with it at another.
 *
 * @example isSameWaist('natural', 'navel') // false
 */
export function isSameWaist(one: WaistPlace | null, other: WaistPlace | null): boolean {
  return isNaturalWaist(one) === isNaturalWaist(other);
}

/** How the waist is found, said to the wearer themselves. */
export const OWN_WAIST_WORDS: Readonly<Record<WaistPlace, string>> = {
  natural: 'at your natural waist, where your side creases when you bend',
  'above-navel': 'at your natural waist, two inches above the navel',
  navel: 'at your navel',
};

/** How the waist is found, in words. */
export const WAIST_WORDS: Readonly<Record<WaistPlace, string>> = {
  natural: 'at the natural waist, where the side creases when they bend',
  'above-navel': 'at the natural waist, two inches above the navel',
  navel: 'at the navel',
};
