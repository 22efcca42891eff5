import type { Database } from '../../database/database';

/** Balances of articles by place, rooms and wearers alike: sums of the list. */
export async function balancesOf(
  database: Database,
  ids: readonly string[],
): Promise<Map<string, Map<string, number>>> {
  const found = new Map<string, Map<string, number>>(ids.map((id) => [id, new Map()]));
  if (ids.length === 0) return found;
  const sums = async (column: 'from_place' | 'to_place', sign: 1 | -1) => {
    const rows: { article_id: string; at: string; n: number | string }[] = await database('stock_movements')
      .whereIn('article_id', [...ids])
      .groupBy('article_id', column)
      .select('article_id', { at: column })
      .sum({ n: 'count' });
    for (const { article_id, at, n } of rows) {
      const own = found.get(article_id)!;
      own.set(at, (own.get(at) ?? 0) + sign * Number(n));
    }
  };
  await sums('to_place', 1);
  await sums('from_place', -1);
  return found;
}
