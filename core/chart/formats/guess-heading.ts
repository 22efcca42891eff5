import { isMeasurementCode, measurement } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { nearestCodes } from '../../body/nearest-codes';
import { WORKING_UNITS, type WorkingUnit } from '../../quantity/length';

/** What a heading may mean. One that could be several is for the fitter to say. */
export interface HeadingGuess {
  readonly code: MeasurementCode | null;
  readonly candidates: readonly MeasurementCode[];
  readonly unit: WorkingUnit | null;
}

/**
 * Words as makers print them, the longest first. A word for several places has several codes,
 * and none is taken by itself: there are four waists and three sleeves.
 */
const WORDS: readonly (readonly [RegExp, readonly MeasurementCode[]])[] = [
  [/natural waist/, ['waist-girth']],
  [/(?:trouser|pant|belt|worn) ?waist|waistband/, ['trouser-waist-girth']],
  [/navel|belly button/, ['navel-girth']],
  [/abdom|widest|belly|\bgirth\b/, ['abdominal-girth']],
  [/under ?bust/, ['underbust-girth']],
  [/(?:above|over|upper) ?bust/, ['above-bust-girth']],
  [/bust/, ['bust-girth']],
  [/over ?arm/, ['overarm-girth']],
  [/chest/, ['chest-girth']],
  [/waist/, ['waist-girth', 'trouser-waist-girth', 'navel-girth', 'abdominal-girth']],
  [/high hip/, ['high-hip-girth']],
  [/hips?\b|seat/, ['hip-girth']],
  [/in ?seam|inside leg|inner leg|\bleg\b/, ['inside-leg-length']],
  [/out ?seam/, ['outseam']],
  [/outside leg|side length/, ['outside-leg-length']],
  [/sleeve|arm length/, ['cervicale-to-wrist', 'arm-length', 'shoulder-to-knuckle']],
  [/collar|neck/, ['neck-girth']],
  [/shoulder/, ['shoulder-width', 'shoulder-length']],
  [/trunk/, ['trunk-girth']],
  [/thigh/, ['thigh-girth']],
  [/knee/, ['knee-girth']],
  [/calf/, ['calf-girth']],
  [/ankle/, ['ankle-girth']],
  [/head|hat/, ['head-girth']],
  [/hand length|finger length/, ['hand-length']],
  [/hand|palm|knuckle/, ['hand-girth']],
  [/wrist/, ['wrist-girth']],
  [/bicep|upper arm/, ['upper-arm-girth']],
  [/foot width|ball width/, ['foot-width-left', 'foot-width-right']],
  [/foot|feet/, ['foot-length-left', 'foot-length-right']],
  [/rise/, ['body-rise', 'crotch-length']],
  [/height|stature|tall/, ['height']],
  [/back length|nape to waist/, ['back-waist-length']],
  [/front length/, ['front-waist-length']],
];

const UNIT_WORDS: readonly (readonly [RegExp, WorkingUnit])[] = [
  [/\bmm\b|millimet/, 'mm'],
  [/\bcms?\b|centimet/, 'cm'],
  [/\bin(?:ch(?:es)?|s)?\b|["″”]/, 'in'],
];

/** What a heading, or the two rows of one joined, may mean. */
export function guessHeading(text: string): HeadingGuess {
  const plain = text.toLowerCase().replace(/[_-]+/g, ' ').replace(/\s+/g, ' ').trim();
  const unit = guessUnit(plain);
  const bare = plain.replace(/[([][^)\]]*[)\]]/g, ' ').trim();
  const asCode = bare.replace(/\s+/g, '-');
  if (isMeasurementCode(asCode) && measurement(asCode).kind !== 'mass')
    return { code: asCode, candidates: [asCode], unit };
  const found = WORDS.find(([word]) => word.test(plain));
  const candidates = found?.[1] ?? nearestCodes(bare).slice(0, 4);
  return { code: found !== undefined && candidates.length === 1 ? candidates[0]! : null, candidates, unit };
}

/** The unit a text names, if it names one. */
export function guessUnit(text: string): WorkingUnit | null {
  return UNIT_WORDS.find(([word]) => word.test(text.toLowerCase()))?.[1] ?? null;
}

/** The units in which numbers would be a body's at this place. */
export function possibleUnits(code: MeasurementCode, numbers: readonly number[]): WorkingUnit[] {
  const { least, most } = measurement(code).limits;
  const per = { in: 25_400, cm: 10_000, mm: 1_000 };
  return WORKING_UNITS.filter((unit) =>
    numbers.every((number) => number * per[unit] >= least * 0.9 && number * per[unit] <= most * 1.1),
  );
}
