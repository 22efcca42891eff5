import { countSaveSchema, type CountSave, type StockCount } from '@neat-measure/contract/stores';
import type { Database } from '../../database/database';
import { readJson } from '../../database/read-json';
import { notFound } from '../../http/problem-error';
import { once } from '../ledger/batches';
import { garmentsOf } from '../ledger/garments';
import { StockRefused, type ArticleRow } from '../ledger/ledger';
import { refuseRoom } from '../shelves/receive';
import { compare, movedBetween, placeOfCount, toldSchema } from './compare';

/** Keeps what was counted in a place; what it differs in is told only now. */
export async function keepCount(
  database: Database,
  id: string,
  sent: CountSave,
  by: string,
): Promise<StockCount> {
  await refuseRoom(database, sent.roomId);
  if (new Set(sent.lines.map(({ articleId }) => articleId)).size < sent.lines.length)
    throw new StockRefused('An article is listed twice. Add the two counts together.');
  await once(database, { id, what: 'count', body: sent, by }, async (transaction) => {
    // Not while another count of the room corrects the stock: what that adds and takes off would be missing here again.
    await transaction('store_rooms').where({ id: sent.roomId }).forUpdate().first('id');
    const at = new Date();
    await refuseNumbered(transaction, sent);
    await transaction('stock_counts').insert({
      id,
      room_id: sent.roomId,
      compartment: sent.compartment,
      body: JSON.stringify(sent),
      told: JSON.stringify(await compare(transaction, sent)),
      by_id: by,
      begun_at: new Date(at.getTime() - sent.seconds * 1_000),
      at,
    });
  });
  return tellCount(database, id);
}

/** @throws StockRefused where pieces that have numbers are only counted: nobody would know which are missing */
async function refuseNumbered(database: Database, { lines }: CountSave): Promise<void> {
  const rows = await database<ArticleRow>('articles').whereIn(
    'id',
    lines.map(({ articleId }) => articleId),
  );
  const garments = await garmentsOf(database, [...new Set(rows.map((row) => row.series_id))]);
  const numbered = rows.find((row) => garments.get(row.series_id)!.keeping.numbered);
  if (numbered !== undefined)
    throw new StockRefused(
      `${garments.get(numbered.series_id)!.garment} ${numbered.label} is numbered. Scan or enter the number of each piece.`,
    );
}

/** A count as it is kept. */
export async function findCount(database: Database, id: string) {
  const row = await database('stock_counts')
    .where({ id })
    .first<
      { body: unknown; told: unknown; begun_at: Date | null; at: Date; explained_at: Date | null } | undefined
    >('body', 'told', 'begun_at', 'at', 'explained_at');
  if (row === undefined) throw notFound('count');
  const sent = readJson(countSaveSchema, row.body, `count ${id}`);
  return {
    sent,
    // One from before it was kept is told against what is listed now.
    told: row.told === null ? await compare(database, sent) : readJson(toldSchema, row.told, `count ${id}`),
    begun: row.begun_at ?? row.at,
    at: row.at,
    explained: row.explained_at !== null,
  };
}

/** A count against what was listed when it was sent, and what moved there while it was counted. */
export async function tellCount(database: Database, id: string): Promise<StockCount> {
  const { sent, told, begun, at, explained } = await findCount(database, id);
  if (explained) return { id, differences: [], moved: [], explained };
  const moved = await movedBetween(database, placeOfCount(sent), begun, at);
  return { id, differences: told.differences, moved, explained };
}
