import type { LengthProblem } from './parse-length';

/** A length problem as a sentence that says what to do next. */
export function sayLengthProblem(problem: LengthProblem): string {
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
  }
}
