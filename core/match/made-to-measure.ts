import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { type ChartSheet } from '../chart/chart-shape';
import { readingsBehind } from '../chart/size-chart';
import { formatLength } from '../quantity/format-length';
import type { Length, WorkingUnit } from '../quantity/length';

/** One measurement a maker needs, with its value as far as it was taken. */
export interface MadeToMeasureNeed {
  readonly code: MeasurementCode;
  readonly value: Length | null;
}

/**
 * What a maker needs to make a garment where no size goes: every measurement the chart is
 * about, those it decides by first, then those it only reports. Values are those read, not as
 * the chart rounds them.
 */
export function madeToMeasureNeeds(
  sheet: ChartSheet,
  values: ReadonlyMap<MeasurementCode, Length>,
): MadeToMeasureNeed[] {
  const columns = sheet.parts.flatMap(({ columns }) => columns);
  const inOrder = [
    ...columns.filter(({ role }) => role === 'deciding'),
    ...columns.filter(({ role }) => role === 'advisory'),
  ];
  return [...new Set(inOrder.flatMap(({ code }) => readingsBehind(sheet, code)))].map((code) => ({
    code,
    value: values.get(code) ?? null,
  }));
}

/** The needs in one line: "chest 84.5 cm, natural waist 67 cm; still to measure: shoulder width". */
export function sayNeeds(needs: readonly MadeToMeasureNeed[], reader: WorkingUnit): string {
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
