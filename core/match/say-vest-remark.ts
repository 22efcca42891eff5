import { formatLength, type ShownLength } from '../quantity/format-length';
import { micrometres, type Length } from '../quantity/length';
import { type VestRemark } from './vest-remarks';

/**
 * A remark in a sentence.
 *
 * @example sayVestRemark({ kind: 'sitting', standing: inches(16), seated: inches(13.5) }, 'in/8') // 'Sitting takes 2 1/2 in off the front: 16 in standing, 13 1/2 in seated.'
 */
export function sayVestRemark(remark: VestRemark, unit: ShownLength): string {
  const length = (one: Length) => formatLength(one, unit);
  if (remark.kind === 'sitting') {
    const by = length(micrometres(remark.standing - remark.seated));
    return `Sitting takes ${by} off the front: ${length(remark.standing)} standing, ${length(remark.seated)} seated.`;
  }
  const by = length(micrometres(Math.abs(remark.front - remark.back)));
  return `Front and back are ${by} apart (${length(remark.front)} and ${length(remark.back)}). The two are usually equally long: measure both again.`;
}
