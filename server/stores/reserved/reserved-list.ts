import type { Reservation } from '@neat-measure/contract/stores';
import { labelNow } from '@neat-measure/core/stock';
import type { Database } from '../../database/database';
import { garmentsOf } from '../ledger/garments';
import { codeOf, type ArticleRow } from '../ledger/ledger';
import { listPieces } from '../ledger/pieces';
import { renamesOf } from '../ledger/renames';
import { openOrders } from '../orders/order-talk';
import { findOrders } from '../orders/orders';
import { keptFor, type ReservationRow } from './reserved';

/** What stands on its docket of a garment that is kept. */
interface OnDocket {
  readonly docket_id: string;
  readonly chart_id: string;
  readonly stage: string;
  readonly final_size: string | null;
  readonly series_id: string;
  readonly version: number;
}

/** What is kept for dockets, by whom it is for: who waits longest for a call first. */
export async function listReserved(database: Database, docketId?: string): Promise<Reservation[]> {
  const rows: ReservationRow[] = await keptFor(database, docketId);
  if (rows.length === 0) return [];
  const docketIds = [...new Set(rows.map(({ docket_id }) => docket_id))];
  const dockets = new Map(
    (
      await database('dockets')
        .join('wearers', 'wearers.id', 'dockets.wearer_id')
        .whereIn('dockets.id', docketIds)
        .select<{ id: string; number: number; name: string }[]>('dockets.id', 'number', 'name')
    ).map((one) => [one.id, one]),
  );
  const onDockets: OnDocket[] = await database('docket_garments')
    .join('charts', 'charts.id', 'docket_garments.chart_id')
    .whereIn('docket_id', docketIds)
    .select('docket_id', 'chart_id', 'stage', 'final_size', 'series_id', 'version');
  const articles = await database<ArticleRow>('articles').whereIn(
    'id',
    rows.map(({ article_id }) => article_id),
  );
  const articleById = new Map(articles.map((one) => [one.id, one]));
  const series = [...new Set(articles.map(({ series_id }) => series_id))];
  const [garments, renames] = [await garmentsOf(database, series), await renamesOf(database, series)];
  const pieceIds = rows.flatMap(({ piece_id }) => piece_id ?? []);
  const pieces = await listPieces(database, (all) => void all.whereIn('pieces.id', pieceIds));
  const serials = new Map(pieces.map(({ id, serial }) => [id, serial]));
  const rooms = await namesOf(database, 'store_rooms');
  const fitters = await namesOf(database, 'fitters');
  const orders = await findOrders(database, await openOrders(database));
  const open = orders.flatMap(({ lines }) => lines.filter((one) => one.open > 0));
  const astray = (row: ReservationRow, article: ArticleRow): Reservation['astray'] => {
    if (!dockets.has(row.docket_id)) return 'docket-gone';
    const own = onDockets.find((one) => one.docket_id === row.docket_id && one.chart_id === row.chart_id);
    if (own?.stage === 'handed-over') return 'has-theirs';
    const { series_id, version, final_size } = own ?? { series_id: '', version: 0, final_size: null };
    const label =
      final_size === null ? null : labelNow(renames, { seriesId: series_id, label: final_size, version });
    return label === article.label ? null : 'other-size';
  };
  return rows.map((row) => {
    const article = articleById.get(row.article_id)!;
    const docket = dockets.get(row.docket_id);
    return {
      id: row.id,
      docketId: row.docket_id,
      docketNumber: docket?.number ?? null,
      wearer: docket?.name ?? null,
      articleId: article.id,
      garment: garments.get(article.series_id)!.garment,
      label: article.label,
      code: codeOf(article.number),
      serial: row.piece_id === null ? null : (serials.get(row.piece_id) ?? null),
      roomId: row.room_id,
      room: rooms.get(row.room_id) ?? '',
      since: row.at.toISOString(),
      called:
        row.called_at === null
          ? null
          : { at: row.called_at.toISOString(), by: fitters.get(row.called_by ?? '') ?? '' },
      astray: astray(row, article),
      toCome: open.filter(({ wantedFor }) => wantedFor.some((one) => one.docketId === row.docket_id)).length,
    };
  });
}

async function namesOf(database: Database, table: 'store_rooms' | 'fitters'): Promise<Map<string, string>> {
  const rows = await database(table).select<{ id: string; name: string }[]>('id', 'name');
  return new Map(rows.map(({ id, name }) => [id, name]));
}
