import { PAGE, wordsOf, type Page } from '@neat-measure/contract';
import type { Article, ArticleAccount, StockMovement, StockQuery } from '@neat-measure/contract/stores';
import { COMPARTMENTS, placeOf, type MovementKind } from '@neat-measure/core/stock';
import type { Database } from '../../database/database';
import { withWords } from '../../database/like';
import { notFound } from '../../http/problem-error';
import { balancesOf } from './balances';
import { garmentsOf, type Garment } from './garments';
import { codeOf, type ArticleRow } from './ledger';
import { asDay, listPieces } from './pieces';
import { wantedByArticle } from '../orders/wanted';

/** How many of each article are still to come by orders that are not done. */
export async function comingOf(database: Database, ids: readonly string[]): Promise<Map<string, number>> {
  if (ids.length === 0) return new Map();
  const rows: { article_id: string; count: number; came: number | string }[] = await database('order_lines')
    .whereIn('order_lines.article_id', [...ids])
    .groupBy('order_lines.order_id', 'order_lines.line', 'order_lines.article_id', 'order_lines.count')
    .select(
      'order_lines.article_id',
      'order_lines.count',
      database.raw(
        `coalesce((select sum(e.count) from order_events e where e.order_id = order_lines.order_id
           and e.line = order_lines.line and e.kind in ('received', 'closed')), 0) as came`,
      ),
    );
  const coming = new Map<string, number>();
  for (const { article_id, count, came } of rows)
    coming.set(article_id, (coming.get(article_id) ?? 0) + Math.max(0, count - Number(came)));
  return coming;
}

/** Articles with all that is known of where they are. */
export async function tellArticles(database: Database, rows: readonly ArticleRow[]): Promise<Article[]> {
  const ids = rows.map(({ id }) => id);
  const [balances, loose, blocked, coming, wanted, garments] = [
    await balancesOf(database, ids),
    await looseOf(database, ids),
    await blockedOf(database, ids),
    await comingOf(database, ids),
    await wantedByArticle(database),
    await garmentsOf(database, [...new Set(rows.map(({ series_id }) => series_id))]),
  ];
  return rows.map((row) => {
    const { seriesId, chartId, garment, maker, kind, keeping } = garments.get(row.series_id) as Garment;
    const own = balances.get(row.id)!;
    return {
      id: row.id,
      code: codeOf(row.number),
      seriesId,
      chartId,
      garment,
      maker,
      kind,
      label: row.label,
      numbered: keeping.numbered,
      minimum: row.minimum,
      makerCode: row.maker_code,
      bin: row.bin,
      version: row.version,
      there: inRooms(own, blocked.get(row.id) ?? new Map<string, number>()),
      out: Math.max(0, own.get('wearer') ?? 0),
      loose: loose.get(row.id) ?? 0,
      coming: coming.get(row.id) ?? 0,
      wanted: wanted.get(`${row.series_id} ${row.label}`)?.length ?? 0,
    };
  });
}

function inRooms(
  balances: ReadonlyMap<string, number>,
  blocked: ReadonlyMap<string, number>,
): Article['there'] {
  const rooms = new Map<string, Article['there'][number]>();
  for (const [key, count] of balances) {
    const place = placeOf(key);
    if (place.in !== 'room' || count === 0) continue;
    const one = rooms.get(place.roomId) ?? {
      roomId: place.roomId,
      shelf: 0,
      drying: 0,
      quarantine: 0,
      reserved: 0,
      blocked: blocked.get(`${place.roomId}/shelf`) ?? 0,
    };
    one[place.compartment] = count;
    rooms.set(place.roomId, one);
  }
  return [...rooms.values()];
}

/** How many of each article went out without a docket, and are not back. */
async function looseOf(database: Database, ids: readonly string[]): Promise<Map<string, number>> {
  const rows: { article_id: string; n: number | string }[] = await database('stock_movements')
    .whereIn('article_id', [...ids])
    .whereNull('docket_id')
    .groupBy('article_id')
    .select(
      'article_id',
      database.raw("sum(if(to_place = 'wearer', count, 0) - if(from_place = 'wearer', count, 0)) as n"),
    );
  return new Map(rows.map(({ article_id, n }) => [article_id, Math.max(0, Number(n))]));
}

/** How many numbered pieces of each article must not be handed out, by the place they lie in. */
async function blockedOf(
  database: Database,
  ids: readonly string[],
): Promise<Map<string, Map<string, number>>> {
  const pieces = await listPieces(database, (all) => void all.whereIn('pieces.article_id', [...ids]));
  const counts = new Map<string, Map<string, number>>();
  for (const { articleId, blocked, place } of pieces) {
    if (!blocked) continue;
    const own = counts.get(articleId) ?? new Map<string, number>();
    counts.set(articleId, own.set(place, (own.get(place) ?? 0) + 1));
  }
  return counts;
}

/** How many of an article lie on shelves and may be handed out: what is past its day is no stock. */
export function onShelves({ there }: Pick<Article, 'there'>): number {
  return there.reduce((sum, { shelf, blocked }) => sum + shelf - blocked, 0);
}

/** A part of what lies in the stores, by garment and number of the article. */
export async function listArticles(
  database: Database,
  { search, from, room, only }: StockQuery,
): Promise<Page<Article>> {
  const low = only === 'low' ? (await lowArticles(database)).map(({ id }) => id) : null;
  const matching = () => {
    const query = withWords(
      database('articles').join('charts', (on) =>
        on
          .on('charts.series_id', 'articles.series_id')
          .andOn(
            database.raw(
              'not exists (select 1 from charts later where later.series_id = charts.series_id and later.version > charts.version)',
            ),
          ),
      ),
      // The house's own code is the number of the article, written out.
      wordsOf(search).map((word) => word.replace(/^nm0*(?=\d)/i, '')),
      ['charts.garment', 'charts.maker', 'articles.label', 'articles.maker_code', 'articles.number'],
    );
    if (room !== undefined)
      void query.whereIn(
        'articles.id',
        database('stock_movements')
          .whereIn(
            'to_place',
            COMPARTMENTS.map((one) => `${room}/${one}`),
          )
          .select('article_id'),
      );
    if (low !== null) void query.whereIn('articles.id', low);
    return query;
  };
  const counted = await matching().count<{ n: number }[]>({ n: '*' });
  const rows = await matching()
    .orderBy(['charts.garment', 'charts.maker', 'articles.number'])
    .offset(from)
    .limit(PAGE)
    .select<ArticleRow[]>('articles.*');
  return { items: await tellArticles(database, rows), total: Number(counted[0]!.n) };
}

/** Every article of which fewer can be handed out than its minimum stock. */
export async function lowArticles(database: Database): Promise<Article[]> {
  const rows = await database<ArticleRow>('articles').where('minimum', '>', 0).orderBy('number');
  return (await tellArticles(database, rows)).filter((one) => onShelves(one) < one.minimum);
}

/** One article. @throws ProblemError `not-found` */
export async function articleOf(database: Database, id: string): Promise<Article> {
  const row = await database<ArticleRow>('articles').where({ id }).first();
  if (row === undefined) throw notFound('article');
  return (await tellArticles(database, [row]))[0]!;
}

/** So many movements are told; how many there are in all is told beside. */
const MOST_MOVEMENTS = 60;

interface MovementRow {
  readonly place: number;
  readonly kind: MovementKind;
  readonly serial: string | null;
  readonly from_place: string;
  readonly to_place: string;
  readonly count: number;
  readonly reason: string | null;
  readonly docket: number | null;
  readonly order: number | null;
  readonly by_id: string;
  readonly name: string;
  readonly at: Date;
}

/** An article with its pieces, and the latest of what happened to it. */
export async function accountOf(database: Database, id: string): Promise<ArticleAccount> {
  const article = await articleOf(database, id);
  const pieces = await listPieces(database, (all) => void all.where('pieces.article_id', id));
  const moved = await database('stock_movements')
    .where({ article_id: id })
    .count<{ n: number }[]>({ n: '*' });
  const rows: MovementRow[] = await database('stock_movements')
    .leftJoin('pieces', 'pieces.id', 'stock_movements.piece_id')
    .leftJoin('dockets', 'dockets.id', 'stock_movements.docket_id')
    .leftJoin('orders', 'orders.id', 'stock_movements.order_id')
    .join('fitters', 'fitters.id', 'stock_movements.by_id')
    .where('stock_movements.article_id', id)
    .orderBy('stock_movements.place', 'desc')
    .limit(MOST_MOVEMENTS)
    .select('stock_movements.*', 'pieces.serial', 'fitters.name', {
      docket: 'dockets.number',
      order: 'orders.number',
    });
  return {
    article,
    pieces,
    inspections: await inspectionsOf(database, id),
    movements: rows.map(
      ({
        place,
        kind,
        serial,
        from_place,
        to_place,
        count,
        reason,
        docket,
        order,
        by_id,
        name,
        at,
      }): StockMovement => ({
        place,
        kind,
        serial,
        from: from_place,
        to: to_place,
        count,
        reason,
        docket,
        order,
        by: { id: by_id, name },
        at: at.toISOString(),
      }),
    ),
    moved: Number(moved[0]!.n),
  };
}

/** The latest inspections of an article's pieces. */
async function inspectionsOf(database: Database, articleId: string): Promise<ArticleAccount['inspections']> {
  const rows = await database('piece_inspections')
    .join('pieces', 'pieces.id', 'piece_inspections.piece_id')
    .join('fitters', 'fitters.id', 'piece_inspections.by_id')
    .where('pieces.article_id', articleId)
    .orderBy('piece_inspections.at', 'desc')
    .limit(MOST_MOVEMENTS)
    .select<
      {
        id: string;
        serial: string;
        day: Date;
        passed: number;
        note: string | null;
        by_id: string;
        name: string;
        at: Date;
      }[]
    >('piece_inspections.*', 'pieces.serial', 'fitters.name');
  return rows.map(({ id, serial, day, passed, note, by_id, name, at }) => ({
    id,
    serial,
    day: asDay(day)!,
    passed: Number(passed) === 1,
    note,
    by: { id: by_id, name },
    at: at.toISOString(),
  }));
}
