import type { ChartSheet } from '../chart/chart-shape';
import { finalSize } from '../docket/fitting/fitting';
import type { Docket } from '../docket/docket';
import { labelNow, type Rename } from './article';

/** A garment in one size as it lay in the stores at some moment. */
export interface ArticleAsOf {
  readonly seriesId: string;
  readonly label: string;
  readonly numbered: boolean;
  /** Ordered, and not there yet. */
  readonly coming: number;
  /** How many may be handed out, room by room. */
  readonly there: readonly { readonly roomId: string; readonly count: number }[];
  /** Of a numbered garment, those that nobody has reserved or booked. */
  readonly pieces: readonly {
    readonly id: string;
    readonly serial: string;
    readonly says: string;
    readonly roomId: string;
  }[];
}

/** What lies reserved for a garment of a docket, or is booked for it. */
export interface KeptAsOf {
  readonly docketId: string;
  readonly chartId: string;
  readonly roomId: string;
  readonly label: string;
  readonly piece: { readonly id: string; readonly serial: string; readonly says: string } | null;
}

/** The stores as they stood at some moment: what a device knows of them that cannot ask. */
export interface StockAsOf {
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly renames: readonly Rename[];
  readonly articles: readonly ArticleAsOf[];
  readonly kept: readonly KeptAsOf[];
}

/** A version of a chart, as far as its stock goes by it. */
interface Version {
  readonly id: string;
  readonly seriesId: string;
  readonly version: number;
  readonly sheet: ChartSheet;
}

/**
 * What lay on shelves of the garments of a docket, in every size, by the labels of its own versions of their charts. What is
 * reserved for the docket is counted.
 *
 * @returns nothing in a house without a store room
 * @example shelvesAsOf({ rooms: [], renames: [], articles: [], kept: [] }, null, []) // []
 */
export function shelvesAsOf(
  { rooms, renames, articles, kept }: StockAsOf,
  docket: Docket | null,
  charts: readonly Version[],
): { chartId: string; sizes: { label: string; count: number; coming: number }[] }[] {
  if (docket === null || rooms.length === 0) return [];
  return charts
    .filter(({ id }) => docket.garments.some(({ chartId }) => chartId === id))
    .map(({ id, seriesId, version }) => ({
      chartId: id,
      sizes: articles
        .filter((one) => one.seriesId === seriesId)
        .flatMap(({ label: now, there, coming }) => {
          const theirs = kept.filter(
            (one) => one.docketId === docket.id && one.chartId === id && one.label === now,
          ).length;
          const count = there.reduce((sum, one) => sum + one.count, theirs);
          // What a later version calls otherwise, this docket still calls by its old label.
          const before = renames
            .filter((one) => one.seriesId === seriesId)
            .map(({ label }) => label)
            .filter((label) => labelNow(renames, { seriesId, label, version }) === now);
          return [...new Set([now, ...before])].map((label) => ({ label, count, coming }));
        }),
    }));
}

/** Whether a garment was handed out in some size from a room on this device since, or came back to it. */
export interface MovedSince {
  readonly seriesId: string;
  readonly label: string;
  readonly roomId: string;
  /** Of a numbered garment which. */
  readonly pieceId: string | null;
}

/**
 * The stores without what went out on this device since they were looked at. Nobody knows here what others took.
 *
 * @example withoutMoved({ rooms: [], renames: [], articles: [], kept: [] }, []).articles // []
 */
export function withoutMoved(stock: StockAsOf, moved: readonly MovedSince[]): StockAsOf {
  if (moved.length === 0) return stock;
  return {
    ...stock,
    kept: stock.kept.filter(
      ({ piece }) => piece === null || moved.every(({ pieceId }) => pieceId !== piece.id),
    ),
    articles: stock.articles.map((article) => {
      const own = moved.filter(
        ({ seriesId, label }) => seriesId === article.seriesId && label === article.label,
      );
      if (own.length === 0) return article;
      return {
        ...article,
        there: article.there.map(({ roomId, count }) => ({
          roomId,
          count: Math.max(0, count - own.filter((one) => one.roomId === roomId).length),
        })),
        pieces: article.pieces.filter(({ id }) => own.every(({ pieceId }) => pieceId !== id)),
      };
    }),
  };
}

/** What may go to the wearer of one garment, as it stood: the answer of the stores for a docket, by what is known of them. */
export interface GarmentAsOf {
  readonly chartId: string;
  readonly label: string;
  readonly calledNow: string | null;
  readonly numbered: boolean;
  readonly there: {
    roomId: string;
    room: string;
    count: number;
    pieces: { id: string; serial: string; says: string }[];
  }[];
  readonly others: { label: string; count: number }[];
  readonly coming: number;
  readonly booked: null;
  readonly reserved: { roomId: string; room: string; label: string; pieceId: string | null } | null;
  readonly orders: [];
}

/**
 * What the stores had for the garments of a docket in the sizes its wearer goes with. A piece that anybody has booked is never
 * offered, whatever the days: nobody can ask here when it is free.
 *
 * @example stockAsOf({ rooms: [], renames: [], articles: [], kept: [] }, null, []) // []
 */
export function stockAsOf(
  { rooms, renames, articles, kept }: StockAsOf,
  docket: Docket | null,
  charts: readonly Version[],
): GarmentAsOf[] {
  if (docket === null) return [];
  const nameOf = (roomId: string) => rooms.find(({ id }) => id === roomId)?.name ?? '';
  return charts.flatMap(({ id, seriesId, version }): GarmentAsOf[] => {
    const label = finalSize(docket, id)?.size ?? null;
    if (label === null || docket.garments.every(({ chartId }) => chartId !== id)) return [];
    const own = articles.filter((one) => one.seriesId === seriesId);
    if (own.length === 0 && rooms.length === 0) return [];
    const now = labelNow(renames, { seriesId, label, version });
    const article = own.find((one) => one.label === now);
    const row = kept.find((one) => one.docketId === docket.id && one.chartId === id);
    const reserved =
      row === undefined
        ? null
        : { roomId: row.roomId, room: nameOf(row.roomId), label: row.label, pieceId: row.piece?.id ?? null };
    const theirs = row !== undefined && row.label === now ? row : null;
    const numbered = (article ?? own[0])?.numbered ?? false;
    const places = new Set([
      ...(theirs === null ? [] : [theirs.roomId]),
      ...(article?.there ?? []).map(({ roomId }) => roomId),
    ]);
    return [
      {
        ...{ chartId: id, label, calledNow: now === label ? null : now, numbered },
        there: [...places]
          .map((roomId) => {
            const here = theirs?.roomId === roomId ? theirs : null;
            const first = here === null || here.piece === null ? [] : [here.piece];
            const loose = (article?.pieces ?? [])
              .filter((piece) => piece.roomId === roomId && piece.id !== here?.piece?.id)
              .map((piece) => ({ id: piece.id, serial: piece.serial, says: piece.says }));
            const counted = article?.there.find((one) => one.roomId === roomId)?.count ?? 0;
            const pieces = numbered ? [...first, ...loose] : [];
            const count = numbered ? pieces.length : counted + (here === null ? 0 : 1);
            return { roomId, room: nameOf(roomId), count, pieces };
          })
          .filter(({ count }) => count > 0),
        others: own
          .filter((one) => one.label !== now)
          .map((one) => ({
            label: one.label,
            count: one.numbered ? one.pieces.length : one.there.reduce((sum, { count }) => sum + count, 0),
          }))
          .filter(({ count }) => count > 0),
        coming: article?.coming ?? 0,
        booked: null,
        reserved,
        orders: [],
      },
    ];
  });
}
