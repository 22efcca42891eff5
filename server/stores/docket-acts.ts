import type { Act, Docket, Handing, Refusal, Library } from '@neat-measure/core';
import type { Chart } from '@neat-measure/contract';
import {
  labelNow,
  extendedIn,
  movementsOf,
  sayMovementRefusal,
  type DocketMovement,
} from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../database/database';
import { hireEnded, hireExtends, hireNotEnded, hireNotOut, hireOut, HireClash } from './hire/hire-acts';
import { garmentsOf, type Garment } from './ledger/garments';
import { countAt, holdArticles, move, StockRefused, type ArticleRow } from './ledger/ledger';
import { listPieces, type KnownPiece } from './ledger/pieces';
import { keepAgain, takeKept } from './reserved/reserved';
import { renamesOf } from './ledger/renames';

/** What in the stores an act would have moved. */
export interface Touched {
  readonly articleId: string;
  readonly pieceId: string | null;
}

/** An act that the docket lets in and the stores do not: all of it is undone. */
export class ActRefused extends Error {
  /** What it would have moved, where that is why. */
  touched: Touched | null = null;

  constructor(readonly refusal: Refusal) {
    super(refusal.code);
  }
}

/**
 * Does to the stock what an act on a docket changes there, in the transaction that keeps the act:
 * neither stands without the other. What moves follows from the docket before and after (`movementsOf`).
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
  library: Library<Chart>,
): Promise<void> {
  const batchId = uuidv7();
  await eachTaken(transaction, movementsOf(before, after), library, async (taken) => {
    const { movement, article, piece, garment } = taken;
    const { kind, reason } = movement;
    const { from, to } = await placesOf(transaction, act.docketId, taken);
    if (kind === 'issued' && piece !== null && piece.blocked)
      throw new ActRefused({ code: 'piece-refused', garment: garment.garment, why: piece.says });
    // What goes into a room that is none would be nowhere.
    if (kind === 'returned' && to.in === 'room') await refuseRoom(transaction, to.roomId, garment.garment);
    // A count that found the piece has brought it back already; so has a card, when it still took back what dockets held.
    const isBack =
      kind === 'returned' &&
      (piece === null ? (await countAt(transaction, article.id, 'wearer')) < 1 : piece.place !== 'wearer');
    if (!isBack)
      await move(transaction, {
        batchId,
        docketId: act.docketId,
        by: act.by.id,
        kind,
        articleId: article.id,
        count: 1,
        what: `${garment.garment} ${piece?.serial ?? article.label}`,
        pieceId: piece?.id ?? null,
        ...(reason === null ? {} : { reason }),
        from,
        to,
      });
    if (piece !== null) await HIRE[movement.hire](transaction, { act, ...taken, piece });
  });
  const extended = extendedIn(before, after);
  const garments = await garmentsOf(
    transaction,
    extended.map(({ chartId }) => library.charts.find(({ id }) => id === chartId)!.seriesId),
  );
  for (const handing of extended) {
    const { seriesId } = library.charts.find(({ id }) => id === handing.chartId)!;
    const { garment, keeping } = garments.get(seriesId)!;
    await hireExtends(transaction, act.docketId, handing, keeping.dryingDays).catch((error: unknown) => {
      throw asRefusal(error, garment, handing);
    });
  }
}

/** From where to where something goes: what is reserved for its wearer goes before what lies on the shelf. */
async function placesOf(
  transaction: Database,
  docketId: string,
  { movement: { kind, from, to, hire, handing }, article, piece }: Moving,
): Promise<Pick<DocketMovement, 'from' | 'to'>> {
  const { roomId } = handing.from!;
  const { chartId, actId } = handing;
  const going = { docketId, chartId, articleId: article.id, pieceId: piece?.id ?? null, roomId, actId };
  if (kind === 'issued') return { from: await takeKept(transaction, going), to };
  return hire === 'not-out' ? { from, to: await keepAgain(transaction, going) } : { from, to };
}

/** What becomes of the booking of a numbered piece. */
const HIRE: Readonly<
  Record<
    DocketMovement['hire'],
    (transaction: Database, of: Moving & { readonly act: Act; readonly piece: KnownPiece }) => Promise<void>
  >
> = {
  out: (transaction, { movement, piece, garment, act }) =>
    hireOut(transaction, movement.handing, piece, garment, act),
  'not-out': (transaction, { movement, act }) => hireNotOut(transaction, act.docketId, movement.handing),
  ended: (transaction, { movement, garment, act }) =>
    hireEnded(transaction, act.docketId, movement.handing, garment.keeping.dryingDays),
  'not-ended': (transaction, { movement, garment, act }) =>
    hireNotEnded(transaction, act.docketId, movement.handing, garment.keeping.dryingDays),
};

/** @throws ActRefused where there is no such room */
async function refuseRoom(transaction: Database, roomId: string, garment: string): Promise<void> {
  if ((await transaction('store_rooms').where({ id: roomId }).first('id')) === undefined)
    throw new ActRefused({
      code: 'piece-refused',
      garment,
      why: 'There is no such room. It may have been renamed; reload the page.',
    });
}

/** What moves, as it lies in the stores. */
interface Moving {
  readonly movement: DocketMovement;
  readonly garment: Garment;
  readonly article: ArticleRow;
  readonly piece: KnownPiece | null;
}

/** Goes through what moves in the stores, its articles held in one order. */
async function eachTaken(
  transaction: Database,
  movements: readonly DocketMovement[],
  { charts }: Library<Chart>,
  work: (one: Moving) => Promise<void>,
): Promise<void> {
  if (movements.length === 0) return;
  const chartOf = (chartId: string) => charts.find(({ id }) => id === chartId)!;
  const series = movements.map(({ handing }) => chartOf(handing.chartId).seriesId);
  const garments = await garmentsOf(transaction, series);
  const renames = await renamesOf(transaction, series);
  const pieces = await listPieces(
    transaction,
    (all) =>
      void all.whereIn(
        'pieces.id',
        movements.flatMap(({ handing }) => handing.from!.pieceId ?? []),
      ),
  );
  const found: (Omit<Moving, 'article'> & { readonly articleId: string })[] = [];
  for (const movement of movements) {
    const { handing } = movement;
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
        why: other
          ? `That piece is ${piece.label}, but the wearer has ${size}. Choose another piece.`
          : 'Choose or scan the numbered piece.',
      });
    found.push({ movement, articleId, piece, garment });
  }
  const articles = await holdArticles(
    transaction,
    found.map(({ articleId }) => articleId),
  );
  for (const { articleId, ...one } of found)
    try {
      await work({ ...one, article: articles.get(articleId)! });
    } catch (error) {
      const refused = asRefusal(error, one.garment.garment, one.movement.handing);
      if (refused instanceof ActRefused) refused.touched = { articleId, pieceId: one.piece?.id ?? null };
      throw refused;
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
