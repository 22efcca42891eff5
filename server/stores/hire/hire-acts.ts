import type { Act, Handing } from '@neat-measure/core';
import { addDays, dayOf, freeAfter } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import * as z from 'zod';
import type { Database } from '../../database/database';
import { readJson } from '../../database/read-json';
import { isDuplicate } from '../../database/trouble';
import type { Garment } from '../ledger/garments';
import { bookingRows, type BookingRow } from './hire';
import { asDay, today, type KnownPiece } from '../ledger/pieces';

/** A piece is held by somebody else for some of the days. */
export class HireClash extends Error {}

/** The next booking of a garment of a docket that was not fetched yet. */
async function nextOfDocket(
  transaction: Database,
  docketId: string,
  chartId: string,
): Promise<BookingRow | undefined> {
  return bookingRows(transaction)
    .where({ 'bookings.docket_id': docketId, 'bookings.chart_id': chartId })
    .whereNull('out_day')
    .whereNull('outcome')
    .orderBy('from_day')
    .first();
}

/** The hire by which a docket has a piece, or had it last: the same piece may go to it twice on one day. */
async function hireOf(
  transaction: Database,
  docketId: string,
  { chartId, from }: Handing,
  state: 'out' | 'ended',
): Promise<BookingRow | undefined> {
  return bookingRows(transaction)
    .where({
      'bookings.docket_id': docketId,
      'bookings.chart_id': chartId,
      piece_id: from?.pieceId ?? null,
    })
    .whereNotNull('out_day')
    .modify(
      (query) =>
        void (state === 'out' ? query.whereNull('outcome') : query.whereIn('outcome', ['back', 'lost'])),
    )
    .orderBy([
      { column: 'from_day', order: 'desc' },
      { column: 'bookings.id', order: 'desc' },
    ])
    .first();
}

/**
 * A numbered piece goes to the wearer: its booking begins, or one is made. What is issued for good is held too,
 * with no day to come back: so that nobody books it.
 *
 * @throws HireClash where somebody else has it on those days
 */
export async function hireOut(
  transaction: Database,
  handing: Handing,
  piece: KnownPiece,
  { keeping }: Garment,
  act: Act,
): Promise<void> {
  if (handing.way !== 'hired' || handing.until === null) {
    // What is given away for good is promised to nobody else.
    const promised = await transaction('bookings')
      .where({ held_piece_id: piece.id })
      .whereNull('outcome')
      .where((others) => others.whereNull('docket_id').orWhereNot({ docket_id: act.docketId }))
      .first('id');
    if (promised !== undefined) throw new HireClash();
    return;
  }
  const booked =
    (await nextOfDocket(transaction, act.docketId, handing.chartId)) ??
    (await namedBooking(transaction, await wearerOf(transaction, act.docketId), piece));
  const day = dayOfAct(act);
  // What is written down late went out by its last day at the latest.
  const from = handing.until < day ? handing.until : day;
  const columns = {
    piece_id: piece.id,
    held_piece_id: piece.id,
    from_day: from,
    until_day: handing.until,
    free_day: freeAfter(handing.until, keeping.dryingDays),
    dry_day: null,
    out_day: from,
    docket_id: act.docketId,
    chart_id: handing.chartId,
  };
  try {
    if (booked !== undefined)
      await transaction('bookings')
        .where({ id: booked.id })
        .update({ ...columns, promised: JSON.stringify(asBooked(booked)), version: booked.version + 1 });
    else
      await transaction('bookings').insert({
        ...columns,
        id: uuidv7(),
        who: await wearerOf(transaction, act.docketId),
        version: 1,
      });
  } catch (error) {
    throw isDuplicate(error) ? new HireClash() : error;
  }
}

/**
 * What is booked for a name and no docket, where the wearer who has come is called so: of the piece that goes, or of another
 * of the same garment where nobody else in the house has that name.
 */
async function namedBooking(
  transaction: Database,
  name: string,
  { id, seriesId }: KnownPiece,
): Promise<BookingRow | undefined> {
  const named = await bookingsFor(transaction, name, [seriesId]);
  const own = named.find(({ piece_id }) => piece_id === id);
  if (own !== undefined) return own;
  const namesakes = await transaction('wearers').where({ name }).count<{ n: number }[]>({ n: '*' });
  return Number(namesakes[0]!.n) === 1 ? named[0] : undefined;
}

/** What is booked of some garments for a name alone and was not fetched yet, the next first. */
export async function bookingsFor(
  database: Database,
  name: string,
  series: readonly string[],
): Promise<(BookingRow & { readonly series_id: string })[]> {
  return bookingRows(database)
    .join('pieces', 'pieces.id', 'bookings.piece_id')
    .select('pieces.series_id')
    .whereNull('bookings.docket_id')
    .whereNull('outcome')
    .whereNull('out_day')
    .where('until_day', '>=', today())
    .whereIn('pieces.series_id', [...series])
    .whereRaw('lower(trim(who)) = lower(trim(?))', [name])
    .orderBy('from_day') as unknown as Promise<(BookingRow & { readonly series_id: string })[]>;
}

async function wearerOf(transaction: Database, docketId: string): Promise<string> {
  const row = await transaction('dockets')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .where({ 'dockets.id': docketId })
    .first<{ name: string }>('wearers.name');
  return row.name;
}

/** What a booking holds before it goes out. */
function asBooked(row: BookingRow): z.infer<typeof promisedSchema> {
  const { piece_id, docket_id, chart_id } = row;
  const [from_day, until_day, free_day] = [row.from_day, row.until_day, row.free_day].map(
    (day) => asDay(day)!,
  );
  return { piece_id, docket_id, chart_id, from_day: from_day!, until_day: until_day!, free_day: free_day! };
}

const promisedSchema = z.object({
  piece_id: z.string(),
  docket_id: z.string().nullable(),
  chart_id: z.string().nullable(),
  from_day: z.string(),
  until_day: z.string(),
  free_day: z.string(),
});

/** The handing was a slip: the piece is not out. What was booked before is booked again, and nothing else is held. */
export async function hireNotOut(transaction: Database, docketId: string, handing: Handing): Promise<void> {
  const booked = await hireOf(transaction, docketId, handing, 'out');
  if (booked === undefined) return;
  const row = () => transaction('bookings').where({ id: booked.id });
  const version = booked.version + 1;
  const promised =
    booked.promised === null ? null : readJson(promisedSchema, booked.promised, 'a booking as it was made');
  if (promised !== null)
    try {
      const { piece_id } = promised;
      const again = { ...promised, held_piece_id: piece_id, out_day: null, promised: null, version };
      await row().update(again);
      return;
    } catch (error) {
      // Meanwhile somebody else has the piece for those days.
      if (!isDuplicate(error)) throw error;
    }
  await row().update({ held_piece_id: null, outcome: 'cancelled', out_day: null, version });
}

/** What was handed over came back, or is lost: held until it is clean and dry, or until the next has it. */
export async function hireEnded(
  transaction: Database,
  docketId: string,
  handing: Handing,
  dryingDays: number,
): Promise<void> {
  const booked = await hireOf(transaction, docketId, handing, 'out');
  if (booked === undefined) return;
  const { goes, why, note, at } = handing.back!;
  const [out, done] = [asDay(booked.out_day)!, dayOfAct({ at })];
  // By a clock that is wrong it may have come back before it went out.
  const back = done < out ? out : done;
  const dry = goes === 'drying' ? freeAfter(back, dryingDays) : addDays(back, 1);
  const free = goes === 'drying' ? await upToTheNext(transaction, booked, dry) : dry;
  await transaction('bookings')
    .where({ id: booked.id })
    .update({
      back_day: back,
      // What need not dry can go out again the same day.
      held_piece_id: goes === 'drying' ? booked.piece_id : null,
      free_day: free,
      dry_day: dry === free ? null : dry,
      outcome: why === 'lost' ? 'lost' : 'back',
      note,
      version: booked.version + 1,
    });
}

/**
 * The day something was done, whenever it reached the server: a device may have been without a network for days,
 * and nobody is late for that.
 */
function dayOfAct({ at }: Pick<Act, 'at'>): string {
  const day = dayOf(new Date(at));
  return day < today() ? day : today();
}

/** It did not come back after all. */
export async function hireNotEnded(
  transaction: Database,
  docketId: string,
  handing: Handing,
  dryingDays: number,
): Promise<void> {
  const booked = await hireOf(transaction, docketId, handing, 'ended');
  if (booked === undefined) return;
  const free = await upToTheNext(transaction, booked, freeAfter(asDay(booked.until_day)!, dryingDays));
  await transaction('bookings')
    .where({ id: booked.id })
    .update({
      back_day: null,
      held_piece_id: booked.piece_id,
      free_day: free,
      dry_day: null,
      outcome: null,
      version: booked.version + 1,
    })
    .catch((error: unknown) => {
      throw isDuplicate(error) ? new HireClash() : error;
    });
}

/**
 * What is out comes back on another day.
 *
 * @throws HireClash where somebody else has it by then
 */
export async function hireExtends(
  transaction: Database,
  docketId: string,
  handing: Handing,
  dryingDays: number,
): Promise<void> {
  const { until } = handing;
  const booked = await hireOf(transaction, docketId, handing, 'out');
  if (booked === undefined || until === null) return;
  const out = asDay(booked.out_day)!;
  const last = until < out ? out : until;
  try {
    await transaction('bookings')
      .where({ id: booked.id })
      .update({
        until_day: last,
        free_day: freeAfter(last, dryingDays),
        version: booked.version + 1,
      });
  } catch (error) {
    throw isDuplicate(error) ? new HireClash() : error;
  }
}

/** A piece that hung to dry is dry before its day: from now on it is free. */
export async function driedAlready(transaction: Database, pieceId: string): Promise<void> {
  const now = today();
  await transaction('bookings')
    .where({ held_piece_id: pieceId })
    .whereNotNull('back_day')
    .where((wet) => wet.where('free_day', '>', now).orWhere('dry_day', '>', now))
    .update({
      held_piece_id: null,
      free_day: transaction.raw('least(free_day, greatest(?, date_add(from_day, interval 1 day)))', [now]),
      dry_day: null,
    });
}

/** A day, or the first of the next booking of the same piece where that is before: two never meet, and the warnings tell of it. */
async function upToTheNext(
  transaction: Database,
  { id, piece_id, from_day }: BookingRow,
  free: string,
): Promise<string> {
  const next = await transaction('bookings')
    .where({ held_piece_id: piece_id })
    .whereNot({ id })
    .where('from_day', '>', asDay(from_day)!)
    .orderBy('from_day')
    .first<{ from_day: Date } | undefined>('from_day');
  const first = next === undefined ? null : asDay(next.from_day)!;
  return first !== null && first < free ? first : free;
}
