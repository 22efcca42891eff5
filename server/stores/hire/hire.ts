import { freeAfter, freePieces, lateBy, refuseDays, sayDay, type Booking } from '@neat-measure/core/stock';
import type { BookingSave, Free, HireBooking, HireCalendar, HireQuery } from '@neat-measure/contract/stores';
import type { Database } from '../../database/database';
import { saveVersioned, type SavedVersion } from '../../database/save-versioned';
import { isDuplicate } from '../../database/trouble';
import { notFound } from '../../http/problem-error';
import { garmentOf, garmentsOf } from '../ledger/garments';
import { StockRefused } from '../ledger/ledger';
import { asDay, isGone, listPieces, pieceOf, today, type KnownPiece } from '../ledger/pieces';

/** A booking as its row has it, with the number of its docket. */
export interface BookingRow {
  readonly id: string;
  readonly piece_id: string;
  readonly held_piece_id: string | null;
  readonly docket_id: string | null;
  readonly chart_id: string | null;
  readonly who: string;
  readonly from_day: Date;
  readonly until_day: Date;
  readonly free_day: Date;
  /** The first day it is dry again, where the next has it booked before that. */
  readonly dry_day: Date | null;
  readonly deposit: number | null;
  /** As it was booked before it went out; nothing where going out made it. */
  readonly promised: unknown;
  readonly out_day: Date | null;
  readonly back_day: Date | null;
  readonly outcome: HireBooking['outcome'];
  readonly note: string | null;
  readonly version: number;
  readonly docket_number: number | null;
}

/** Bookings with the numbers of their dockets. */
export function bookingRows(database: Database) {
  return database('bookings')
    .leftJoin('dockets', 'dockets.id', 'bookings.docket_id')
    .select<BookingRow[]>('bookings.*', { docket_number: 'dockets.number' });
}

async function tell(database: Database, rows: readonly BookingRow[]): Promise<HireBooking[]> {
  const pieces = await listPieces(
    database,
    (all) => void all.whereIn('pieces.id', [...new Set(rows.map(({ piece_id }) => piece_id))]),
  );
  const garments = await garmentsOf(database, [...new Set(pieces.map(({ seriesId }) => seriesId))]);
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const on = today();
  return rows.map((row) => {
    const piece = byId.get(row.piece_id)!;
    const [until, out, back] = [asDay(row.until_day)!, asDay(row.out_day), asDay(row.back_day)];
    return {
      id: row.id,
      pieceId: row.piece_id,
      docketId: row.docket_id,
      chartId: row.chart_id,
      docketNumber: row.docket_number,
      who: row.who,
      from: asDay(row.from_day)!,
      until,
      free: asDay(row.dry_day) ?? asDay(row.free_day)!,
      deposit: row.deposit,
      out,
      back,
      outcome: row.outcome,
      note: row.note,
      version: row.version,
      garment: garments.get(piece.seriesId)!.garment,
      label: piece.label,
      serial: piece.serial,
      late: out === null || row.outcome === 'cancelled' ? 0 : lateBy(until, back ?? on),
    };
  });
}

/** The bookings of some choice, by their first day. */
export async function listBookings(
  database: Database,
  choice: (query: ReturnType<typeof bookingRows>) => void,
): Promise<HireBooking[]> {
  const query = bookingRows(database);
  choice(query);
  const rows: BookingRow[] = await query.orderBy(['bookings.from_day', 'bookings.id']);
  return tell(database, rows);
}

/** One booking. @throws ProblemError `not-found` */
export async function bookingOf(database: Database, id: string): Promise<HireBooking> {
  const [found] = await listBookings(database, (query) => void query.where('bookings.id', id));
  if (found === undefined) throw notFound('booking');
  return found;
}

/** Nothing is booked of what is out of the house for good. */
const gone = ({ place }: KnownPiece) => isGone(place);

/** The pieces of what is numbered, and what is booked of them for some days. */
export async function hireCalendar(
  database: Database,
  { from, until, series }: HireQuery,
): Promise<HireCalendar> {
  const pieces = await listPieces(database, (all) => {
    if (series !== undefined) void all.where('pieces.series_id', series);
  });
  const garments = await garmentsOf(database, [...new Set(pieces.map(({ seriesId }) => seriesId))]);
  // What is promised stays in sight though its piece is gone: somebody else's is given, or the booking taken back.
  const promised = new Set(
    await database('bookings').whereNull('outcome').whereNull('out_day').pluck<string[]>('piece_id'),
  );
  const here = pieces.filter((piece) => !gone(piece) || promised.has(piece.id));
  const bookings = await listBookings(
    database,
    (query) =>
      void query
        .whereIn(
          'bookings.piece_id',
          here.map(({ id }) => id),
        )
        .where((shown) => shown.whereNull('outcome').orWhereNot({ outcome: 'cancelled' }))
        .where('from_day', '<=', until)
        // What is out and not back stays in sight, however long ago it was due.
        .where((lasts) =>
          lasts
            .where('free_day', '>', from)
            .orWhere((out) => out.whereNotNull('out_day').whereNull('outcome')),
        ),
  );
  return {
    pieces: here.map((piece) => ({ ...piece, garment: garments.get(piece.seriesId)!.garment })),
    bookings,
  };
}

/** What holds pieces: bookings, and what is out beyond its last day, of which nobody knows when it comes. */
async function heldOf(
  database: Database,
  pieces: readonly KnownPiece[],
  dryingDays: number,
): Promise<Booking[]> {
  const rows: BookingRow[] = await bookingRows(database).whereIn(
    'held_piece_id',
    pieces.map(({ id }) => id),
  );
  const soonest = freeAfter(today(), dryingDays);
  return rows.map(({ piece_id, from_day, until_day, free_day, dry_day, out_day, outcome }) => {
    const free = asDay(dry_day) ?? asDay(free_day)!;
    const stillOut = out_day !== null && outcome === null;
    return {
      pieceId: piece_id,
      from: asDay(from_day)!,
      until: asDay(until_day)!,
      free: stillOut && free < soonest ? soonest : free,
    };
  });
}

/** Which pieces of a garment are free for some days, by size. Blocked ones, and those set aside, are not. */
export async function freeFor(
  database: Database,
  seriesId: string,
  days: { readonly from: string; readonly until: string },
): Promise<Free> {
  const { keeping } = await garmentOf(database, seriesId);
  const all = await listPieces(database, (query) => void query.where('pieces.series_id', seriesId));
  const now = today();
  const fit = all.filter((piece) => {
    if (gone(piece) || piece.blocked || piece.place.endsWith('/quarantine')) return false;
    if (piece.lastDay !== null && piece.lastDay < days.until) return false;
    // With a wearer and not by a hire: nobody knows when it comes back.
    return piece.place !== 'wearer' || days.from > now;
  });
  const held = await heldOf(database, fit, keeping.dryingDays);
  const withoutEnd = fit.filter(
    ({ id, place }) => place !== 'wearer' || held.some(({ pieceId, from }) => pieceId === id && from <= now),
  );
  const free = freePieces(withoutEnd, held, days, keeping.dryingDays);
  const labels = [...new Set(free.map(({ label }) => label))];
  return labels.map((label) => ({
    label,
    pieces: free.filter((piece) => piece.label === label).map(({ id, serial }) => ({ id, serial })),
  }));
}

const DAYS_SAID = {
  'ends-before': 'The last day is before the first. Check both days.',
  'too-long': 'That is a year or more. Check the year.',
} as const;

/**
 * Books a piece, changes a booking, or takes it back. That no piece is held twice on a day is a key of the
 * table, whatever was free when somebody looked.
 *
 * @throws StockRefused where the piece is held, is blocked, or the days cannot be
 */
export async function saveBooking(database: Database, id: string, save: BookingSave): Promise<SavedVersion> {
  // One after the other: many who ask for one piece at once would hold each other up over the keys of its days.
  await database('pieces').where({ id: save.pieceId }).forUpdate().first('id');
  const piece = await pieceOf(database, save.pieceId);
  const { garment, keeping } = await garmentOf(database, piece.seriesId);
  const wrong = refuseDays(save.from, save.until);
  if (wrong !== null) throw new StockRefused(DAYS_SAID[wrong]);
  const before = save.version === 0 ? null : await bookingOf(database, id);
  if (
    before !== null &&
    (before.out !== null || before.outcome === 'cancelled') &&
    before.version === save.version
  )
    throw new StockRefused(
      before.out === null
        ? 'This booking was cancelled. Make a new booking.'
        : 'This hire has begun. Extend or end it at the docket where the garment was handed over.',
    );
  if (before === null) await refuseDocket(database, save, piece.seriesId, garment);
  if (!save.cancelled) {
    if (piece.blocked || gone(piece))
      throw new StockRefused(
        `${garment} ${piece.serial} cannot be hired out. ${piece.says || 'It is not in stock.'}`,
      );
    if (piece.lastDay !== null && piece.lastDay < save.until)
      throw new StockRefused(
        `${garment} ${piece.serial} may be used until ${sayDay(piece.lastDay)} only. Take another piece.`,
      );
    if (save.version === 0 && save.until < today())
      throw new StockRefused(`${sayDay(save.until)} is in the past. Choose days in the future.`);
  }
  try {
    const saved = await saveVersioned(database, {
      table: 'bookings',
      id,
      version: save.version,
      columns: {
        piece_id: save.pieceId,
        held_piece_id: save.cancelled ? null : save.pieceId,
        docket_id: save.docketId,
        chart_id: save.chartId,
        who: save.who,
        from_day: save.from,
        until_day: save.until,
        free_day: freeAfter(save.until, keeping.dryingDays),
        deposit: save.deposit,
        outcome: save.cancelled ? 'cancelled' : null,
      },
      compared: ['piece_id', 'held_piece_id', 'docket_id', 'who', 'deposit', 'outcome'],
    });
    // A new row that is not there was kept out by the key of the days: nothing has its id.
    if (saved === 'missing' && save.version === 0) throw heldBySomebody(garment, piece);
    return saved;
  } catch (error) {
    throw isDuplicate(error) ? heldBySomebody(garment, piece) : error;
  }
}

/** @throws StockRefused where what is booked is for a docket that has no such garment on it */
async function refuseDocket(
  database: Database,
  { docketId, chartId }: BookingSave,
  seriesId: string,
  garment: string,
): Promise<void> {
  if (docketId === null && chartId === null) return;
  const on = await database('docket_garments')
    .join('charts', 'charts.id', 'docket_garments.chart_id')
    .where({ docket_id: docketId, chart_id: chartId, series_id: seriesId })
    .first('chart_id');
  if (on === undefined)
    throw new StockRefused(`That docket has no ${garment}. Check the docket, or book for a name.`);
}

function heldBySomebody(garment: string, { serial }: KnownPiece): StockRefused {
  return new StockRefused(
    `${garment} ${serial} is booked for another wearer on some of those days, or would not be dry by then. Choose another piece or other dates.`,
  );
}
