import type { Bench, Chart } from '@neat-measure/contract';
import { printChart } from '../charts/chart-sheet';
import { printMeasuringSheet } from '../dockets/measuring-sheet';

/** A sheet of paper to be made, with everything that stands on it. */
export type Sheet =
  | { readonly sheet: 'steps'; readonly bench: Bench }
  | { readonly sheet: 'chart'; readonly chart: Chart };

/** Makes the PDF of a sheet. It takes seconds of work, so the server has it done in a thread of its own. */
export function printSheet(sheet: Sheet): Promise<Buffer> {
  return sheet.sheet === 'steps' ? printMeasuringSheet(sheet.bench) : printChart(sheet.chart);
}

/** How a sheet is made by whoever answers requests. */
export type Print = (sheet: Sheet) => Promise<Uint8Array>;
