import { goneLabelNow, sizesOfLabel, type Rename } from '@neat-measure/core/stock';
import { findCharts } from '../../charts/store';
import type { Database } from '../../database/database';
import { garmentOf } from './garments';
import type { ArticleRow } from './ledger';

/** What sizes are called by now, of some garments or of all. */
export async function renamesOf(database: Database, series?: readonly string[]): Promise<Rename[]> {
  const rows = await database('label_renames')
    .modify((query) => void (series === undefined ? query : query.whereIn('series_id', [...series])))
    .select<{ series_id: string; label: string; to_label: string; since: number }[]>(
      'series_id',
      'label',
      'to_label',
      'since',
    );
  return rows.map(({ series_id, label, to_label, since }) => ({
    seriesId: series_id,
    label,
    to: to_label,
    since,
  }));
}

/** Keeps what a size is called since a version of its chart. */
export async function keepRename(
  transaction: Database,
  { seriesId, label, to, since }: Rename,
): Promise<void> {
  await transaction('label_renames').insert({ series_id: seriesId, label, to_label: to, since });
}

/**
 * The article under which something is kept that bears the label of an article: that one itself, or what its size
 * is called now, where the chart has the label no more and somebody has said so.
 */
export async function articleNow(database: Database, id: string): Promise<string> {
  const row = await database<ArticleRow>('articles').where({ id }).first();
  if (row === undefined) return id;
  const { series_id: seriesId, label } = row;
  const renames = await renamesOf(database, [seriesId]);
  if (!renames.some((one) => one.label === label)) return id;
  const { chartId } = await garmentOf(database, seriesId);
  const [chart] = await findCharts(database, [chartId]);
  if (sizesOfLabel(chart!.sheet, label) !== null) return id;
  const now = await database<ArticleRow>('articles')
    .where({ series_id: seriesId, label: goneLabelNow(renames, { seriesId, label }) })
    .first();
  return now?.id ?? id;
}
