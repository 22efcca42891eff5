import type { Move } from '@neat-measure/contract/stores';
import { counted } from '@neat-measure/core';
import { placeOf } from '@neat-measure/core/stock';
import type { Database } from '../../database/database';
import { notFound } from '../../http/problem-error';
import { once } from '../ledger/batches';
import { garmentOf, refuseLabel } from '../ledger/garments';
import { countAt, holdArticle, holdArticles, move, StockRefused } from '../ledger/ledger';
import { driedAlready } from '../hire/hire-acts';
import { pieceOf } from '../ledger/pieces';
import { keepRename } from '../ledger/renames';
import { refuseRoom } from './receive';

/** Moves something within the stores, or out of them; of what is numbered each piece by itself. */
export async function moveStock(database: Database, id: string, sent: Move, by: string): Promise<void> {
  const [from, to] = [placeOf(sent.from), placeOf(sent.to)];
  for (const place of [from, to]) if (place.in === 'room') await refuseRoom(database, place.roomId);
  if (sent.kind === 'returned') refuseAsIs(sent);
  await once(database, { id, what: 'move', body: sent, by }, async (transaction) => {
    const article = (await holdArticles(transaction, [sent.articleId])).get(sent.articleId);
    if (article === undefined) throw notFound('article');
    const { garment, keeping } = await garmentOf(transaction, article.series_id);
    const base = { batchId: id, kind: sent.kind, articleId: article.id, from, to, reason: sent.reason, by };
    if (!keeping.numbered) {
      if (sent.pieceIds.length > 0) throw new StockRefused(`${garment} is counted here, not numbered.`);
      return move(transaction, { ...base, what: `${garment} ${article.label}`, count: sent.count });
    }
    if (new Set(sent.pieceIds).size !== sent.count)
      throw new StockRefused(`${garment} is numbered. Choose or scan ${counted(sent.count, 'piece')}.`);
    for (const pieceId of sent.pieceIds) {
      const piece = await pieceOf(transaction, pieceId);
      if (piece.articleId !== article.id) throw notFound('piece');
      if (sent.kind === 'returned' && piece.byDocket !== null)
        throw new StockRefused(
          `${garment} ${piece.serial} is with the wearer of docket ${piece.byDocket}. Return it there.`,
        );
      // What must not be worn is put on no shelf either, where somebody would take it from.
      if (piece.blocked && (sent.kind === 'issued' || sent.kind === 'released'))
        throw new StockRefused(`${garment} ${piece.serial}: ${piece.says}`);
      await move(transaction, { ...base, what: `${garment} ${piece.serial}`, count: 1, pieceId });
      if (sent.kind === 'released' && sent.from.endsWith('/drying')) await driedAlready(transaction, pieceId);
    }
  });
}

/** @throws StockRefused where it is not said how it is, or what is not as its label says would get onto a shelf */
function refuseAsIs({ condition, to }: Move): void {
  if (condition === null)
    throw new StockRefused('Enter whether the returned garment is still as its label states.');
  if (condition !== 'as-labelled' && to.endsWith('/shelf'))
    throw new StockRefused(
      'The garment is not as its label states and cannot return to the shelf. Set it aside, or write it off.',
    );
}

/**
 * Says what an article is called by now, whose label the latest version of its chart has no more: what lies
 * there goes over to that label, pieces and all; or stays what it is, an old label.
 */
export async function renameArticle(
  database: Database,
  id: string,
  articleId: string,
  label: string | null,
  by: string,
): Promise<void> {
  const row = await database('articles')
    .where({ id: articleId })
    .first<{ series_id: string } | undefined>('series_id');
  if (row === undefined) throw notFound('article');
  const garment = await garmentOf(database, row.series_id);
  if (label !== null) await refuseLabel(database, garment, label);
  await once(database, { id, what: 'renamed', body: { articleId, label }, by }, async (transaction) => {
    if (label === null) {
      await transaction('articles').where({ id: articleId }).update({ old_of: garment.chartId });
      return;
    }
    const target = await holdArticle(transaction, row.series_id, label);
    const article = (await holdArticles(transaction, [articleId])).get(articleId)!;
    if (target.id === article.id) throw new StockRefused(`The article is already called ${label}.`);
    // Those with wearers are the same garment by another name as well, and come back under it.
    const places = await transaction('stock_movements')
      .where({ article_id: articleId })
      .where((held) => held.where('to_place', 'like', '%/%').orWhere('to_place', 'wearer'))
      .distinct('to_place')
      .pluck<string[]>('to_place');
    for (const key of places) {
      const base = { batchId: id, kind: 'renamed', what: `${garment.garment} ${article.label}`, by } as const;
      const reason = `${article.label} is called ${label} now`;
      const here = placeOf(key);
      const pieces = await piecesAt(transaction, articleId, key);
      const over = async (count: number, pieceId: string | null, docketId: string | null = null) => {
        const moving = { ...base, count, pieceId, reason, docketId };
        await move(transaction, { ...moving, articleId, from: here, to: { in: 'renaming' } });
        await move(transaction, { ...moving, articleId: target.id, from: { in: 'renaming' }, to: here });
      };
      if (pieces.length > 0) for (const pieceId of pieces) await over(1, pieceId);
      else {
        // What wearers have by dockets stays theirs, each by its own.
        for (const { docketId, count } of await heldBy(transaction, articleId, key))
          if (count > 0) await over(count, null, docketId);
      }
    }
    await keepRename(transaction, {
      seriesId: row.series_id,
      label: article.label,
      to: label,
      since: garment.chartVersion,
    });
    await transaction('order_lines')
      .where({ article_id: articleId })
      .update({
        article_id: target.id,
        ordered_as: transaction.raw('coalesce(ordered_as, ?)', [article.label]),
      });
    await transaction('reservations').where({ article_id: articleId }).update({ article_id: target.id });
    await transaction('pieces').where({ article_id: articleId }).update({ article_id: target.id });
    await transaction('articles').where({ id: articleId }).update({ old_of: garment.chartId, minimum: 0 });
    if (article.minimum > target.minimum)
      await transaction('articles').where({ id: target.id }).update({ minimum: article.minimum });
  });
}

/** The numbered pieces of an article that are at a place. */
export async function piecesAt(database: Database, articleId: string, place: string): Promise<string[]> {
  return database('pieces')
    .where({ article_id: articleId })
    .whereRaw(
      '(select m.to_place from stock_movements m where m.piece_id = pieces.id order by m.place desc limit 1) = ?',
      [place],
    )
    .pluck<string[]>('id');
}

/** How many of an article a place has, by the dockets they went there by. */
async function heldBy(
  database: Database,
  articleId: string,
  place: string,
): Promise<{ readonly docketId: string | null; readonly count: number }[]> {
  if (place !== 'wearer') return [{ docketId: null, count: await countAt(database, articleId, place) }];
  const rows = await database('stock_movements')
    .where({ article_id: articleId })
    .groupBy('docket_id')
    .select<
      { docket_id: string | null; n: number | string }[]
    >('docket_id', database.raw("sum(if(to_place = 'wearer', count, 0) - if(from_place = 'wearer', count, 0)) as n"));
  return rows.map(({ docket_id, n }) => ({ docketId: docket_id, count: Number(n) }));
}
