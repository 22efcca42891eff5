import { wishOf, type WishCode } from '../body/wishes';
import { failure, success, type Outcome } from '../outcome';
import { formatLength, plainUnit, type ShownLength } from '../quantity/format-length';
import type { Length, WorkingUnit } from '../quantity/length';
import { parseLength, type LengthProblem } from '../quantity/parse-length';
import { sayMeasureProblem } from '../quantity/say-measure-problem';

/** Why what was typed is no wish. */
export type WishProblem =
  | { readonly code: 'unreadable'; readonly problem: LengthProblem }
  | { readonly code: 'impossible'; readonly wish: WishCode; readonly text: string };

/**
 * Reads a length that is wanted of a garment. A wish is as long as it is wanted, within what can be worn at all.
 *
 * @example readWish('30', 'train', 'cm').value === cm(30) // true
 */
export function readWish(text: string, wish: WishCode, unit: WorkingUnit): Outcome<Length, WishProblem> {
  const written = parseLength(text, unit);
  if (!written.ok) return failure({ code: 'unreadable', problem: written.problem });
  const { length } = written.value;
  const { least, most } = wishOf(wish).limits;
  return length < least || length > most
    ? failure({ code: 'impossible', wish, text: text.trim() })
    : success(length);
}

/**
 * A wish's problem as a sentence that says what to do.
 *
 * @example sayWishProblem(readWish('9000', 'train', 'cm').problem, 'cm') // '9000 cm is no train (5 cm to 300 cm). Write what is wanted again.'
 */
export function sayWishProblem(problem: WishProblem, unit: ShownLength): string {
  if (problem.code === 'unreadable') return sayMeasureProblem(problem.problem);
  const { name, limits } = wishOf(problem.wish);
  const range = `${formatLength(limits.least, unit)} to ${formatLength(limits.most, unit)}`;
  const written = /[a-z"']/i.test(problem.text) ? problem.text : `${problem.text} ${plainUnit(unit)}`;
  return `${written} is no ${name.toLowerCase()} (${range}). Write what is wanted again.`;
}
