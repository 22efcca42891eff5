import type { CountSave, StockCount } from '@neat-measure/contract/stores';
import { countSaveSchema } from '@neat-measure/contract/stores';
import { differencesOf, withUncounted, type Whereabouts } from '@neat-measure/core/stock';
import type { Database } from '../../database/database';
import { readJson } from '../../database/read-json';
import { notFound, ProblemError } from '../../http/problem-error';
import { once } from '../ledger/batches';
import { balancesOf } from '../ledger/articles';
import { garmentsOf } from '../ledger/garments';
import { countAt, holdArticles, move, placeOfPiece, StockRefused, type ArticleRow } from '../ledger/ledger';
import { listPieces } from '../ledger/pieces';
import { refuseRoom } from './receive';

/** Keeps what was counted in a place; what it differs in is told only now. */
export async function keepCount(
  database: Database,
  id: string,
  sent: CountSave,
  by: string,
): Promise<StockCount> {
  await refuseRoom(database, sent.roomId);
  if (new Set(sent.lines.map(({ articleId }) => articleId)).size < sent.lines.length)
    throw new StockRefused('An article stands there twice. Add the two up.');
  await once(database, { id, what: 'count', body: sent, by }, (transaction) =>
    transaction('stock_counts').insert({
      id,
      room_id: sent.roomId,
      compartment: sent.compartment,
      body: JSON.stringify(sent),
      by_id: by,
      at: new Date(),
    }),
  );
  return tellCount(database, id);
}

async function findCount(database: Database, id: string) {
  const row = await database('stock_counts')
    .where({ id })
    .first<{ body: unknown; explained_at: Date | null } | undefined>('body', 'explained_at');
  if (row === undefined) throw notFound('count');
  return { sent: readJson(countSaveSchema, row.body, `count ${id}`), explained: row.explained_at !== null };
}

/** A count against what is listed now. */
export async function tellCount(database: Database, id: string): Promise<StockCount> {
  const { sent, explained } = await findCount(database, id);
  if (explained) return { id, differences: [], explained };
  const place = `${sent.roomId}/${sent.compartment}`;
  const [seen, listedPieces] = [
    await listPieces(database, (pieces) => void pieces.whereIn('pieces.id', [...sent.pieceIds])),
    await piecesOfPlace(database, place),
  ];
  const counted = new Map(sent.lines.map(({ articleId, counted: n }) => [articleId, n]));
  for (const { articleId } of seen) counted.set(articleId, (counted.get(articleId) ?? 0) + 1);
  const listed = await listedAt(database, place);
  const lines = withUncounted(counted, listed);
  const rows = await database<ArticleRow>('articles').whereIn(
    'id',
    lines.map(({ articleId }) => articleId),
  );
  const garments = await garmentsOf(database, [...new Set(rows.map((row) => row.series_id))]);
  const ids = new Set(sent.pieceIds);
  const told = lines.map((line) => {
    const row = rows.find((one) => one.id === line.articleId);
    if (row === undefined) throw notFound('article');
    const pieces = [
      ...listedPieces
        .filter((one) => one.articleId === row.id && !ids.has(one.id))
        .map((one) => ({ ...one, seen: false })),
      ...seen
        .filter((one) => one.articleId === row.id && one.place !== place)
        .map((one) => ({ ...one, seen: true })),
    ].map(({ id: pieceId, serial, seen: was }) => ({ id: pieceId, serial, seen: was }));
    return { ...line, garment: garments.get(row.series_id)!.garment, label: row.label, pieces };
  });
  const differing = new Set(differencesOf(lines).map(({ articleId }) => articleId));
  return {
    id,
    // One piece for another is a difference too, though as many lie there as are listed.
    differences: told.filter(({ articleId, pieces }) => differing.has(articleId) || pieces.length > 0),
    explained,
  };
}

async function piecesOfPlace(database: Database, place: string) {
  return listPieces(
    database,
    (pieces) =>
      void pieces.whereRaw(
        '(select m.to_place from stock_movements m where m.piece_id = pieces.id order by m.place desc limit 1) = ?',
        [place],
      ),
  );
}

/** What is listed in a place, by article. */
async function listedAt(database: Database, place: string): Promise<Map<string, number>> {
  const ids = await database('stock_movements')
    .where({ to_place: place })
    .distinct('article_id')
    .pluck<string[]>('article_id');
  const balances = await balancesOf(database, ids);
  return new Map(
    [...balances].map(([id, own]) => [id, own.get(place) ?? 0] as const).filter(([, n]) => n !== 0),
  );
}

/**
 * Puts right what is listed, each difference with its reason. What was issued or received since it was counted
 * stands: by how much the count differed from the list is what is added or taken off.
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
  const { sent, explained } = await findCount(database, countId);
  const body = { countId, reasons: [...reasons] };
  await once(database, { id: batchId, what: 'explained', body, by }, async (transaction) => {
    if (explained) throw new StockRefused('This count has been put right already.');
    await transaction('stock_counts').where({ id: countId }).forUpdate().first('id');
    const again = await findCount(transaction, countId);
    if (again.explained) throw new StockRefused('Somebody else has put this count right already.');
    const { differences } = await tellCount(transaction, countId);
    const owed = differences.filter(({ articleId }) => !reasons.has(articleId));
    if (owed.length > 0)
      throw new ProblemError(
        'stock-refused',
        `Say why, of ${owed.map(({ garment, label }) => `${garment} ${label}`).join(', ')}.`,
      );
    const articles = await holdArticles(
      transaction,
      differences.map(({ articleId }) => articleId),
    );
    const here: Whereabouts = { in: 'room', roomId: sent.roomId, compartment: sent.compartment };
    const place = `${sent.roomId}/${sent.compartment}`;
    for (const { articleId, garment, label, counted, pieces } of differences) {
      const reason = reasons.get(articleId)!;
      const base = { batchId, kind: 'counted', articleId: articles.get(articleId)!.id, reason, by } as const;
      for (const { id: pieceId, serial, seen } of pieces) {
        const one = { ...base, what: `${garment} ${serial}`, count: 1, pieceId };
        if (seen) await bringHere(transaction, one, await placeOfPiece(transaction, pieceId), here);
        else await move(transaction, { ...one, from: here, to: { in: 'difference' } });
      }
      const left = counted - (await countAt(transaction, articleId, place));
      const what = `${garment} ${label}`;
      if (left > 0)
        await move(transaction, { ...base, what, count: left, from: { in: 'difference' }, to: here });
      if (left < 0)
        await move(transaction, { ...base, what, count: -left, from: here, to: { in: 'difference' } });
    }
    await transaction('stock_counts').where({ id: countId }).update({ explained_at: new Date() });
  });
}

/** A numbered piece that was seen here and is listed elsewhere: it is found missing there, and found here. */
async function bringHere(
  transaction: Database,
  one: Omit<Parameters<typeof move>[1], 'from' | 'to'>,
  place: string,
  here: Whereabouts,
): Promise<void> {
  const [roomId, compartment] = place.split('/');
  if (compartment !== undefined)
    return move(transaction, {
      ...one,
      kind: 'moved',
      from: { in: 'room', roomId: roomId!, compartment: compartment as 'shelf' },
      to: here,
    });
  if (place === 'wearer')
    return move(transaction, { ...one, kind: 'returned', from: { in: 'wearer' }, to: here });
  if (place === 'difference') return move(transaction, { ...one, from: { in: 'difference' }, to: here });
  throw new StockRefused(
    `${one.what} was written off, and was seen here now. Set it aside and look at its number.`,
  );
}
