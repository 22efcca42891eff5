import type { ChartSheet } from '../../chart-shape';
import { fromDate } from '../cells/spreadsheet-date';
import type { PlannedColumn } from '../plan/planned-column';

/** What a table comes to: parts, and how their sizes go together. */
export type ImportedParts = Pick<ChartSheet, 'parts' | 'label' | 'combinations' | 'derivations'>;

/**
 * Whether a column is taken for a measurement.
 *
 * @example planTable(textGrid('Size,Chest (cm)\nM,94-102\nL,102-110').value).columns.map(isMeasurement) // [false, true]
 */
export function isMeasurement({ means }: PlannedColumn): boolean {
  return means !== null && means !== 'size' && means !== 'label' && means !== 'class';
}

/**
 * The label of a size as it is kept: without the word before it and marks behind it; what a spreadsheet made
 * a date of is taken back.
 *
 * @example labelIn('Size 38*') // '38'
 */
export function labelIn(text: string): string {
  const bare = text
    .replace(/^size\s+/i, '')
    .replace(/(?<=\S)\s*[*†‡]+$/, '')
    .trim();
  return fromDate(text) ?? bare;
}
