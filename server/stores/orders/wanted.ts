import { handingIn, type GarmentKind } from '@neat-measure/core';
import type { Database } from '../../database/database';
import { labelNow } from '@neat-measure/core/stock';
import { balancesOf } from '../ledger/balances';
import { garmentsOf } from '../ledger/garments';
import type { ArticleRow } from '../ledger/ledger';
import { isGone, listPieces } from '../ledger/pieces';
import { renamesOf } from '../ledger/renames';
import { findSettings } from '../../settings/store';

/** A garment of a docket that has a size, and that the wearer does not have yet. */
export interface Wanted {
  readonly seriesId: string;
  readonly label: string;
  readonly docketId: string;
  readonly chartId: string;
  readonly docketNumber: number;
  readonly wearer: string;
  readonly openedAt: string;
  /** Hired out, so that one piece serves one after the other. */
  readonly hired: boolean;
}

/**
 * What decided dockets wait for. What is hired comes back, and the calendar tells of it: it is waited for only where the
 * house has no piece of that size that could go.
 */
export async function listWanted(database: Database): Promise<Wanted[]> {
  const { habits } = await findSettings(database);
  const renames = await renamesOf(database);
  const rows = await database('docket_garments')
    .join('charts', 'charts.id', 'docket_garments.chart_id')
    .join('dockets', 'dockets.id', 'docket_garments.docket_id')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .whereIn('stage', ['to-try', 'kept'])
    .whereNotNull('final_size')
    .orderBy('dockets.number')
    .select<
      {
        series_id: string;
        version: number;
        kind: GarmentKind;
        final_size: string;
        docket_id: string;
        chart_id: string;
        number: number;
        name: string;
        opened_at: Date;
      }[]
    >('charts.series_id', 'charts.version', 'charts.kind', 'final_size', 'docket_id', 'chart_id', 'dockets.number', 'wearers.name', 'dockets.opened_at');
  // For whom some of that size is reserved, nothing is waited for any more.
  const kept = new Set(
    (
      await database('reservations')
        .join('articles', 'articles.id', 'reservations.article_id')
        .whereNotNull('held_chart_id')
        .select<{ docket_id: string; series_id: string; label: string }[]>('docket_id', 'series_id', 'label')
    ).map(({ docket_id, series_id, label }) => `${docket_id} ${series_id} ${label}`),
  );
  const all = rows.map(
    ({ series_id, version, kind, final_size, docket_id, chart_id, number, name, opened_at }) => ({
      seriesId: series_id,
      label: labelNow(renames, { seriesId: series_id, label: final_size, version }),
      docketId: docket_id,
      chartId: chart_id,
      docketNumber: number,
      wearer: name,
      openedAt: opened_at.toISOString(),
      hired: handingIn(habits, kind) === 'hired',
    }),
  );
  const waiting = all.filter(
    ({ docketId, seriesId, label }) => !kept.has(`${docketId} ${seriesId} ${label}`),
  );
  const hires = waiting.filter(({ hired }) => hired);
  if (hires.length === 0) return waiting;
  const canGo = await hirable(database, [...new Set(hires.map(({ seriesId }) => seriesId))]);
  return waiting.filter(({ hired, seriesId, label }) => !hired || !canGo.has(`${seriesId} ${label}`));
}

/** The sizes of some garments of which the house has any that may be handed out, wherever it is now. */
async function hirable(database: Database, series: readonly string[]): Promise<Set<string>> {
  const pieces = await listPieces(database, (all) => void all.whereIn('pieces.series_id', [...series]));
  const usable = pieces.filter(({ blocked, place }) => !blocked && !isGone(place));
  const rows = await database<ArticleRow>('articles').whereIn('series_id', [...series]);
  const balances = await balancesOf(
    database,
    rows.map(({ id }) => id),
  );
  const garments = await garmentsOf(database, series);
  const counted = rows.filter(
    ({ id, series_id }) =>
      garments.get(series_id)?.keeping.numbered === false &&
      [...balances.get(id)!].some(([place, count]) => count > 0 && !isGone(place)),
  );
  return new Set([
    ...usable.map(({ seriesId, label }) => `${seriesId} ${label}`),
    ...counted.map(({ series_id, label }) => `${series_id} ${label}`),
  ]);
}

/** The same by series and label, with a blank between. */
export async function wantedByArticle(database: Database): Promise<Map<string, Wanted[]>> {
  const byArticle = new Map<string, Wanted[]>();
  for (const one of await listWanted(database)) {
    const key = `${one.seriesId} ${one.label}`;
    byArticle.set(key, [...(byArticle.get(key) ?? []), one]);
  }
  return byArticle;
}
