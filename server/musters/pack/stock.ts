import type { Pack } from '@neat-measure/contract/musters';
import type { Database } from '../../database/database';
import { tellArticles } from '../../stores/ledger/articles';
import type { ArticleRow } from '../../stores/ledger/ledger';
import { listPieces } from '../../stores/ledger/pieces';
import { renamesOf } from '../../stores/ledger/renames';
import { keptFor, type ReservationRow } from '../../stores/reserved/reserved';
import { listRooms } from '../../stores/routes';

/** The stores of some garments as they stand, with what is kept for some dockets. */
export async function packStock(
  database: Database,
  series: readonly string[],
  docketIds: ReadonlySet<string>,
): Promise<Pack['stock']> {
  const rows = await database<ArticleRow>('articles').whereIn('series_id', [...series]);
  const articles = await tellArticles(database, rows);
  const pieces = await listPieces(database, (all) => void all.whereIn('pieces.series_id', [...series]));
  // What anybody has booked is nobody else's to hand out while it cannot be asked when it is free.
  const booked = new Set(
    await database('bookings').whereNotNull('held_piece_id').pluck<string[]>('held_piece_id'),
  );
  const reservations: ReservationRow[] = await keptFor(database);
  const byId = new Map(articles.map((one) => [one.id, one]));
  const onShelf = (roomId: string) => `${roomId}/shelf`;
  return {
    rooms: (await listRooms(database)).map(({ id, name }) => ({ id, name })),
    renames: (await renamesOf(database, series)).map((one) => ({ ...one })),
    articles: articles.map(({ id, seriesId, label, numbered, coming, there }) => {
      const own = pieces.filter((one) => one.articleId === id && !one.blocked && !booked.has(one.id));
      return {
        ...{ seriesId, label, numbered, coming },
        there: there.map(({ roomId, shelf, blocked }) => ({ roomId, count: shelf - blocked })),
        pieces: there.flatMap(({ roomId }) =>
          own
            .filter(({ place }) => place === onShelf(roomId))
            .map((piece) => ({ id: piece.id, serial: piece.serial, says: piece.says, roomId })),
        ),
      };
    }),
    kept: reservations
      .filter((row) => docketIds.has(row.docket_id))
      .flatMap(({ docket_id, held_chart_id, article_id, room_id, piece_id }) => {
        const article = byId.get(article_id);
        if (article === undefined || held_chart_id === null) return [];
        const piece = pieces.find(({ id }) => id === piece_id);
        return {
          docketId: docket_id,
          chartId: held_chart_id,
          roomId: room_id,
          label: article.label,
          piece: piece === undefined ? null : { id: piece.id, serial: piece.serial, says: piece.says },
        };
      }),
  };
}
