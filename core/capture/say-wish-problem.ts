import { wishOf } from '../body/wishes';
import { formatLength, plainUnit, type ShownLength } from '../quantity/format-length';
import { sayMeasureProblem } from '../quantity/say-measure-problem';
import { type WishProblem } from './read-wish';

/**
 * A wish's problem as a sentence that says what to do.
 *
 * @example sayWishProblem(readWish('9000', 'train', 'cm').problem, 'cm') // '9000 cm is no train (5 cm to 300 cm). Enter it again.'
 */
export function sayWishProblem(problem: WishProblem, unit: ShownLength): string {
  if (problem.code === 'unreadable') return sayMeasureProblem(problem.problem);
  const { name, limits } = wishOf(problem.wish);
  const range = `${formatLength(limits.least, unit)} to ${formatLength(limits.most, unit)}`;
  const written = /[a-z"']/i.test(problem.text) ? problem.text : `${problem.text} ${plainUnit(unit)}`;
  return `${written} is no ${name.toLowerCase()} (${range}). Enter it again.`;
}
