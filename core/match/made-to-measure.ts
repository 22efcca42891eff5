import type { MeasurementCode } from '../body/catalogue/codes';
import { type ChartSheet } from '../chart/chart-shape';
import { readingsBehind } from '../chart/size-chart';
import type { Length } from '../quantity/length';

/** One measurement a maker needs, with its value as far as it was taken. */
export interface MadeToMeasureNeed {
  readonly code: MeasurementCode;
  readonly value: Length | null;
}

/**
 * What a maker needs to make a garment where no size goes: every measurement the chart is
 * about, those it decides by first, then those it only reports. Values are those read, not as
 * the chart rounds them.
 *
 * @example madeToMeasureNeeds(jacket.sheet, settledValues(docket.readings, house)).map(({ code }) => code) // ['chest-girth', 'waist-girth']
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
