import type { Act, Handing } from '@neat-measure/core';
import { addDays, dayOf, freeAfter } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../database/database';
import { isDuplicate } from '../../database/trouble';
import type { Garment } from '../ledger/garments';
import { bookingRows, type BookingRow } from './hire';
import { asDay, today, type KnownPiece } from '../ledger/pieces';

/** A piece is held by somebody else for some of the days. */
export class HireClash extends Error {}

/** The booking of a garment of a docket: the latest that is out, or was; or else the next that was not fetched yet. */
async function ofDocket(
  transaction: Database,
  docketId: string,
  chartId: string,
  out: boolean,
): Promise<BookingRow | undefined> {
  return bookingRows(transaction)
    .where({ 'bookings.docket_id': docketId, 'bookings.chart_id': chartId })
    .modify(
      (query) => void (out ? query.whereNotNull('out_day') : query.whereNull('out_day').whereNull('outcome')),
    )
    .orderBy('from_day', out ? 'desc' : 'asc')
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
  const booked = await ofDocket(transaction, act.docketId, handing.chartId, false);
  const day = dayOfAct(act);
  // What is written down late went out by its last day at the latest.
  const from = handing.until < day ? handing.until : day;
  const columns = {
    piece_id: piece.id,
    held_piece_id: piece.id,
    from_day: from,
    until_day: handing.until,
    free_day: freeAfter(handing.until, keeping.dryingDays),
    out_day: from,
  };
  try {
    if (booked !== undefined)
      await transaction('bookings')
        .where({ id: booked.id })
        .update({ ...columns, version: booked.version + 1 });
    else
      await transaction('bookings').insert({
        ...columns,
        id: uuidv7(),
        docket_id: act.docketId,
        chart_id: handing.chartId,
        who: await wearerOf(transaction, act.docketId),
        version: 1,
      });
  } catch (error) {
    throw isDuplicate(error) ? new HireClash() : error;
  }
}

async function wearerOf(transaction: Database, docketId: string): Promise<string> {
  const row = await transaction('dockets')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .where({ 'dockets.id': docketId })
    .first<{ name: string }>('wearers.name');
  return row.name;
}

/** The handing was a slip: the piece is not out, and held no more. */
export async function hireNotOut(transaction: Database, docketId: string, chartId: string): Promise<void> {
  const booked = await ofDocket(transaction, docketId, chartId, true);
  if (booked === undefined || booked.outcome !== null) return;
  await transaction('bookings')
    .where({ id: booked.id })
    .update({ held_piece_id: null, outcome: 'cancelled', out_day: null, version: booked.version + 1 });
}

/** What was handed over came back, or is lost: held until it is clean and dry, or until the next has it. */
export async function hireEnded(
  transaction: Database,
  docketId: string,
  { chartId, back: came }: Handing,
  dryingDays: number,
): Promise<void> {
  const booked = await ofDocket(transaction, docketId, chartId, true);
  if (booked === undefined || booked.outcome !== null) return;
  const { goes, why, note, at } = came!;
  const [out, done] = [asDay(booked.out_day)!, dayOfAct({ at })];
  // By a clock that is wrong it may have come back before it went out.
  const back = done < out ? out : done;
  const free = await upToTheNext(
    transaction,
    booked,
    goes === 'drying' ? freeAfter(back, dryingDays) : addDays(back, 1),
  );
  await transaction('bookings')
    .where({ id: booked.id })
    .update({
      back_day: back,
      free_day: free,
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
  chartId: string,
  dryingDays: number,
): Promise<void> {
  const booked = await ofDocket(transaction, docketId, chartId, true);
  if (booked === undefined || booked.outcome === null) return;
  const free = await upToTheNext(transaction, booked, freeAfter(asDay(booked.until_day)!, dryingDays));
  await transaction('bookings')
    .where({ id: booked.id })
    .update({ back_day: null, free_day: free, outcome: null, version: booked.version + 1 });
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
