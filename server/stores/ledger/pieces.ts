import type { Inspection, NewPiece, Piece } from '@neat-measure/contract/stores';
import {
  dayOf,
  inspectedBy,
  sayDay,
  isBlocked,
  lastDayOf,
  sayStanding,
  standingOfPiece,
  type Keeping,
  type PieceFacts,
} from '@neat-measure/core/stock';
import type { Knex } from 'knex';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../database/database';
import { saveOnce } from '../../database/save-once';
import { isDuplicate } from '../../database/trouble';
import { idTaken, notFound } from '../../http/problem-error';
import { garmentsOf, type Garment } from './garments';
import { StockRefused, type ArticleRow } from './ledger';

/** Today by the clock and the time zone of the server. */
export function today(): string {
  return dayOf(new Date());
}

/** A day of the database, which the driver gives as a moment. */
export function asDay(value: Date | string | null): string | null {
  if (value === null) return null;
  return typeof value === 'string' ? value.slice(0, 10) : value.toISOString().slice(0, 10);
}

/** Whether what is at a place is out of the house for good. */
export function isGone(place: string): boolean {
  return place === 'waste' || place === 'difference' || place === 'maker';
}

interface PieceRow {
  readonly id: string;
  readonly article_id: string;
  readonly series_id: string;
  readonly label: string;
  readonly serial: string;
  readonly made: Date | null;
  readonly good_until: Date | null;
  readonly received: Date;
  readonly inspected_on: Date | null;
  readonly inspected_passed: number | null;
  readonly at_place: string | null;
  readonly by_docket: number | null;
}

/** Pieces with where they are and their last inspection. */
function pieceRows(database: Database) {
  return database('pieces')
    .join('articles', 'articles.id', 'pieces.article_id')
    .select('pieces.*', 'articles.label', {
      at_place: database('stock_movements')
        .whereRaw('stock_movements.piece_id = pieces.id')
        .orderBy('stock_movements.place', 'desc')
        .limit(1)
        .select('to_place'),
      by_docket: database('stock_movements')
        .leftJoin('dockets', 'dockets.id', 'stock_movements.docket_id')
        .whereRaw('stock_movements.piece_id = pieces.id')
        .orderBy('stock_movements.place', 'desc')
        .limit(1)
        .select('dockets.number'),
      inspected_on: lastInspection(database, 'day'),
      inspected_passed: lastInspection(database, 'passed'),
    });
}

function lastInspection(database: Database, column: string) {
  return database('piece_inspections')
    .whereRaw('piece_inspections.piece_id = pieces.id')
    .orderBy([
      { column: 'piece_inspections.day', order: 'desc' },
      { column: 'piece_inspections.at', order: 'desc' },
    ])
    .limit(1)
    .select(column);
}

/** A piece as it is told, and as data. */
export interface KnownPiece extends Piece {
  readonly seriesId: string;
}

function toPiece(row: PieceRow, keeping: Keeping, on: string): KnownPiece {
  const facts: PieceFacts = {
    made: asDay(row.made),
    goodUntil: asDay(row.good_until),
    received: asDay(row.received)!,
    inspected:
      row.inspected_on === null
        ? null
        : { on: asDay(row.inspected_on)!, passed: Number(row.inspected_passed) === 1 },
  };
  const standing = standingOfPiece(keeping, facts, on);
  return {
    id: row.id,
    articleId: row.article_id,
    seriesId: row.series_id,
    label: row.label,
    serial: row.serial,
    made: facts.made,
    goodUntil: facts.goodUntil,
    received: facts.received,
    place: row.at_place ?? 'maker',
    says: sayStanding(standing),
    blocked: isBlocked(standing),
    byDocket: row.at_place === 'wearer' ? row.by_docket : null,
    lastDay: lastDayOf(keeping, facts),
    inspectedBy: inspectedBy(keeping, facts),
  };
}

/** Which pieces are wanted. */
export type PieceChoice = (pieces: Knex.QueryBuilder) => void;

/** Pieces by number, as they stand today. */
export async function listPieces(database: Database, choice: PieceChoice): Promise<KnownPiece[]> {
  const rows: PieceRow[] = await pieceRows(database).modify(choice).orderBy('pieces.serial');
  const garments = await garmentsOf(database, [...new Set(rows.map(({ series_id }) => series_id))]);
  const on = today();
  return rows.map((row) => toPiece(row, garments.get(row.series_id)!.keeping, on));
}

/** One piece. @throws ProblemError `not-found` */
export async function pieceOf(database: Database, id: string): Promise<KnownPiece> {
  const [found] = await listPieces(database, (pieces) => void pieces.where('pieces.id', id));
  if (found === undefined) throw notFound('piece');
  return found;
}

/**
 * Keeps a piece that comes in for the first time; one that is known by its number is the same piece,
 * where it is of the same article and not in the stores.
 *
 * @returns its id
 * @throws StockRefused where the number is another piece's, or what its life needs is not told
 */
export async function keepPiece(
  transaction: Database,
  garment: Garment,
  article: ArticleRow,
  { serial, made, goodUntil }: NewPiece,
): Promise<string> {
  const { keeping } = garment;
  if (keeping.lifeMonths !== null && made === null && goodUntil === null)
    throw new StockRefused(
      `When was ${garment.garment} ${serial} made, or until when may it be used? Its life is limited, so one of the two is needed.`,
    );
  if (made !== null && made > today())
    throw new StockRefused(
      `${garment.garment} ${serial} cannot have been made on ${made}, which is in the future. Check the date.`,
    );
  const id = uuidv7();
  try {
    await transaction('pieces').insert({
      id,
      article_id: article.id,
      series_id: article.series_id,
      serial,
      made,
      good_until: goodUntil,
      received: today(),
    });
    return id;
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    throw new StockRefused(
      `A ${garment.garment} with the number ${serial} is already in stock. Check the number, or return that piece.`,
    );
  }
}

/** Keeps an inspection for good. @throws ProblemError */
export async function inspect(
  database: Database,
  pieceId: string,
  id: string,
  { day, passed, note }: Inspection,
  by: string,
): Promise<void> {
  const piece = await pieceOf(database, pieceId);
  if (!passed && note === null)
    throw new StockRefused(`Enter what was found on ${piece.serial}. It cannot be handed out any more.`);
  if (day > today()) throw new StockRefused(`${day} is in the future. Enter the day of the inspection.`);
  if (day < piece.received)
    throw new StockRefused(
      `${piece.serial} came on ${sayDay(piece.received)}, so it cannot have been inspected here before. Check the date.`,
    );
  const row = { id, piece_id: pieceId, day, passed: passed ? 1 : 0, note, by_id: by, at: new Date() };
  const saved = await saveOnce(database, 'piece_inspections', row, ['piece_id', 'note', 'passed']);
  if (saved === 'differs') throw idTaken();
}
