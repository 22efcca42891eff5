import { type Outcome, failure, success } from '../outcome';
import { cm, mm, type Length, type WorkingUnit } from '../quantity/length';
import { parseLength, type LengthProblem } from '../quantity/parse-length';
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

/** What is done to a garment. */
export const ALTERATION_WORDS: Readonly<Record<AlterationDoing, string>> = {
  'take-in': 'take in',
  'let-out': 'let out',
  shorten: 'shorten',
  lengthen: 'lengthen',
};

/**
 * Between which an alteration can be: of a finished length, or of a change.
 *
 * @example limitsOf('hem-at').least === cm(10) // true
 */
export function limitsOf(how: AlteredHow) {
  return how === 'hem-at' ? HEMMED : BY;
}
