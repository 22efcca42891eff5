import type { MassProblem } from './mass';
import type { LengthProblem } from './parse-length';

/**
 * Why a text is no length, or no mass, as a sentence that says what to do next.
 *
 * @example sayMeasureProblem({ code: 'empty' }) // 'Nothing is written here. Write a number such as 38 1/2 or 97.5 cm.'
 */
export function sayMeasureProblem(problem: LengthProblem | MassProblem): string {
  switch (problem.code) {
    case 'empty':
      return 'Nothing is written here. Write a number such as 38 1/2 or 97.5 cm.';
    case 'unreadable':
      return `“${problem.text.trim()}” is no length. Write a number such as 38, 38.5, 38 1/2 or 97.5 cm.`;
    case 'unknown-unit':
      return `“${problem.unit}” in “${problem.text.trim()}” is no unit this place takes. Use mm, cm, m, in or ft, or leave the unit out.`;
    case 'inches-not-below-a-foot':
      return `“${problem.text.trim()}” has twelve inches or more after the feet. Write fewer, or write it in inches alone.`;
    case 'zero-denominator':
      return `The fraction in “${problem.text.trim()}” is over zero. Write it again, such as 1/2.`;
    case 'too-long':
      return `“${problem.text.trim()}” is longer than any body or garment. Check the digits and the unit.`;
    case 'mass-empty':
      return 'Nothing is written here. Write a weight such as 72.5 kg, 160 lb or 11 st 4.';
    case 'mass-unreadable':
      return `“${problem.text.trim()}” is no weight. Write a number such as 72.5 kg, 160 lb or 11 st 4.`;
    case 'mass-unknown-unit':
      return `“${problem.unit}” in “${problem.text.trim()}” is no unit of weight. Use kg, g, lb or st, or leave the unit out.`;
    case 'mass-pounds-not-below-a-stone':
      return `“${problem.text.trim()}” has fourteen pounds or more after the stones. Write fewer, or write it in pounds alone.`;
    case 'mass-zero-denominator':
      return `The fraction in “${problem.text.trim()}” is over zero. Write it again, such as 1/2.`;
    case 'too-heavy':
      return `“${problem.text.trim()}” is heavier than any body. Check the digits and the unit.`;
  }
}
