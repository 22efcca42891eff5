import type { Chart, ChartUses } from '@neat-measure/contract';
import { chartSheetSchema, type ChartSheet } from '@neat-measure/core';
import { ProblemError } from '../problem-error';
import type { Database } from './database';
import { readJson } from './read-json';
import { saveOnce } from './save-once';

interface ChartRow {
  readonly id: string;
  readonly series_id: string;
  readonly version: number;
  readonly source: string;
  readonly sheet: unknown;
  readonly imported_at: Date;
}

/** The latest version of every chart, by maker and garment. */
export async function listCharts(database: Database): Promise<Chart[]> {
  const rows = await database<ChartRow>('charts')
    .whereRaw(
      'not exists (select 1 from charts later where later.series_id = charts.series_id and later.version > charts.version)',
    )
    .orderBy(['maker', 'garment', 'imported_at']);
  return rows.map(toChart);
}

/** The versions of some ids, in the order asked; unknown ids are left out. */
export async function findCharts(database: Database, ids: readonly string[]): Promise<Chart[]> {
  const rows = await database<ChartRow>('charts').whereIn('id', [...ids]);
  return ids.flatMap((id) => rows.filter((row) => row.id === id)).map(toChart);
}

/** Every version of a chart, the newest first. */
export async function listVersions(database: Database, seriesId: string): Promise<Chart[]> {
  const rows = await database<ChartRow>('charts').where({ series_id: seriesId }).orderBy('version', 'desc');
  return rows.map(toChart);
}

/** What is kept of a version. */
export interface ChartVersion {
  readonly id: string;
  readonly seriesId: string;
  readonly version: number;
  readonly sheet: ChartSheet;
  readonly source: string;
}

/**
 * Keeps a version for good. The same version under the same id changes nothing.
 *
 * @throws ProblemError `changed-meanwhile` when another version took the place first
 */
export async function saveChart(
  database: Database,
  { id, seriesId, version, sheet, source }: ChartVersion,
  fitterId: string,
): Promise<void> {
  const { maker, garment, kind } = sheet;
  const row = {
    id,
    series_id: seriesId,
    version,
    maker,
    garment,
    kind,
    source,
    sheet: JSON.stringify(sheet),
    imported_by: fitterId,
    imported_at: new Date(),
  };
  const taken = await database<ChartRow>('charts').where({ series_id: seriesId, version }).first('id');
  if (taken !== undefined && taken.id !== id)
    throw new ProblemError(
      'changed-meanwhile',
      'Somebody saved a version of this chart meanwhile. Look at it, then make your changes again.',
    );
  await saveOnce(database, 'charts', row, ['series_id', 'version', 'maker', 'garment', 'source', 'sheet']);
}

/** Where a version is used. */
export async function chartUses(database: Database, id: string): Promise<ChartUses> {
  const count = async (table: string) =>
    Number((await database(table).where({ chart_id: id }).count<{ n: number }[]>({ n: '*' }))[0]!.n);
  const latest = await database('docket_garments')
    .join('dockets', 'dockets.id', 'docket_garments.docket_id')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .where({ chart_id: id })
    .orderBy('opened_at', 'desc')
    .limit(8)
    .select<
      { docket_id: string; number: number; name: string; opened_at: Date }[]
    >('docket_id', 'number', 'wearers.name', 'opened_at');
  return {
    dockets: await count('docket_garments'),
    decisions: await count('decisions'),
    latest: latest.map(({ docket_id, number, name, opened_at }) => ({
      docketId: docket_id,
      number,
      wearer: name,
      openedAt: opened_at.toISOString(),
    })),
  };
}

function toChart({ id, series_id, version, source, sheet, imported_at }: ChartRow): Chart {
  return {
    id,
    seriesId: series_id,
    version,
    source,
    sheet: readJson(chartSheetSchema, sheet, `chart ${id}`),
    importedAt: imported_at.toISOString(),
  };
}
