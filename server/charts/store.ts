import {
  PAGE,
  wordsOf,
  type Chart,
  type ChartSummary,
  type ChartUses,
  type ListQuery,
  type Page,
} from '@neat-measure/contract';
import { decidingCodes, keptSheetSchema, type ChartSheet } from '@neat-measure/core';
import { LRUCache } from 'lru-cache';
import type { Database } from '../database/database';
import { withWords } from '../database/like';
import { readJson } from '../database/read-json';
import { saveOnce, type SavedOnce } from '../database/save-once';

interface ChartRow {
  readonly id: string;
  readonly series_id: string;
  readonly version: number;
  readonly maker: string;
  readonly garment: string;
  readonly source: string;
  readonly sheet: unknown;
  readonly imported_at: Date;
}

/** The latest version of every chart that is not retired. */
function onShelf(database: Database) {
  return database<ChartRow>('charts').whereRaw(
    'not exists (select 1 from charts later where later.series_id = charts.series_id and later.version > charts.version) and charts.retired_at is null',
  );
}

/** A part of the latest versions that match a search, by maker and garment. */
export async function listCharts(
  database: Database,
  { search, from }: ListQuery,
): Promise<Page<ChartSummary>> {
  const latest = () => withWords(onShelf(database), wordsOf(search), ['maker', 'garment']);
  const counted = await latest().count<{ n: number }[]>({ n: '*' });
  const rows = await latest().orderBy(['maker', 'garment', 'imported_at']).offset(from).limit(PAGE);
  const items = (rows as ChartRow[]).map(toChart).map(({ id, seriesId, version, sheet }) => ({
    id,
    seriesId,
    version,
    maker: sheet.maker,
    garment: sheet.garment,
    kind: sheet.kind,
    parts: sheet.parts.length,
    sizes: sheet.parts[0]!.sizes.length,
    codes: decidingCodes(sheet),
  }));
  return { items, total: Number(counted[0]!.n) };
}

/** The latest version of every chart that is not retired, whole. */
export async function chartsInUse(database: Database): Promise<Chart[]> {
  return ((await onShelf(database).orderBy(['maker', 'garment', 'imported_at'])) as ChartRow[]).map(toChart);
}

/** Versions that were read before: they never change, and reading one is much work. */
const KNOWN = new LRUCache<string, Chart>({ max: 500 });

/** The versions of some ids, in the order asked; unknown ids are left out. */
export async function findCharts(database: Database, ids: readonly string[]): Promise<Chart[]> {
  const unknown = ids.filter((id) => !KNOWN.has(id));
  const rows = unknown.length === 0 ? [] : await database<ChartRow>('charts').whereIn('id', unknown);
  const found = new Map(rows.map(toChart).map((chart) => [chart.id, chart]));
  return ids.flatMap((id) => found.get(id) ?? KNOWN.get(id) ?? []);
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

/** Keeps a version for good; `overtaken` when another version took the place first. */
export async function saveChart(
  database: Database,
  { id, seriesId, version, sheet, source }: ChartVersion,
  fitterId: string,
): Promise<SavedOnce | 'overtaken'> {
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
  if (taken !== undefined && taken.id !== id) return 'overtaken';
  return saveOnce(database, 'charts', row, ['series_id', 'version', 'maker', 'garment', 'source', 'sheet']);
}

/**
 * Whether another chart in use has the same maker and garment: nobody could tell the two apart.
 * A name that a chart had in an earlier version is free.
 */
export async function hasNamesake(
  database: Database,
  seriesId: string,
  { maker, garment }: Pick<ChartSheet, 'maker' | 'garment'>,
): Promise<boolean> {
  const row = await onShelf(database).where({ maker, garment }).whereNot({ series_id: seriesId }).first('id');
  return row !== undefined;
}

/** Retires a chart with all its versions, or restores it. Nothing of it is deleted. */
export async function retireChart(database: Database, seriesId: string, retired: boolean): Promise<void> {
  await database('charts')
    .where({ series_id: seriesId })
    .update({ retired_at: retired ? new Date() : null });
}

/** Whether a version is retired. */
export async function isRetired(database: Database, id: string): Promise<boolean> {
  const row = await database('charts').where({ id }).whereNotNull('retired_at').first('id');
  return row !== undefined;
}

/** How many of some charts there are, by their series, retired or not. */
export async function seriesThere(database: Database, series: readonly string[]): Promise<number> {
  if (series.length === 0) return 0;
  const rows = await database('charts')
    .whereIn('series_id', [...series])
    .countDistinct<{ n: number }[]>({ n: 'series_id' });
  return Number(rows[0]!.n);
}

/** Where a version is used. */
export async function chartUses(database: Database, id: string): Promise<ChartUses> {
  const count = async (rows: ReturnType<Database['queryBuilder']>) =>
    Number((await rows.count<{ n: number }[]>({ n: '*' }))[0]!.n);
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
    retired: await isRetired(database, id),
    dockets: await count(database('docket_garments').where({ chart_id: id })),
    decisions: await count(database('acts').where({ about: id, kind: 'garment-decided' })),
    latest: latest.map(({ docket_id, number, name, opened_at }) => ({
      docketId: docket_id,
      number,
      wearer: name,
      openedAt: opened_at.toISOString(),
    })),
  };
}

function toChart({ id, series_id, version, source, sheet, imported_at }: ChartRow): Chart {
  const known = KNOWN.get(id);
  if (known !== undefined) return known;
  const chart = {
    id,
    seriesId: series_id,
    version,
    source,
    sheet: readJson(keptSheetSchema, sheet, `chart ${id}`),
    importedAt: imported_at.toISOString(),
  };
  KNOWN.set(id, chart);
  return chart;
}
