import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { formatLength, type ShownLength } from '../quantity/format-length';
import type { MadeToMeasureNeed } from './made-to-measure';

/**
 * The needs in one line: "chest 84.5 cm, natural waist 67 cm; still to measure: shoulder width".
 *
 * @example sayNeeds(madeToMeasureNeeds(jacket.sheet, settledValues(docket.readings, house)), 'cm') // 'chest 98.3 cm, natural waist 85 cm'
 */
export function sayNeeds(needs: readonly MadeToMeasureNeed[], reader: ShownLength): string {
  const nameOf = (code: MeasurementCode) => measurement(code).name.toLowerCase();
  const known = needs.flatMap(({ code, value }) => {
    if (value === null) return [];
    const unit = measurement(code).kind === 'foot' ? 'mm' : reader;
    return [`${nameOf(code)} ${formatLength(value, unit)}`];
  });
  const missing = needs.flatMap(({ code, value }) => (value === null ? [nameOf(code)] : []));
  return [known.join(', '), missing.length === 0 ? '' : `still to measure: ${missing.join(', ')}`]
    .filter((words) => words !== '')
    .join('; ');
}
