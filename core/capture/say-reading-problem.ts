import { measurement } from '../body/catalogue';
import { formatLength, type ShownUnit } from '../quantity/format-length';
import { sayMeasureProblem } from '../quantity/say-measure-problem';
import type { ReadingProblem } from './read-reading';

/**
 * A reading problem as a sentence that says what to do next.
 *
 * @example sayReadingProblem(readReading('97', 'chest-girth', 'in').problem, 'in/8') // '97 in is outside any chest (23 5/8 in to 70 7/8 in). 97 cm?'
 */
export function sayReadingProblem(problem: ReadingProblem, unit: ShownUnit): string {
  if (problem.code === 'unreadable') return sayMeasureProblem(problem.problem);
  const { text, limits, offers } = problem;
  const written = /[a-z"']/i.test(text) ? text : `${text} ${problem.unit}`;
  const where = measurement(problem.measurement).name.toLowerCase();
  const range = `${formatLength(limits.least, unit)} to ${formatLength(limits.most, unit)}`;
  const again =
    measurement(problem.measurement).kind === 'mass' ? 'Read the scale again.' : 'Read the tape again.';
  const next = offers.length > 0 ? `${text} ${offers[0]!.unit}?` : again;
  return `${written} is outside any ${where} (${range}). ${next}`;
}
