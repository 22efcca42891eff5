import type { ReserveSave } from '@neat-measure/contract/stores';
import { placeKey, type Whereabouts } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../database/database';
import { isDuplicate } from '../../database/trouble';
import { notFound } from '../../http/problem-error';
import { once } from '../ledger/batches';
import { garmentOf } from '../ledger/garments';
import { countAt, holdArticles, move, StockRefused, type ArticleRow } from '../ledger/ledger';
import { pieceOf } from '../ledger/pieces';
import { listWanted } from '../orders/wanted';
import { refuseRoom } from '../shelves/receive';

/** What is kept for a docket, as its row has it. `held_chart_id` is nothing once it is kept no more. */
export interface ReservationRow {
  readonly id: string;
  readonly docket_id: string;
  readonly chart_id: string;
  readonly held_chart_id: string | null;
  readonly article_id: string;
  readonly piece_id: string | null;
  readonly room_id: string;
  readonly order_id: string | null;
  readonly at: Date;
  readonly called_at: Date | null;
  readonly called_by: string | null;
}

/** Where in a room lies what is reserved. */
export function reservedPlace(roomId: string): Whereabouts {
  return { in: 'room', roomId, compartment: 'reserved' };
}

/** Everything that is kept for dockets, or for one. */
export function keptFor(database: Database, docketId?: string) {
  return database<ReservationRow>('reservations')
    .whereNotNull('held_chart_id')
    .modify((query) => void (docketId === undefined ? query : query.where({ docket_id: docketId })))
    .orderBy('at')
    .orderBy('id');
}

/** Which garment of which docket something is kept for, and what it is. */
export interface Keeping {
  readonly docketId: string;
  readonly chartId: string;
  readonly articleId: string;
  readonly pieceId: string | null;
  readonly roomId: string;
  readonly orderId: string | null;
}

/** Writes down for whom something lies with what is reserved: it has been moved there by the same transaction. */
export async function keepFor(transaction: Database, keeping: Keeping): Promise<void> {
  await transaction('reservations').insert({
    id: uuidv7(),
    docket_id: keeping.docketId,
    chart_id: keeping.chartId,
    held_chart_id: keeping.chartId,
    article_id: keeping.articleId,
    piece_id: keeping.pieceId,
    room_id: keeping.roomId,
    order_id: keeping.orderId,
    at: new Date(),
  });
}

/** Of some garments of dockets those that wait for an article still, whoever waits longest first. */
export async function stillWaiting(
  transaction: Database,
  { series_id, label }: ArticleRow,
  among: readonly { readonly docketId: string; readonly chartId: string }[],
): Promise<readonly { readonly docketId: string; readonly chartId: string }[]> {
  // A piece that is hired out is promised by its booking.
  const waiting = (await listWanted(transaction)).filter(
    (one) => one.seriesId === series_id && one.label === label && !one.hired,
  );
  const has = await hasKept(transaction);
  return waiting.filter(
    (one) =>
      !has(one) &&
      among.some(({ docketId, chartId }) => docketId === one.docketId && chartId === one.chartId),
  );
}

/** Whether anything is reserved for a garment of a docket, be it in a size that they go with no more: it is put back first. */
async function hasKept(
  transaction: Database,
): Promise<(one: { readonly docketId: string; readonly chartId: string }) => boolean> {
  const rows: ReservationRow[] = await keptFor(transaction);
  return ({ docketId, chartId }) =>
    rows.some((row) => row.docket_id === docketId && row.held_chart_id === chartId);
}

/**
 * Puts something by that lies on a shelf, for a garment of a docket.
 *
 * @throws StockRefused where the docket does not wait for it, or has some reserved
 */
export async function reserve(database: Database, id: string, save: ReserveSave, by: string): Promise<void> {
  const { docketId, chartId, roomId, pieceId } = save;
  await refuseRoom(database, roomId);
  await once(database, { id, what: 'reserved', body: save, by }, async (transaction) => {
    const wanted = (await listWanted(transaction)).find(
      (one) => one.docketId === docketId && one.chartId === chartId,
    );
    if (wanted === undefined)
      throw new StockRefused(
        'That docket does not need this garment: the wearer has it, one is reserved, or no size is decided.',
      );
    if ((await hasKept(transaction))(wanted))
      throw new StockRefused('Another size is reserved for this wearer. Return that one to the shelf first.');
    const row = await transaction('articles')
      .where({ series_id: wanted.seriesId, label: wanted.label })
      .first<{ id: string } | undefined>('id');
    if (row === undefined) throw notFound('article');
    const article = (await holdArticles(transaction, [row.id])).get(row.id)!;
    const { garment, keeping } = await garmentOf(transaction, wanted.seriesId);
    const piece = pieceId === null ? null : await pieceOf(transaction, pieceId);
    if (keeping.numbered !== (piece !== null) || (piece !== null && piece.articleId !== article.id))
      throw new StockRefused(`Choose or scan the piece of ${garment} ${wanted.label} to reserve.`);
    if (piece?.blocked === true) throw new StockRefused(`${garment} ${piece.serial}: ${piece.says}`);
    await move(transaction, {
      batchId: id,
      kind: 'moved',
      articleId: article.id,
      what: `${garment} ${piece?.serial ?? article.label}`,
      from: { in: 'room', roomId, compartment: 'shelf' },
      to: reservedPlace(roomId),
      count: 1,
      pieceId,
      docketId,
      by,
    });
    await keepFor(transaction, { docketId, chartId, articleId: article.id, pieceId, roomId, orderId: null });
  });
}

/** So many are reserved in one go: nobody else waits for longer. */
const AT_ONCE = 40;

/**
 * Reserves many garments that lie on shelves and have no numbers, some at a time; what a docket waits for no more, or is
 * not there any more, is left out.
 *
 * @returns how many were reserved
 */
export async function reserveMany(
  database: Database,
  picks: readonly Omit<ReserveSave, 'pieceId'>[],
  by: string,
): Promise<number> {
  let reserved = 0;
  for (let from = 0; from < picks.length; from += AT_ONCE) {
    const some = picks.slice(from, from + AT_ONCE);
    const id = uuidv7();
    await once(database, { id, what: 'reserved', body: some, by }, async (transaction) => {
      const wanted = await listWanted(transaction);
      const has = await hasKept(transaction);
      const going = some.flatMap((pick) => {
        const one = wanted.find(
          ({ docketId, chartId }) => docketId === pick.docketId && chartId === pick.chartId,
        );
        return one === undefined || has(one) ? [] : [{ ...one, roomId: pick.roomId }];
      });
      const rows = await transaction<ArticleRow>('articles')
        .whereIn('series_id', [...new Set(going.map(({ seriesId }) => seriesId))])
        .select('*');
      const articleOf = (one: { readonly seriesId: string; readonly label: string }) =>
        rows.find(({ series_id, label }) => series_id === one.seriesId && label === one.label);
      // Held in one order, so that two who do this never wait for each other.
      await holdArticles(
        transaction,
        going.flatMap((one) => articleOf(one)?.id ?? []),
      );
      for (const { seriesId, label, docketId, chartId, roomId } of going) {
        const article = articleOf({ seriesId, label });
        const { garment, keeping } = await garmentOf(transaction, seriesId);
        const shelf: Whereabouts = { in: 'room', roomId, compartment: 'shelf' };
        if (article === undefined || keeping.numbered) continue;
        if ((await countAt(transaction, article.id, placeKey(shelf))) < 1) continue;
        await move(transaction, {
          ...{ batchId: id, kind: 'moved', articleId: article.id, what: `${garment} ${label}` },
          ...{ from: shelf, to: reservedPlace(roomId), count: 1, pieceId: null, docketId, by },
        });
        await keepFor(transaction, {
          ...{ docketId, chartId, articleId: article.id, pieceId: null, roomId, orderId: null },
        });
        reserved += 1;
      }
    });
  }
  return reserved;
}

/** Returns a garment to the shelf that was reserved for a docket. @throws ProblemError */
export async function putBack(database: Database, id: string, batchId: string, by: string): Promise<void> {
  const found = await database<ReservationRow>('reservations').where({ id }).first();
  if (found === undefined) throw notFound('reserved garment');
  await once(database, { id: batchId, what: 'put-back', body: { id }, by }, async (transaction) => {
    const article = (await holdArticles(transaction, [found.article_id])).get(found.article_id)!;
    const row = (await transaction<ReservationRow>('reservations').where({ id }).forUpdate().first())!;
    if (row.held_chart_id === null)
      throw new StockRefused(
        'This garment is not reserved any more: it was handed over, or another user returned it to the shelf.',
      );
    const { garment } = await garmentOf(transaction, article.series_id);
    await move(transaction, {
      batchId,
      kind: 'released',
      articleId: article.id,
      what: `${garment} ${article.label}`,
      from: reservedPlace(row.room_id),
      to: { in: 'room', roomId: row.room_id, compartment: 'shelf' },
      count: 1,
      pieceId: row.piece_id,
      docketId: row.docket_id,
      by,
    });
    await endKeeping(transaction, id, 'put-back');
  });
}

/** What was kept is so no more. */
async function endKeeping(transaction: Database, id: string, ended: string, act: string | null = null) {
  await transaction('reservations').where({ id }).update({ held_chart_id: null, ended, handed_act: act });
}

/** Says that the wearer was told, or was not; the first who told them stays. @throws ProblemError `not-found` */
export async function noteCalled(database: Database, id: string, called: boolean, by: string): Promise<void> {
  const row = await database<ReservationRow>('reservations').where({ id }).first();
  if (row === undefined) throw notFound('reserved garment');
  if (called === (row.called_at !== null)) return;
  await database('reservations')
    .where({ id })
    .update(called ? { called_at: new Date(), called_by: by } : { called_at: null, called_by: null });
}

/** A garment that goes to a wearer, or was not handed over after all. */
interface Going {
  readonly docketId: string;
  readonly chartId: string;
  readonly articleId: string;
  readonly pieceId: string | null;
  readonly roomId: string;
  /** The act that hands it over. */
  readonly actId: string;
}

/**
 * Where a garment is taken from that goes to its wearer: what is reserved for them goes first, and is kept no more.
 *
 * @returns the place; the shelf of the room where nothing is reserved for them there
 */
export async function takeKept(transaction: Database, going: Going): Promise<Whereabouts> {
  const { docketId, chartId, articleId, pieceId, roomId, actId } = going;
  const row = await transaction<ReservationRow>('reservations')
    .where({
      docket_id: docketId,
      held_chart_id: chartId,
      article_id: articleId,
      room_id: roomId,
      piece_id: pieceId,
    })
    .forUpdate()
    .first();
  if (row === undefined) return { in: 'room', roomId, compartment: 'shelf' };
  await endKeeping(transaction, row.id, 'handed', actId);
  return reservedPlace(roomId);
}

/** Where a garment goes that was not handed over after all: what had been reserved for them is so again. */
export async function keepAgain(
  transaction: Database,
  { chartId, actId, roomId }: Going,
): Promise<Whereabouts> {
  const row = await transaction<ReservationRow & { handed_act: string | null }>('reservations')
    .where({ handed_act: actId, chart_id: chartId, room_id: roomId })
    .forUpdate()
    .first();
  const shelf: Whereabouts = { in: 'room', roomId, compartment: 'shelf' };
  if (row === undefined) return shelf;
  try {
    await transaction('reservations')
      .where({ id: row.id })
      .update({ held_chart_id: chartId, ended: null, handed_act: null });
  } catch (error) {
    // Another has come for them meanwhile, and is reserved.
    if (isDuplicate(error)) return shelf;
    throw error;
  }
  return reservedPlace(roomId);
}

/** A piece was seen elsewhere: it is reserved no more. */
export async function seenElsewhere(transaction: Database, pieceId: string): Promise<void> {
  await transaction('reservations')
    .where({ piece_id: pieceId })
    .whereNotNull('held_chart_id')
    .update({ held_chart_id: null, ended: 'counted' });
}

/** Whether a place is where things are reserved. */
export function isReserved(place: string): boolean {
  const [roomId = ''] = place.split('/');
  return place === placeKey(reservedPlace(roomId));
}
