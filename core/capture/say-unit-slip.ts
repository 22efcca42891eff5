import { measurement } from '../body/catalogue';
import { formatLength, type ShownUnit } from '../quantity/format-length';
import { type UnitSlip } from './unit-slip';

/**
 * The question in a sentence.
 *
 * @example sayUnitSlip(unitSlip('66', 'trouser-waist-girth', 'in', new Map()), 'in/8') // '66 in is far from the usual trouser waist. 66 cm?'
 */
export function sayUnitSlip({ code, text, unit, length, offer }: UnitSlip, shown: ShownUnit): string {
  const [written, name] = [`${text} ${unit}`, measurement(code).name.toLowerCase()];
  const is = unit === shown.slice(0, 2) ? written : `${written} (${formatLength(length, shown)})`;
  return `${is} is far from the usual ${name}. ${text} ${offer.unit}?`;
}
