import type { Rename } from '@neat-measure/core/stock';
import type { Database } from '../../database/database';

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
