import type { SizingView } from '@neat-measure/contract/musters';
import type { Database } from '../../database/database';
import { onShelves, tellArticles } from '../../stores/ledger/articles';
import type { ArticleRow } from '../../stores/ledger/ledger';

/** What lies on the shelves of some garments and is coming, by series and label. */
export async function stockOfSeries(
  database: Database,
  series: readonly string[],
): Promise<SizingView['stock']> {
  const rows = await database<ArticleRow>('articles').whereIn('series_id', [...series]);
  const known = await tellArticles(database, rows);
  return series.map((seriesId) => ({
    seriesId,
    lines: known
      .filter((one) => one.seriesId === seriesId)
      .map((one) => ({ label: one.label, there: onShelves(one), coming: one.coming })),
  }));
}
