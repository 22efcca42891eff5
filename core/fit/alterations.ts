import { type Outcome, failure, success } from '../outcome';
import { cm, mm, type Length, type WorkingUnit } from '../quantity/length';
import { formatLength, type ShownLength, plainUnit } from '../quantity/format-length';
import { parseLength, type LengthProblem } from '../quantity/parse-length';
import { sayMeasureProblem } from '../quantity/say-measure-problem';
import { areaFacts, type FitArea } from '../garment/areas';
import { ALTERATION_DOINGS, type AlterationDoing } from '../garment/fit-check';

/** What is noted of a garment that is altered: by how much, or the finished length to which it is hemmed. */
export const ALTERED_HOW = [...ALTERATION_DOINGS, 'hem-at'] as const;
export type AlteredHow = AlterationDoing | 'hem-at';

/** By how much anything is altered at all, and how long a finished hem can be. Working values of ours. */
const BY = { least: mm(1), most: cm(40) };
const HEMMED = { least: cm(10), most: cm(180) };

/** Why what was typed is no alteration. */
export type AlterationProblem =
  | { readonly code: 'unreadable'; readonly problem: LengthProblem }
  | { readonly code: 'impossible'; readonly how: AlteredHow; readonly text: string };

/**
 * Reads by how much something is altered, or where it is hemmed.
 *
 * @example readAlteration('78', 'hem-at', 'cm').value === cm(78) // true
 */
export function readAlteration(
  text: string,
  how: AlteredHow,
  unit: WorkingUnit,
): Outcome<Length, AlterationProblem> {
  const written = parseLength(text, unit);
  if (!written.ok) return failure({ code: 'unreadable', problem: written.problem });
  const { length } = written.value;
  const { least, most } = limitsOf(how);
  return length < least || length > most
    ? failure({ code: 'impossible', how, text: text.trim() })
    : success(length);
}

/**
 * An alteration's problem as a sentence that says what to do.
 *
 * @example sayAlterationProblem({ code: 'impossible', how: 'hem-at', text: '900' }, 'cm') // '900 cm is not a finished length (10 cm to 180 cm). Measure at the pins again.'
 */
export function sayAlterationProblem(problem: AlterationProblem, unit: ShownLength): string {
  if (problem.code === 'unreadable') return sayMeasureProblem(problem.problem);
  const { least, most } = limitsOf(problem.how);
  const what = problem.how === 'hem-at' ? 'a finished length' : 'an alteration';
  const written = /[a-z"']/i.test(problem.text) ? problem.text : `${problem.text} ${plainUnit(unit)}`;
  return `${written} is not ${what} (${formatLength(least, unit)} to ${formatLength(most, unit)}). Measure at the pins again.`;
}

/**
 * What is altered: "let out the waist by 2 cm", "hem the leg at 78 cm".
 *
 * @example sayAltered({ area: 'leg', how: 'hem-at', length: inches(30.1875) }, 'in/16') // 'hem the leg at 30 3/16 in'
 */
export function sayAltered(
  { area, how, length }: { readonly area: FitArea; readonly how: AlteredHow; readonly length: Length },
  unit: ShownLength,
): string {
  const { name } = areaFacts(area);
  return how === 'hem-at'
    ? `hem the ${name} at ${formatLength(length, unit)}`
    : `${ALTERATION_WORDS[how]} the ${name} by ${formatLength(length, unit)}`;
}

/** What is done to a garment. */
export const ALTERATION_WORDS: Readonly<Record<AlterationDoing, string>> = {
  'take-in': 'take in',
  'let-out': 'let out',
  shorten: 'shorten',
  lengthen: 'lengthen',
};

function limitsOf(how: AlteredHow) {
  return how === 'hem-at' ? HEMMED : BY;
}
