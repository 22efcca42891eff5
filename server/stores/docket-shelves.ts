import type { Bench } from '@neat-measure/contract';
import type { DocketShelves } from '@neat-measure/contract/stores';
import { replay } from '@neat-measure/core';
import { labelNow } from '@neat-measure/core/stock';
import type { Database } from '../database/database';
import { onShelves, tellArticles } from './ledger/articles';
import type { ArticleRow } from './ledger/ledger';
import { renamesOf } from './ledger/renames';
import { keptFor, type ReservationRow } from './reserved/reserved';

/**
 * What lies on shelves of the garments of a docket, in every size, so that it can be told beside a decision and before
 * anything is put on. What is reserved for the docket is theirs, and counted.
 */
export async function shelvesForDocket(
  database: Database,
  { acts, charts }: Pick<Bench, 'acts' | 'charts'>,
): Promise<DocketShelves> {
  const docket = replay(acts.map(({ act }) => act));
  const room = await database('store_rooms').first<{ id: string } | undefined>('id');
  if (docket === null || room === undefined) return [];
  const own = charts.filter(({ id }) => docket.garments.some(({ chartId }) => chartId === id));
  const series = own.map(({ seriesId }) => seriesId);
  const rows = await database<ArticleRow>('articles').whereIn('series_id', series);
  const articles = await tellArticles(database, rows);
  const renames = await renamesOf(database, series);
  const kept: ReservationRow[] = await keptFor(database, docket.id);
  return own.map(({ id, seriesId, version }) => ({
    chartId: id,
    sizes: articles
      .filter((one) => one.seriesId === seriesId)
      .flatMap((article) => {
        const theirs = kept.filter(({ article_id }) => article_id === article.id).length;
        const told = { count: onShelves(article) + theirs, coming: article.coming };
        // What a later version calls otherwise, this docket still calls by its old label.
        const labels = renames
          .filter((one) => one.seriesId === seriesId)
          .map(({ label }) => label)
          .filter((label) => labelNow(renames, { seriesId, label, version }) === article.label);
        return [...new Set([article.label, ...labels])].map((label) => ({ label, ...told }));
      }),
  }));
}
