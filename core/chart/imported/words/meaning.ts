import { isMeasurementCode, measurement } from '../../../body/catalogue';
import type { MeasurementCode } from '../../../body/catalogue/codes';
import type { DerivedCode } from '../../column-code';
import type { Derivation } from '../../arithmetic/derivation';

/** What a column may measure: a measurement, or the one of both feet that counts. */
export type Meaning = MeasurementCode | FootMeaning;

/** Shoes go by the longer and by the wider foot. */
export const FOOT_MEANINGS = ['longer-foot', 'wider-foot'] as const;
export type FootMeaning = (typeof FOOT_MEANINGS)[number];

const FEET: Readonly<
  Record<FootMeaning, { readonly name: string; readonly of: readonly [MeasurementCode, MeasurementCode] }>
> = {
  'longer-foot': { name: 'Longer foot', of: ['foot-length-left', 'foot-length-right'] },
  'wider-foot': { name: 'Wider foot', of: ['foot-width-left', 'foot-width-right'] },
};

/**
 * The measurement whose limits hold of a meaning.
 *
 * @example behindMeaning('longer-foot') // 'foot-length-left'
 */
export function behindMeaning(meaning: Meaning): MeasurementCode {
  return meaning in FEET ? FEET[meaning as FootMeaning].of[0] : (meaning as MeasurementCode);
}

/**
 * A meaning as people read it.
 *
 * @example nameOfMeaning('chest-girth') // 'Chest'
 */
export function nameOfMeaning(meaning: Meaning): string {
  return meaning in FEET ? FEET[meaning as FootMeaning].name : measurement(meaning as MeasurementCode).name;
}

/**
 * What a chart derives for a meaning that is of both feet; nothing for one that is measured.
 *
 * @example derivationOf('longer-foot').code // 'derived:longer-foot'
 */
export function derivationOf(meaning: Meaning): Derivation | null {
  if (!(meaning in FEET)) return null;
  const { name, of } = FEET[meaning as FootMeaning];
  const code: DerivedCode = `derived:${meaning}`;
  return {
    code,
    name,
    steps: [{ do: 'max', as: meaning === 'longer-foot' ? 'longer' : 'wider', of: [...of] }],
  };
}

/**
 * Whether a text is one of the meanings a column may have.
 *
 * @example isMeaning('weight') // false
 * @example isMeaning('chest-girth') // true
 */
export function isMeaning(text: string): text is Meaning {
  return text in FEET || (isMeasurementCode(text) && measurement(text).kind !== 'mass');
}
