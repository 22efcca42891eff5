import type { CountSave } from '@neat-measure/contract/stores';
import { correctionOf, placeKey, type CountLine, type Whereabouts } from '@neat-measure/core/stock';
import type { Database } from '../../database/database';
import { once } from '../ledger/batches';
import { garmentsOf } from '../ledger/garments';
import {
  countAt,
  holdArticles,
  move,
  placeOfPiece,
  StockRefused,
  type ArticleRow,
  type Moving,
} from '../ledger/ledger';
import { isReserved, seenElsewhere } from '../reserved/reserved';
import { findCount } from './count';

/**
 * Corrects the stock, each difference with its reason. What was issued or received since it was counted
 * stands: by how much the count differed from the list is what is added or taken off, and a numbered piece
 * that has been somewhere since is where that says.
 *
 * @throws ProblemError `stock-refused` while a difference has no reason
 */
export async function explainCount(
  database: Database,
  countId: string,
  batchId: string,
  reasons: ReadonlyMap<string, string>,
  by: string,
): Promise<void> {
  const {
    explained,
    sent: { roomId },
  } = await findCount(database, countId);
  const body = { countId, reasons: [...reasons] };
  await once(database, { id: batchId, what: 'explained', body, by }, async (transaction) => {
    if (explained) throw new StockRefused('The stock was already corrected after this count.');
    // One count of a room corrects the stock at a time.
    await transaction('store_rooms').where({ id: roomId }).forUpdate().first('id');
    const { sent, told, at, explained: again } = await findCount(transaction, countId);
    if (again) throw new StockRefused('Another user already corrected the stock after this count.');
    await refuseCountedSince(transaction, sent, at);
    const owed = told.differences.filter(({ articleId }) => !reasons.has(articleId));
    if (owed.length > 0)
      throw new StockRefused(
        `Say why, of ${owed.map(({ garment, label }) => `${garment} ${label}`).join(', ')}.`,
      );
    await holdArticles(
      transaction,
      told.differences.map(({ articleId }) => articleId),
    );
    const numbered = await numberedAmong(
      transaction,
      told.differences.map(({ articleId }) => articleId),
    );
    const here: Whereabouts = { in: 'room', roomId: sent.roomId, compartment: sent.compartment };
    for (const difference of told.differences) {
      const { articleId, garment, label, pieces } = difference;
      const base = { batchId, kind: 'counted', articleId, reason: reasons.get(articleId)!, by } as const;
      for (const { id: pieceId, serial, seen } of pieces) {
        if (await hasMovedSince(transaction, pieceId, told.upTo)) continue;
        const one = { ...base, what: `${garment} ${serial}`, count: 1, pieceId };
        const place = await placeOfPiece(transaction, pieceId);
        if (seen) await bringHere(transaction, one, place, here);
        else if (place === placeKey(here))
          await move(transaction, { ...one, from: here, to: { in: 'difference' } });
      }
      // Of numbered pieces each was corrected by itself.
      if (!numbered.has(articleId))
        await putRight(transaction, base, `${garment} ${label}`, difference, here);
    }
    await transaction('stock_counts').where({ id: countId }).update({ explained_at: new Date() });
  });
}

/** Those of some articles whose pieces have numbers. */
async function numberedAmong(database: Database, ids: readonly string[]): Promise<Set<string>> {
  const rows = await database<ArticleRow>('articles').whereIn('id', [...ids]);
  const garments = await garmentsOf(database, [...new Set(rows.map(({ series_id }) => series_id))]);
  return new Set(
    rows.filter(({ series_id }) => garments.get(series_id)!.keeping.numbered).map(({ id }) => id),
  );
}

/**
 * Two who counted the same place found the same missing: corrected by one, it is not missing for the other.
 *
 * @throws StockRefused where another count of the place has corrected the stock since this one was sent
 */
async function refuseCountedSince(
  database: Database,
  { roomId, compartment }: CountSave,
  at: Date,
): Promise<void> {
  const other = await database('stock_counts')
    .where({ room_id: roomId, compartment })
    .where('explained_at', '>=', at)
    .first('id');
  if (other !== undefined)
    throw new StockRefused('Another user has since counted this place and corrected the stock. Count again.');
}

async function hasMovedSince(database: Database, pieceId: string, upTo: number): Promise<boolean> {
  const later = await database('stock_movements')
    .where({ piece_id: pieceId })
    .where('place', '>', upTo)
    .first();
  return later !== undefined;
}

async function putRight(
  transaction: Database,
  base: Pick<Moving, 'batchId' | 'kind' | 'articleId' | 'reason' | 'by'>,
  what: string,
  line: CountLine,
  here: Whereabouts,
): Promise<void> {
  const left = correctionOf(line);
  const difference: Whereabouts = { in: 'difference' };
  if (left > 0) return move(transaction, { ...base, what, count: left, from: difference, to: here });
  const there = await countAt(transaction, line.articleId, placeKey(here));
  if (there < -left)
    throw new StockRefused(
      `${what} was counted as ${-left} fewer than listed, and only ${there} ${there === 1 ? 'is' : 'are'} listed there now. Count again.`,
      { code: 'too-few', there },
    );
  if (left < 0) await move(transaction, { ...base, what, count: -left, from: here, to: difference });
}

/** A numbered piece that was seen here and is listed elsewhere: it is found missing there, and found here. */
async function bringHere(
  transaction: Database,
  one: Omit<Moving, 'from' | 'to'>,
  place: string,
  here: Whereabouts,
): Promise<void> {
  if (place === placeKey(here)) return;
  const [roomId, compartment] = place.split('/');
  if (compartment !== undefined) {
    const isShelf = placeKey(here).endsWith('/shelf');
    await move(transaction, {
      ...one,
      // What dried, was set aside or was reserved comes onto a shelf for the reason that was given.
      kind: isShelf && compartment !== 'shelf' ? 'released' : 'moved',
      from: { in: 'room', roomId: roomId!, compartment: compartment as 'shelf' },
      to: here,
    });
    if (isReserved(place)) await seenElsewhere(transaction, one.pieceId!);
    return;
  }
  if (place === 'wearer')
    return move(transaction, { ...one, kind: 'returned', from: { in: 'wearer' }, to: here, found: true });
  if (place === 'difference') return move(transaction, { ...one, from: { in: 'difference' }, to: here });
  throw new StockRefused(`${one.what} was written off but is here. Set it aside and check its number.`);
}
