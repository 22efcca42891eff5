import { compileChart, type CompiledChart } from '../chart/compile-chart';
import { importCsv } from '../chart/formats/import-csv';
import { type ChartSheet } from '../chart/chart-shape';
import { sheetAround } from '../chart/size-chart';

/** A chart sheet from the CSV text of a size table; throws on a table with findings, for specs only. */
export function sheetOf(csv: string, overrides: Partial<ChartSheet> = {}): ChartSheet {
  const part = importCsv(csv);
  if (!part.ok) throw new Error(JSON.stringify(part.problem));
  return {
    ...sheetAround(part.value, { maker: 'Ostrel Workwear', garment: 'Test garment', rule: 'widest-decides' }),
    unit: 'cm',
    ...overrides,
  };
}

/** The same, compiled. */
export function compiledOf(csv: string, overrides: Partial<ChartSheet> = {}): CompiledChart {
  return compileChart(sheetOf(csv, overrides));
}
