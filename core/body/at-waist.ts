import { measurement } from './catalogue';
import type { MeasurementCode } from './catalogue/codes';
import type { WaistPlace } from './waist';

/**
 * The name of a measurement whose waist is where it is: one at the navel says so, as it is another measurement.
 *
 * @param waist as `waistOf` has it; `null` of what has none to do with it
 * @example nameAt('back-waist-length', 'navel') // 'Back to waist at the navel'
 * @example nameAt('back-waist-length', 'natural') // 'Back to waist'
 */
export function nameAt(code: MeasurementCode, waist: WaistPlace | null | undefined): string {
  const { name } = measurement(code);
  if (waist !== 'navel') return name;
  if (code === 'waist-girth') return 'Waist at the navel';
  if (name.endsWith('to waist')) return `${name} at the navel`;
  return name.startsWith('Waist to')
    ? name.replace('Waist', 'Waist at the navel')
    : `${name}, waist at the navel`;
}

/**
 * The short name of a measurement, for the tape and for narrow columns; of a waist at the navel it says so.
 *
 * @example shortAt('back-waist-length', 'navel') // 'Back waist, navel'
 */
export function shortAt(code: MeasurementCode, waist: WaistPlace | null | undefined): string {
  const { short } = measurement(code);
  return waist === 'navel' ? `${short}, navel` : short;
}

/**
 * Where the tape goes, with the waist where it is.
 *
 * @example placeAt('back-waist-length', 'navel') // 'From the nape bone down the back to the level of the navel.'
 */
export function placeAt(code: MeasurementCode, waist: WaistPlace | null | undefined): string {
  const { place } = measurement(code);
  if (waist === 'navel')
    return code === 'waist-girth' ? measurement('navel-girth').place : wordsAt(place, waist);
  return waist === 'above-navel' && code === 'waist-girth'
    ? 'Round the natural waist, two inches above the navel.'
    : place;
}

/**
 * Words about the natural waist, with the waist where it is.
 *
 * @example wordsAt('the natural waist at the side', 'navel') // 'the level of the navel at the side'
 * @example wordsAt('natural waist, centre back', 'navel') // 'level of the navel, centre back'
 */
export function wordsAt(words: string, waist: WaistPlace | null | undefined): string {
  return waist === 'navel' ? words.replaceAll('natural waist', 'level of the navel') : words;
}
