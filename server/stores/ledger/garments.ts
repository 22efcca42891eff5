import { type KeepingSave, type KeptGarment, keepingSchema } from '@neat-measure/contract/stores';
import { sizesOfLabel, usualKeeping, type Keeping } from '@neat-measure/core/stock';
import type { GarmentKind } from '@neat-measure/core';
import { findCharts } from '../../charts/store';
import type { Database } from '../../database/database';
import { readJson } from '../../database/read-json';
import { saveVersioned, type SavedVersion } from '../../database/save-versioned';
import { notFound } from '../../http/problem-error';
import { StockRefused } from './ledger';

/** A garment that can lie in the stores: the latest version of its chart, and how it is kept. */
export interface Garment {
  readonly seriesId: string;
  readonly chartId: string;
  readonly chartVersion: number;
  readonly garment: string;
  readonly maker: string;
  readonly kind: GarmentKind;
  readonly keeping: Keeping;
  /** 0 while nobody has said how it is kept. */
  readonly version: number;
}

interface Row {
  readonly series_id: string;
  readonly id: string;
  readonly chart_version: number;
  readonly garment: string;
  readonly maker: string;
  readonly kind: GarmentKind;
  readonly body: unknown;
  readonly version: number | null;
}

/**
 * Garments by the series of their charts.
 *
 * @param series which; all that are on the shelf of charts, or lie in the stores, without it
 */
export async function garmentsOf(
  database: Database,
  series?: readonly string[],
): Promise<Map<string, Garment>> {
  const rows: Row[] = await database('charts')
    .leftJoin('garment_keeping', 'garment_keeping.id', 'charts.series_id')
    .whereRaw(
      'not exists (select 1 from charts later where later.series_id = charts.series_id and later.version > charts.version)',
    )
    .modify((query) => {
      if (series === undefined)
        void query.where((one) =>
          one
            .whereNull('charts.retired_at')
            .orWhereIn('charts.series_id', database('articles').select('series_id')),
        );
      else void query.whereIn('charts.series_id', [...series]);
    })
    .orderBy(['charts.maker', 'charts.garment'])
    .select('charts.series_id', 'charts.id', 'charts.garment', 'charts.maker', 'charts.kind', 'body', {
      chart_version: 'charts.version',
      version: 'garment_keeping.version',
    });
  return new Map(
    rows.map(({ series_id, id, chart_version, garment, maker, kind, body, version }) => [
      series_id,
      {
        seriesId: series_id,
        chartId: id,
        chartVersion: chart_version,
        garment,
        maker,
        kind,
        keeping: body === null ? usualKeeping(kind) : readJson(keepingSchema, body, `keeping ${series_id}`),
        version: version ?? 0,
      },
    ]),
  );
}

/** One garment. @throws ProblemError `not-found` */
export async function garmentOf(database: Database, seriesId: string): Promise<Garment> {
  const found = (await garmentsOf(database, [seriesId])).get(seriesId);
  if (found === undefined) throw notFound('chart');
  return found;
}

/** Every garment with how it is kept. */
export async function listKept(database: Database): Promise<KeptGarment[]> {
  return [...(await garmentsOf(database)).values()];
}

/**
 * Says how a garment is kept. What is in stock by count cannot become numbered, nor the other way round:
 * nobody would know which piece is which.
 */
export async function keepGarment(
  database: Database,
  seriesId: string,
  { keeping, version }: KeepingSave,
): Promise<SavedVersion> {
  const before = await garmentOf(database, seriesId);
  if (before.keeping.numbered !== keeping.numbered) {
    const some = await database('articles')
      .join('stock_movements', 'stock_movements.article_id', 'articles.id')
      .where({ series_id: seriesId })
      .first('articles.id');
    if (some !== undefined)
      throw new StockRefused(
        `${before.garment} has been in the stores ${before.keeping.numbered ? 'numbered' : 'counted'}. Write off the stock first, or leave it ${before.keeping.numbered ? 'numbered' : 'counted'}.`,
      );
  }
  return saveVersioned(database, {
    table: 'garment_keeping',
    id: seriesId,
    version,
    columns: { body: JSON.stringify(keeping) },
    compared: ['body'],
  });
}

/** @throws ProblemError where a label is none that the garment's chart makes */
export async function refuseLabel(
  database: Database,
  { chartId, garment }: Garment,
  label: string,
): Promise<void> {
  const [chart] = await findCharts(database, [chartId]);
  if (sizesOfLabel(chart!.sheet, label) === null)
    throw new StockRefused(`“${label}” is no size of ${garment}, or is not made. Check its chart.`);
}
