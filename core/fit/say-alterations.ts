import { type Length } from '../quantity/length';
import { formatLength, type ShownLength, plainUnit } from '../quantity/format-length';
import { sayMeasureProblem } from '../quantity/say-measure-problem';
import { areaFacts, type FitArea } from '../garment/areas';
import { type AlteredHow, type AlterationProblem, ALTERATION_WORDS, limitsOf } from './alterations';

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
