import { countDifferenceSchema, type CountSave, type StockCount } from '@neat-measure/contract/stores';
import { differencesOf, placeKey, withUncounted } from '@neat-measure/core/stock';
import * as z from 'zod';
import type { Database } from '../../database/database';
import { notFound } from '../../http/problem-error';
import { balancesOf } from '../ledger/balances';
import { garmentsOf } from '../ledger/garments';
import type { ArticleRow } from '../ledger/ledger';
import { listPieces } from '../ledger/pieces';

/** What a count differs in, with the list as it was when the count was sent. */
export const toldSchema = z.object({
  differences: z.array(countDifferenceSchema),
  /** The last movement there was by then. */
  upTo: z.int(),
});
export type Told = z.infer<typeof toldSchema>;

/** The compartment that was counted. */
export function placeOfCount({ roomId, compartment }: CountSave): string {
  return placeKey({ in: 'room', roomId, compartment });
}

const inOrder = new Intl.Collator('en', { numeric: true }).compare;

/** A count against what is listed now. */
export async function compare(database: Database, sent: CountSave): Promise<Told> {
  const place = placeOfCount(sent);
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
  const garmentsCounted = new Set(rows.filter(({ id }) => counted.has(id)).map((row) => row.series_id));
  const told = lines.flatMap((line) => {
    const row = rows.find((one) => one.id === line.articleId);
    if (row === undefined) throw notFound('article');
    if (sent.only === 'garments' && !garmentsCounted.has(row.series_id)) return [];
    if (sent.only === 'sizes' && !counted.has(row.id)) return [];
    const pieces = [
      ...listedPieces
        .filter((one) => one.articleId === row.id && !ids.has(one.id))
        .map((one) => ({ ...one, seen: false })),
      ...seen
        .filter((one) => one.articleId === row.id && one.place !== place)
        .map((one) => ({ ...one, seen: true })),
    ].map(({ id: pieceId, serial, seen: was }) => ({ id: pieceId, serial, seen: was }));
    // Of what is numbered its pieces are what is listed.
    const listed = garments.get(row.series_id)!.keeping.numbered
      ? listedPieces.filter((one) => one.articleId === row.id).length
      : line.listed;
    return [{ ...line, listed, garment: garments.get(row.series_id)!.garment, label: row.label, pieces }];
  });
  const differing = new Set(differencesOf(told).map(({ articleId }) => articleId));
  const last = await database('stock_movements').max<{ place: number | null }[]>('place as place');
  return {
    // One piece for another is a difference too, though as many were found as are listed.
    differences: told
      .filter(({ articleId, pieces }) => differing.has(articleId) || pieces.length > 0)
      .sort((a, b) => inOrder(a.garment, b.garment) || inOrder(a.label, b.label)),
    upTo: Number(last[0]!.place ?? 0),
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

/** So many movements are told of one count. */
const MOST_MOVED = 100;

/** What came to a place and went from it in a time, the latest first; corrections by counts are no such thing. */
export async function movedBetween(
  database: Database,
  place: string,
  begun: Date,
  at: Date,
): Promise<StockCount['moved']> {
  const rows = await database('stock_movements as m')
    .join('articles as a', 'a.id', 'm.article_id')
    .where((either) => either.where('m.from_place', place).orWhere('m.to_place', place))
    .whereNot('m.kind', 'counted')
    .where('m.at', '>=', begun)
    .where('m.at', '<=', at)
    .orderBy('m.place', 'desc')
    .limit(MOST_MOVED)
    .select<{ label: string; series_id: string; to_place: string; count: number; at: Date }[]>(
      'a.label as label',
      'a.series_id as series_id',
      'm.to_place as to_place',
      'm.count as count',
      'm.at as at',
    );
  const garments = await garmentsOf(database, [...new Set(rows.map((row) => row.series_id))]);
  return rows.map((row) => ({
    garment: garments.get(row.series_id)!.garment,
    label: row.label,
    change: row.to_place === place ? row.count : -row.count,
    at: row.at.toISOString(),
  }));
}
