import type { Chart } from '@neat-measure/contract';
import { chartSheetSchema, type ChartSheet } from '@neat-measure/core';
import type { Database } from './database';
import { readJson } from './read-json';
import { saveOnce } from './save-once';

interface ChartRow {
  readonly id: string;
  readonly source: string;
  readonly sheet: unknown;
  readonly imported_at: Date;
}

/** All charts, by maker and garment. */
export async function listCharts(database: Database): Promise<Chart[]> {
  return (await database<ChartRow>('charts').orderBy(['maker', 'garment', 'imported_at'])).map(toChart);
}

/** The charts of some ids, in the order asked; unknown ids are left out. */
export async function findCharts(database: Database, ids: readonly string[]): Promise<Chart[]> {
  const rows = await database<ChartRow>('charts').whereIn('id', [...ids]);
  return ids.flatMap((id) => rows.filter((row) => row.id === id)).map(toChart);
}

/** Keeps a chart for good. The same chart under the same id changes nothing. */
export async function saveChart(
  database: Database,
  id: string,
  sheet: ChartSheet,
  source: string,
  fitterId: string,
): Promise<void> {
  const { maker, garment } = sheet;
  const row = {
    id,
    maker,
    garment,
    source,
    sheet: JSON.stringify(sheet),
    imported_by: fitterId,
    imported_at: new Date(),
  };
  await saveOnce(database, 'charts', row, ['maker', 'garment', 'source', 'sheet']);
}

function toChart({ id, source, sheet, imported_at }: ChartRow): Chart {
  return {
    id,
    source,
    sheet: readJson(chartSheetSchema, sheet, `chart ${id}`),
    importedAt: imported_at.toISOString(),
  };
}
