import { isMeasurementCode, measurement } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { nearestCodes } from '../../body/nearest-codes';
import { unitOfHeading } from './unit-evidence';
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
  [/\bnatural waist(?:line)?\b/, ['waist-girth']],
  [/\b(?:trouser|pants?|belt|worn) ?waist\b|\bwaistband\b/, ['trouser-waist-girth']],
  [/\bnavel\b|\bbelly button\b/, ['navel-girth']],
  [/\babdom(?:en|inal)\b|\bwidest\b|\bbelly\b|\bgirth\b/, ['abdominal-girth']],
  [/\bunder ?bust\b/, ['underbust-girth']],
  [/\b(?:above|over|upper) ?bust\b/, ['above-bust-girth']],
  [/\bbust\b/, ['bust-girth']],
  [/\bover ?arms?\b/, ['overarm-girth']],
  [/\bchest\b/, ['chest-girth']],
  [/\bwaist\b/, ['waist-girth', 'trouser-waist-girth', 'navel-girth', 'abdominal-girth']],
  [/\bhigh hips?\b/, ['high-hip-girth']],
  [/\bhips?\b|\bseat\b/, ['hip-girth']],
  [/\bin ?seam\b|\b(?:inside|inner) legs?\b|\blegs?\b/, ['inside-leg-length']],
  [/\bout ?seam\b/, ['outseam']],
  [/\boutside legs?\b|\bside length\b/, ['outside-leg-length']],
  [/\bsleeves?\b|\barm length\b/, ['cervicale-to-wrist', 'arm-length', 'shoulder-to-knuckle']],
  [/\bcollar\b|\bneck\b/, ['neck-girth']],
  [/\bshoulders?\b/, ['shoulder-width', 'shoulder-length']],
  [/\btrunk\b/, ['trunk-girth']],
  [/\bthighs?\b/, ['thigh-girth']],
  [/\bknees?\b/, ['knee-girth']],
  [/\bcalf\b|\bcalves\b/, ['calf-girth']],
  [/\bankles?\b/, ['ankle-girth']],
  [/\bhead\b|\bhats?\b/, ['head-girth']],
  [/\bhand length\b|\bfinger length\b/, ['hand-length']],
  [/\bhand\b|\bpalm\b|\bknuckles?\b/, ['hand-girth']],
  [/\bwrists?\b/, ['wrist-girth']],
  [/\bbiceps?\b|\bupper arms?\b/, ['upper-arm-girth']],
  [/\b(?:foot|ball) width\b/, ['foot-width-left', 'foot-width-right']],
  [/\bfoot\b|\bfeet\b/, ['foot-length-left', 'foot-length-right']],
  [/\brise\b/, ['body-rise', 'crotch-length']],
  [/\bheight\b|\bstature\b|\btall\b/, ['height']],
  [/\bback length\b|\bnape to waist\b/, ['back-waist-length']],
  [/\bfront length\b/, ['front-waist-length']],
];

/**
 * Words that may stand beside a measurement's without making it another. Any other word may: a leg
 * opening is no inside leg, a finished chest no body's, a hat size no length.
 */
const NEUTRAL =
  /^(?:girth|circ(?:umference)?|measure(?:ment)?s?|body|your|the|of|round|around|at|to|fit|fits|from|up|until|min(?:imum)?|max(?:imum)?|low(?:er)?|upper|cms?|mm|in|ins|inch(?:es)?|centimet(?:re|er)s?|millimet(?:re|er)s?|\d+)$/;
/** Beside these a length is what they are anyway. */
const LENGTHS = /-length$|^outseam$|^height$/;

/** What a heading, or the two rows of one joined, may mean. */
export function guessHeading(text: string): HeadingGuess {
  const plain = text.toLowerCase().replace(/[_-]+/g, ' ').replace(/\s+/g, ' ').trim();
  const unit = unitOfHeading(text);
  const bare = plain.replace(/[([][^)\]]*[)\]]/g, ' ').trim();
  const asCode = bare.replace(/\s+/g, '-');
  if (isMeasurementCode(asCode) && measurement(asCode).kind !== 'mass')
    return { code: asCode, candidates: [asCode], unit };
  const found = WORDS.find(([word]) => word.test(plain));
  const candidates = found?.[1] ?? nearestCodes(bare).slice(0, 4);
  const sure = found !== undefined && candidates.length === 1 && isAllOf(plain, found[0], candidates[0]!);
  return { code: sure ? candidates[0]! : null, candidates, unit };
}

/** Whether a heading says nothing but this measurement, so that it need not be asked about. */
function isAllOf(plain: string, word: RegExp, code: MeasurementCode): boolean {
  return plain
    .replace(word, ' ')
    .split(/[^a-z0-9]+/)
    .every((other) => other === '' || NEUTRAL.test(other) || (other === 'length' && LENGTHS.test(code)));
}

/** The units in which numbers would be a body's at this place. */
export function possibleUnits(code: MeasurementCode, numbers: readonly number[]): WorkingUnit[] {
  const { least, most } = measurement(code).limits;
  const per = { in: 25_400, cm: 10_000, mm: 1_000 };
  return WORKING_UNITS.filter((unit) =>
    numbers.every((number) => number * per[unit] >= least * 0.9 && number * per[unit] <= most * 1.1),
  );
}
