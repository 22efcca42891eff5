import {
  placeKey,
  refuseMovement,
  sayMovementRefusal,
  type MovementKind,
  type MovementRefusal,
  type Whereabouts,
} from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../database/database';
import { ProblemError } from '../../http/problem-error';

/** Why the stores cannot do something: what is said of it, and the reason as data where a movement is refused. */
export class StockRefused extends ProblemError {
  constructor(
    says: string,
    readonly refusal: MovementRefusal | null = null,
  ) {
    super('stock-refused', says);
  }
}

/** An article as its row has it. */
export interface ArticleRow {
  readonly id: string;
  readonly number: number;
  readonly series_id: string;
  readonly label: string;
  readonly minimum: number;
  readonly maker_code: string | null;
  readonly bin: string | null;
  readonly old_of: string | null;
  readonly version: number;
}

/** What stands on the label of an article. */
export function codeOf(number: number): string {
  return `NM${String(number).padStart(6, '0')}`;
}

/** The article of a garment in a label, made where there is none; held until the transaction ends. */
export async function holdArticle(
  transaction: Database,
  seriesId: string,
  label: string,
): Promise<ArticleRow> {
  const find = () =>
    transaction<ArticleRow>('articles').where({ series_id: seriesId, label }).forUpdate().first();
  const there = await find();
  if (there !== undefined) return there;
  await transaction('articles')
    .insert({ id: uuidv7(), series_id: seriesId, label, minimum: 0, version: 1 })
    .onConflict(['series_id', 'label'])
    .ignore();
  return (await find())!;
}

/** Articles, held until the transaction ends: in one order, so that no two wait for each other. */
export async function holdArticles(
  transaction: Database,
  ids: readonly string[],
): Promise<Map<string, ArticleRow>> {
  const rows = await transaction<ArticleRow>('articles')
    .whereIn('id', [...new Set(ids)])
    .orderBy('id')
    .forUpdate();
  return new Map(rows.map((row) => [row.id, row]));
}

/** How many pieces of an article are at a place: the sum of all that went there, less what left. */
export async function countAt(database: Database, articleId: string, place: string): Promise<number> {
  const [rows] = (await database.raw(
    `select coalesce((select sum(count) from stock_movements where article_id = ? and to_place = ?), 0)
          - coalesce((select sum(count) from stock_movements where article_id = ? and from_place = ?), 0) as n`,
    [articleId, place, articleId, place],
  )) as [{ n: number | string }[]];
  return Number(rows[0]!.n);
}

/** How many of an article went out to wearers without any docket, and are not back. */
export async function looseCount(database: Database, articleId: string): Promise<number> {
  const [rows] = (await database.raw(
    `select coalesce(sum(if(to_place = 'wearer', count, 0) - if(from_place = 'wearer', count, 0)), 0) as n
       from stock_movements where article_id = ? and docket_id is null`,
    [articleId],
  )) as [{ n: number | string }[]];
  return Math.max(0, Number(rows[0]!.n));
}

/** Where a numbered piece is, by the last that happened to it. */
export async function placeOfPiece(database: Database, pieceId: string): Promise<string> {
  const row = await database('stock_movements')
    .where({ piece_id: pieceId })
    .orderBy('place', 'desc')
    .first<{ to_place: string } | undefined>('to_place');
  return row?.to_place ?? 'maker';
}

/** A movement that is to be made. */
export interface Moving {
  readonly batchId: string;
  readonly kind: MovementKind;
  readonly articleId: string;
  /** What it is called where it is refused. */
  readonly what: string;
  readonly from: Whereabouts;
  readonly to: Whereabouts;
  readonly count: number;
  readonly pieceId?: string | null;
  readonly reason?: string | null;
  readonly docketId?: string | null;
  /** Whether it was seen where it goes to, whoever is listed to have it. */
  readonly found?: true;
  readonly orderId?: string | null;
  readonly by: string;
}

/**
 * Moves something and adds it to the list. Its article is held by the transaction, so that nobody takes
 * the same piece meanwhile.
 *
 * @throws StockRefused where it is not there, or cannot go that way
 */
export async function move(transaction: Database, moving: Moving): Promise<void> {
  const { kind, articleId, from, to, count, reason = null, pieceId = null } = moving;
  const there = await countToGo(transaction, moving);
  const refusal = refuseMovement({ kind, from, to, count, reason }, there);
  if (refusal !== null) throw new StockRefused(sayMovementRefusal(refusal, moving.what), refusal);
  if (pieceId !== null && (await placeOfPiece(transaction, pieceId)) !== placeKey(from))
    throw new StockRefused(`${moving.what} is not there any more. Check where it is now.`, {
      code: 'too-few',
      there: 0,
    });
  await transaction('stock_movements').insert({
    batch_id: moving.batchId,
    kind,
    article_id: articleId,
    piece_id: pieceId,
    from_place: placeKey(from),
    to_place: placeKey(to),
    count,
    reason,
    // What is found comes back by the docket it went out by, as if that had taken it back.
    docket_id: moving.found === true ? await lastDocketOf(transaction, pieceId) : (moving.docketId ?? null),
    order_id: moving.orderId ?? null,
    by_id: moving.by,
    at: new Date(),
  });
}

/** How many may go from where they are: what went out by a docket comes back by it, and by nothing else. */
function countToGo(transaction: Database, { from, articleId, docketId, found }: Moving): Promise<number> {
  const loose = from.in === 'wearer' && (docketId ?? null) === null && found !== true;
  if (loose) return looseCount(transaction, articleId);
  return from.in === 'room' || from.in === 'wearer'
    ? countAt(transaction, articleId, placeKey(from))
    : Promise.resolve(0);
}

/** The docket by which a piece went where it is listed; `null` for none. */
async function lastDocketOf(database: Database, pieceId: string | null): Promise<string | null> {
  const row = await database('stock_movements')
    .where({ piece_id: pieceId })
    .orderBy('place', 'desc')
    .first<{ docket_id: string | null } | undefined>('docket_id');
  return row?.docket_id ?? null;
}
