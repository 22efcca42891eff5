import type { Bench } from '@neat-measure/contract';
import type { DocketStock } from '@neat-measure/contract/stores';
import { finalSize, replay } from '@neat-measure/core';
import { labelNow } from '@neat-measure/core/stock';
import type { Database } from '../database/database';
import { onShelves, tellArticles } from './ledger/articles';
import { garmentsOf } from './ledger/garments';
import { freeFor } from './hire/hire';
import { bookingsFor } from './hire/hire-acts';
import type { ArticleRow } from './ledger/ledger';
import { findOrders } from './orders/orders';
import { asDay, listPieces, today, type KnownPiece } from './ledger/pieces';
import { keptFor, type ReservationRow } from './reserved/reserved';
import { renamesOf } from './ledger/renames';

/**
 * What the stores have for the garments of a docket in the sizes the wearer goes with. In a house without a store room
 * there is nothing to tell: everything is handed over without them.
 *
 * @param days for which a hire would be: a piece that is booked meanwhile is none that may go
 */
export async function stockForDocket(
  database: Database,
  { acts, charts }: Pick<Bench, 'acts' | 'charts'>,
  days: { readonly from?: string | undefined; readonly until?: string | undefined },
): Promise<DocketStock> {
  const docket = replay(acts.map(({ act }) => act));
  if (docket === null) return [];
  const renames = await renamesOf(
    database,
    charts.map(({ seriesId }) => seriesId),
  );
  const sized = charts.flatMap(({ id, seriesId, version }) => {
    const size = finalSize(docket, id)?.size ?? null;
    return size === null || docket.garments.every(({ chartId }) => chartId !== id)
      ? []
      : [{ id, seriesId, size, label: labelNow(renames, { seriesId, label: size, version }) }];
  });
  const rows = await database<ArticleRow>('articles').whereIn(
    'series_id',
    sized.map(({ seriesId }) => seriesId),
  );
  const articles = await tellArticles(database, rows);
  const garments = await garmentsOf(
    database,
    sized.map(({ seriesId }) => seriesId),
  );
  const rooms = new Map(
    (await database('store_rooms').select<{ id: string; name: string }[]>('id', 'name')).map(
      ({ id, name }) => [id, name],
    ),
  );
  const orders = await ordersFor(database, docket.id);
  const bookings = await bookedFor(
    database,
    docket.id,
    sized.map(({ id, seriesId }) => ({ id, seriesId })),
  );
  const kept: ReservationRow[] = await keptFor(database, docket.id);
  const now = today();
  const told: DocketStock[number][] = [];
  for (const { id, seriesId, size, label } of sized) {
    const own = articles.filter((one) => one.seriesId === seriesId);
    // Where there are no stores, everything goes without them; where there are, what never lay there is not there.
    if (own.length === 0 && rooms.size === 0) continue;
    const { numbered } = garments.get(seriesId)!.keeping;
    const article = own.find((one) => one.label === label);
    const pieces =
      numbered && article !== undefined
        ? (await listPieces(database, (all) => void all.where('pieces.article_id', article.id))).filter(
            ({ blocked, place, id: pieceId }) =>
              !blocked && (place.endsWith('/shelf') || kept.some(({ piece_id }) => piece_id === pieceId)),
          )
        : [];
    const free =
      numbered && days.until !== undefined
        ? await freeFor(database, seriesId, { from: days.from ?? now, until: days.until })
        : null;
    const mayGo = free === null ? null : new Set(free.flatMap((one) => one.pieces.map((piece) => piece.id)));
    const may = pieces.filter(
      (piece) =>
        mayGo === null || mayGo.has(piece.id) || bookings.some(({ pieceId }) => pieceId === piece.id),
    );
    const booked = bookings.find(({ chartId }) => chartId === id) ?? null;
    const row = kept.find(({ held_chart_id }) => held_chart_id === id);
    const keptArticle = own.find((one) => one.id === row?.article_id);
    const reserved =
      row === undefined || keptArticle === undefined
        ? null
        : {
            roomId: row.room_id,
            room: rooms.get(row.room_id) ?? '',
            label: keptArticle.label,
            pieceId: row.piece_id,
          };
    // What is reserved for the wearer is in stock for them, and for nobody else.
    const theirs = reserved?.label === label ? reserved : null;
    told.push({
      chartId: id,
      label: size,
      calledNow: label === size ? null : label,
      numbered,
      there: (article?.there ?? [])
        .filter(({ roomId, shelf }) => shelf > 0 || roomId === theirs?.roomId)
        .sort((a, b) => Number(b.roomId === theirs?.roomId) - Number(a.roomId === theirs?.roomId))
        .map(({ roomId, shelf }) => {
          const here = may.filter(
            ({ id: pieceId, place }) =>
              place === `${roomId}/shelf` || (pieceId === theirs?.pieceId && roomId === theirs.roomId),
          );
          // What is reserved or booked for them is the first to be handed out.
          const first = (one: KnownPiece) => one.id === theirs?.pieceId || one.id === booked?.pieceId;
          here.sort((a, b) => Number(first(b)) - Number(first(a)));
          return {
            roomId,
            room: rooms.get(roomId) ?? '',
            count: numbered ? here.length : shelf + (roomId === theirs?.roomId ? 1 : 0),
            pieces: here.map(({ id: pieceId, serial, says }) => ({ id: pieceId, serial, says })),
          };
        })
        .filter(({ count }) => count > 0),
      others:
        free === null
          ? own
              .filter((one) => one.label !== label && onShelves(one) > 0)
              .map((one) => ({ label: one.label, count: onShelves(one) }))
          : // What is free for those days, of any other size.
            free
              .filter((one) => one.label !== label)
              .map((one) => ({ label: one.label, count: one.pieces.length })),
      coming: article?.coming ?? 0,
      booked:
        booked === null
          ? null
          : { pieceId: booked.pieceId, until: booked.until, label: booked.label, serial: booked.serial },
      reserved,
      orders: orders.of(id),
    });
  }
  return told;
}

/** A piece that is promised to a wearer and was not fetched yet. */
interface Promised {
  readonly chartId: string;
  readonly pieceId: string;
  readonly label: string;
  readonly serial: string;
  readonly until: string;
}

/** What is booked for a docket, or for the name of its wearer alone; the next of each garment first. */
async function bookedFor(
  database: Database,
  docketId: string,
  garments: readonly { readonly id: string; readonly seriesId: string }[],
): Promise<Promised[]> {
  const wearer = await database('dockets')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .where({ 'dockets.id': docketId })
    .first<{ name: string } | undefined>('wearers.name');
  const named = await bookingsFor(
    database,
    wearer?.name ?? '',
    garments.map(({ seriesId }) => seriesId),
  );
  const own = await database('bookings')
    .where({ docket_id: docketId })
    .whereNotNull('held_piece_id')
    .whereNull('out_day')
    .where('until_day', '>=', today())
    .orderBy('from_day')
    .select<{ piece_id: string; chart_id: string; until_day: Date }[]>('piece_id', 'chart_id', 'until_day');
  const all = [
    ...own,
    ...named.flatMap((one) => {
      const garment = garments.find(({ seriesId }) => seriesId === one.series_id);
      return garment === undefined ? [] : [{ ...one, chart_id: garment.id }];
    }),
  ];
  const pieces = await listPieces(
    database,
    (query) =>
      void query.whereIn(
        'pieces.id',
        all.map(({ piece_id }) => piece_id),
      ),
  );
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  return all.map(({ piece_id, chart_id, until_day }) => {
    const { label, serial } = byId.get(piece_id)!;
    return { chartId: chart_id, pieceId: piece_id, label, serial, until: asDay(until_day)! };
  });
}

/** The orders in which something is for a docket. */
async function ordersFor(database: Database, docketId: string) {
  const ids = await database('order_lines')
    .whereRaw('wanted_for like ?', [`%${docketId}%`])
    .distinct('order_id')
    .pluck<string[]>('order_id');
  const orders = await findOrders(database, ids);
  return {
    of: (chartId: string) =>
      orders.flatMap(({ number, stage, promised, lines }) =>
        lines.some(
          ({ wantedFor, open }) =>
            open > 0 && wantedFor.some((one) => one.docketId === docketId && one.chartId === chartId),
        )
          ? [{ number, stage, promised }]
          : [],
      ),
  };
}
