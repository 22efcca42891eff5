import type { MassProblem } from './mass';
import type { LengthProblem } from './parse-length';

/**
 * Why a text is no length, or no mass, as a sentence that says what to do next.
 *
 * @example sayMeasureProblem({ code: 'empty' }) // 'Nothing is entered here. Enter a number such as 38 1/2 or 97.5 cm.'
 */
export function sayMeasureProblem(problem: LengthProblem | MassProblem): string {
  switch (problem.code) {
    case 'empty':
      return 'Nothing is entered here. Enter a number such as 38 1/2 or 97.5 cm.';
    case 'unreadable':
      return `“${problem.text.trim()}” is not a length. Enter a number such as 38, 38.5, 38 1/2 or 97.5 cm.`;
    case 'unknown-unit':
      return `“${problem.unit}” in “${problem.text.trim()}” is not a unit of length here. Use mm, cm, m, in or ft, or leave the unit out.`;
    case 'inches-not-below-a-foot':
      return `“${problem.text.trim()}” has twelve inches or more after the feet. Enter fewer, or enter inches only.`;
    case 'improper-fraction':
    case 'mass-improper-fraction':
      return `The fraction in “${problem.text.trim()}” is not less than one. Enter a fraction such as 7/8.`;
    case 'too-long':
      return `“${problem.text.trim()}” is longer than any body or garment. Check the digits and the unit.`;
    case 'mass-empty':
      return 'Nothing is entered here. Enter a weight such as 72.5 kg, 160 lb or 11 st 4.';
    case 'mass-unreadable':
      return `“${problem.text.trim()}” is not a weight. Enter a number such as 72.5 kg, 160 lb or 11 st 4.`;
    case 'mass-unknown-unit':
      return `“${problem.unit}” in “${problem.text.trim()}” is not a unit of weight. Use kg, g, lb or st, or leave the unit out.`;
    case 'mass-pounds-not-below-a-stone':
      return `“${problem.text.trim()}” has fourteen pounds or more after the stones. Enter fewer, or enter pounds only.`;
    case 'too-heavy':
      return `“${problem.text.trim()}” is heavier than any body. Check the digits and the unit.`;
  }
}
