import { type DeviceLineProblem } from './device-line';

/**
 * A device problem as a sentence.
 *
 * @example sayDeviceProblem(parseDeviceLine('hello').problem) // 'This line is not JSON. Send one object per line.'
 */
export function sayDeviceProblem(problem: DeviceLineProblem): string {
  switch (problem.code) {
    case 'not-json':
      return 'This line is not JSON. Send one object per line.';
    case 'too-long':
      return `This line is longer than ${problem.most} letters. Send one reading per line.`;
    case 'wrong-fields':
      return `Wrong or missing: ${problem.fields.join(', ')}. The form is v, device, seq, value, unit, at.`;
  }
}
