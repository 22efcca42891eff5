import {
  lastHanding,
  RETURN_WORDS,
  type Act,
  type Docket,
  type Handing,
  type Refusal,
  type ReturnWay,
  type Shelf,
} from '@neat-measure/core';
import type { Chart } from '@neat-measure/contract';
import { labelNow, sayMovementRefusal, type Whereabouts } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../database/database';
import { hireEnded, hireNotEnded, hireNotOut, hireOut, HireClash } from './hire/hire-acts';
import { garmentsOf, type Garment } from './ledger/garments';
import { holdArticles, move, StockRefused, type ArticleRow } from './ledger/ledger';
import { listPieces, type KnownPiece } from './ledger/pieces';
import { renamesOf } from './ledger/renames';

/** An act that the docket lets in and the stores do not: all of it is undone. */
export class ActRefused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.code);
  }
}

const WENT: Readonly<Record<ReturnWay, (roomId: string) => Whereabouts>> = {
  stock: (roomId) => ({ in: 'room', roomId, compartment: 'shelf' }),
  drying: (roomId) => ({ in: 'room', roomId, compartment: 'drying' }),
  quarantine: (roomId) => ({ in: 'room', roomId, compartment: 'quarantine' }),
  waste: () => ({ in: 'waste' }),
};

/**
 * Does in the stores what an act on a docket does to what lies there, in the transaction that keeps the act:
 * neither stands without the other.
 *
 * @param before the docket as it was
 * @param after the docket with the act
 * @throws ActRefused where the stores cannot do it
 */
export async function moveForAct(
  transaction: Database,
  act: Act,
  before: Docket,
  after: Docket,
  shelf: Shelf<Chart>,
): Promise<void> {
  const going = (handings: readonly Handing[], work: (one: Taken) => Promise<void>) =>
    eachTaken(transaction, handings, shelf, work);
  const base = { batchId: uuidv7(), docketId: act.docketId, by: act.by.id };
  const room = ({ from }: Handing): Whereabouts => ({
    in: 'room',
    roomId: from!.roomId,
    compartment: 'shelf',
  });
  switch (act.kind) {
    case 'garments-handed-over':
      return going(
        after.handings.filter(({ actId }) => actId === act.id),
        async ({ handing, article, piece, garment }) => {
          if (piece !== null && piece.blocked)
            throw new ActRefused({ code: 'piece-refused', garment: garment.garment, why: piece.says });
          const moving = { ...base, kind: 'issued', articleId: article.id, count: 1 } as const;
          const what = `${garment.garment} ${piece?.serial ?? article.label}`;
          await move(transaction, {
            ...moving,
            what,
            pieceId: piece?.id ?? null,
            from: room(handing),
            to: { in: 'wearer' },
          });
          if (piece !== null) await hireOut(transaction, handing, piece, garment, act);
        },
      );
    case 'handing-withdrawn':
      return going(
        before.handings.filter(({ actId }) => actId === act.actId),
        async ({ handing, article, piece, garment }) => {
          const what = `${garment.garment} ${piece?.serial ?? article.label}`;
          const moving = { ...base, kind: 'undone', articleId: article.id, count: 1, what } as const;
          await move(transaction, {
            ...moving,
            pieceId: piece?.id ?? null,
            from: { in: 'wearer' },
            to: room(handing),
          });
          if (piece !== null) await hireNotOut(transaction, act.docketId, handing.chartId);
        },
      );
    case 'garment-came-back': {
      const handing = lastHanding(after, act.chartId)!;
      return going([handing], async ({ article, piece, garment }) => {
        // What goes into a room that is none would be nowhere.
        if (act.to !== undefined) await refuseRoom(transaction, act.to, garment.garment);
        const what = `${garment.garment} ${piece?.serial ?? article.label}`;
        await move(transaction, {
          ...base,
          kind: 'returned',
          articleId: article.id,
          count: 1,
          what,
          pieceId: piece?.id ?? null,
          // What else was said of it stays on the docket, and goes with it: this list is never changed.
          reason: RETURN_WORDS[act.why],
          from: { in: 'wearer' },
          to: WENT[act.goes](act.to ?? handing.from!.roomId),
        });
        if (piece !== null) await hireEnded(transaction, act, garment.keeping.dryingDays);
      });
    }
    case 'return-withdrawn': {
      const handing = lastHanding(before, act.chartId)!;
      const back = handing.back!;
      return going([handing], async ({ article, piece, garment }) => {
        const what = `${garment.garment} ${piece?.serial ?? article.label}`;
        const from = WENT[back.goes](back.to ?? handing.from!.roomId);
        const moving = { ...base, kind: 'undone', articleId: article.id, count: 1, what } as const;
        await move(transaction, { ...moving, pieceId: piece?.id ?? null, from, to: { in: 'wearer' } });
        if (piece !== null)
          await hireNotEnded(transaction, act.docketId, act.chartId, garment.keeping.dryingDays);
      });
    }
    default:
  }
}

/** @throws ActRefused where there is no such room */
async function refuseRoom(transaction: Database, roomId: string, garment: string): Promise<void> {
  if ((await transaction('store_rooms').where({ id: roomId }).first('id')) === undefined)
    throw new ActRefused({ code: 'piece-refused', garment, why: 'There is no such store room.' });
}

/** What of a handing lies, or lay, in the stores. */
interface Taken {
  readonly handing: Handing;
  readonly garment: Garment;
  readonly article: ArticleRow;
  readonly piece: KnownPiece | null;
}

/** Goes through what was taken from the stores, its articles held in one order. */
async function eachTaken(
  transaction: Database,
  handings: readonly Handing[],
  { charts }: Shelf<Chart>,
  work: (one: Taken) => Promise<void>,
): Promise<void> {
  const taken = handings.filter(({ from }) => from !== undefined);
  if (taken.length === 0) return;
  const chartOf = (chartId: string) => charts.find(({ id }) => id === chartId)!;
  const series = taken.map(({ chartId }) => chartOf(chartId).seriesId);
  const garments = await garmentsOf(transaction, series);
  const renames = await renamesOf(transaction, series);
  const pieces = await listPieces(
    transaction,
    (all) =>
      void all.whereIn(
        'pieces.id',
        taken.flatMap(({ from }) => from!.pieceId ?? []),
      ),
  );
  const found: { handing: Handing; articleId: string; piece: KnownPiece | null; garment: Garment }[] = [];
  for (const handing of taken) {
    const { seriesId, version } = chartOf(handing.chartId);
    const garment = garments.get(seriesId)!;
    // The docket has the label of its version of the chart; on the shelf it may be called otherwise by now.
    const size = labelNow(renames, { seriesId, label: handing.size ?? '', version });
    const piece = pieces.find(({ id }) => id === handing.from!.pieceId) ?? null;
    const row = await transaction('articles')
      .where({ series_id: garment.seriesId, label: size })
      .first<{ id: string } | undefined>('id');
    const articleId = piece === null ? row?.id : piece.articleId;
    if (articleId === undefined)
      throw new ActRefused({ code: 'not-on-shelf', garment: garment.garment, size });
    const other = piece !== null && (piece.seriesId !== garment.seriesId || piece.label !== size);
    const named = garment.keeping.numbered === (handing.from!.pieceId !== null);
    // A piece of another size is never handed out as this one: that would size somebody wrongly.
    if (other || !named || (handing.from!.pieceId !== null && piece === null))
      throw new ActRefused({
        code: 'piece-refused',
        garment: garment.garment,
        why: other ? `It is ${piece.label}, and the wearer has ${size}.` : 'Say which numbered piece it is.',
      });
    found.push({ handing, articleId, piece, garment });
  }
  const articles = await holdArticles(
    transaction,
    found.map(({ articleId }) => articleId),
  );
  for (const { handing, articleId, piece, garment } of found)
    try {
      await work({ handing, garment, piece, article: articles.get(articleId)! });
    } catch (error) {
      throw asRefusal(error, garment.garment, handing);
    }
}

function asRefusal(error: unknown, garment: string, { size, from, until }: Handing): unknown {
  if (error instanceof HireClash)
    return new ActRefused({ code: 'booked-otherwise', garment, until: until ?? '' });
  if (!(error instanceof StockRefused)) return error;
  if (error.refusal?.code === 'too-few' && from!.pieceId === null)
    return new ActRefused({ code: 'not-on-shelf', garment, size: size ?? '' });
  const why = error.refusal === null ? error.message : sayMovementRefusal(error.refusal, 'it');
  return new ActRefused({ code: 'piece-refused', garment, why });
}
