import type { StockNeed } from '@neat-measure/contract/stores';
import { needOf, totalOf } from '@neat-measure/core/stock';
import type { Database } from '../../database/database';
import { onShelves, tellArticles } from '../ledger/articles';
import { garmentsOf } from '../ledger/garments';
import type { ArticleRow } from '../ledger/ledger';
import { wantedByArticle } from './wanted';

/** What is to be ordered: what decided dockets wait for and what shelves are to hold, less what is there and coming. */
export async function listNeeds(database: Database): Promise<StockNeed[]> {
  const wanted = await wantedByArticle(database);
  const rows = await database<ArticleRow>('articles');
  const known = await tellArticles(
    database,
    rows.filter((row) => row.minimum > 0 || wanted.has(`${row.series_id} ${row.label}`)),
  );
  const byKey = new Map(known.map((one) => [`${one.seriesId} ${one.label}`, one]));
  const keys = [...new Set([...wanted.keys(), ...byKey.keys()])];
  const garments = await garmentsOf(database, [...new Set(keys.map((key) => key.slice(0, 36)))]);
  const needs = keys.flatMap((key): StockNeed[] => {
    const garment = garments.get(key.slice(0, 36));
    if (garment === undefined) return [];
    const article = byKey.get(key);
    const forThem = wanted.get(key) ?? [];
    const supply = {
      // What is hired serves one after the other.
      wanted: forThem.some(({ hired }) => hired) ? Math.min(1, forThem.length) : forThem.length,
      there: article === undefined ? 0 : onShelves(article),
      coming: article?.coming ?? 0,
      minimum: article?.minimum ?? 0,
    };
    const need = needOf(supply, garment.keeping);
    const total = totalOf(need);
    if (total === 0) return [];
    const { seriesId, maker } = garment;
    return [
      {
        seriesId,
        maker,
        garment: garment.garment,
        label: key.slice(37),
        ...supply,
        ...need,
        total,
        // The latest wait: those before have what is there.
        wantedFor: forThem
          .slice(forThem.length - need.forWearers)
          .map(({ docketId, chartId, docketNumber, wearer, openedAt }) => ({
            docketId,
            chartId,
            docketNumber,
            wearer,
            openedAt,
          })),
      },
    ];
  });
  const name = (one: StockNeed) => `${one.maker}\n${one.garment}\n${one.label}`;
  return needs.sort((a, b) => name(a).localeCompare(name(b), 'en', { numeric: true }));
}
