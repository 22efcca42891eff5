import { lineSchema, type Fitter } from '@neat-measure/contract';
import { keepingSchema } from '@neat-measure/contract/stores';
import type { TakenFrom } from '@neat-measure/core';
import { addDays, addMonths, dayOf, freeAfter, makerMessageSchema } from '@neat-measure/core/stock';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import * as z from 'zod';
import type { Database } from '../database/database';
import { garmentOf, keepGarment, refuseLabel } from '../stores/ledger/garments';
import { holdArticle, move } from '../stores/ledger/ledger';
import { saveOrder } from '../stores/orders/orders';
import { listPieces, today } from '../stores/ledger/pieces';
import { receive } from '../stores/shelves/receive';

const daysSchema = z.int().min(-400).max(400);
const storesSchema = z.object({
  rooms: z.array(z.object({ id: z.uuidv7(), key: z.string(), name: lineSchema(60) })),
  /** By the name of the chart's file. */
  keeping: z.record(z.string(), keepingSchema),
  stock: z.array(
    z.object({
      file: z.string(),
      room: z.string(),
      label: z.string(),
      count: z.int().min(0),
      minimum: z.int().default(0),
    }),
  ),
  pieces: z.array(
    z.object({
      file: z.string(),
      room: z.string(),
      label: z.string(),
      serial: z.string(),
      madeMonthsAgo: z.int(),
    }),
  ),
  /** Numbers of pieces that dry. */
  drying: z.array(z.string()),
  bookings: z.array(
    z.object({
      id: z.uuidv7(),
      serial: z.string(),
      who: z.string(),
      fromDays: daysSchema,
      untilDays: daysSchema,
      deposit: z.int().nullable(),
    }),
  ),
  orders: z.array(
    z.object({
      id: z.uuidv7(),
      maker: z.string(),
      room: z.string(),
      sent: z.boolean(),
      lines: z.array(z.object({ file: z.string(), label: z.string(), count: z.int() })),
    }),
  ),
});

async function read(folder: string): Promise<z.infer<typeof storesSchema>> {
  return storesSchema.parse(JSON.parse(await readFile(join(folder, 'stores.json'), 'utf8')));
}

/**
 * Loads the stores of the demo as they were before the season: rooms, how garments are kept, what is in stock.
 *
 * @param charts the id of each chart by its file
 * @returns where each numbered piece lies, by its number
 */
export async function loadStores(
  database: Database,
  folder: string,
  charts: ReadonlyMap<string, string>,
  keeper: Fitter,
): Promise<Map<string, TakenFrom>> {
  const { rooms, keeping, stock, pieces, drying } = await read(folder);
  const roomOf = new Map(rooms.map(({ key, id }) => [key, id]));
  for (const { id, name } of rooms) await database('store_rooms').insert({ id, name, version: 1 });
  for (const [file, kept] of Object.entries(keeping))
    await keepGarment(database, charts.get(file)!, { keeping: kept, version: 0 });
  for (const { file, room, label, count, minimum } of stock) {
    const seriesId = charts.get(file)!;
    const fields = { seriesId, label, roomId: roomOf.get(room)!, compartment: 'shelf', pieces: [] } as const;
    if (count > 0) await receive(database, uuidv7(), { ...fields, pieces: [], count }, keeper.id);
    else await refuseLabel(database, await garmentOf(database, seriesId), label);
    const article = await holdArticle(database, seriesId, label);
    await database('articles').where({ id: article.id }).update({ minimum });
  }
  for (const { file, room, label, serial, madeMonthsAgo } of pieces)
    await receive(
      database,
      uuidv7(),
      {
        seriesId: charts.get(file)!,
        label,
        roomId: roomOf.get(room)!,
        compartment: 'shelf',
        count: 1,
        pieces: [{ serial, made: addMonths(today(), -madeMonthsAgo), goodUntil: null }],
      },
      keeper.id,
    );
  // They came when they were made, and were looked at since.
  await database('pieces').update({ received: database.raw('made') });
  const known = await listPieces(database, () => undefined);
  for (const { id, serial, inspectedBy } of known)
    if (inspectedBy !== null)
      await database('piece_inspections').insert({
        id: uuidv7(),
        piece_id: id,
        // One of them was not looked at for more than a year.
        day: addDays(today(), serial.endsWith('7') ? -380 : -120),
        passed: 1,
        note: null,
        by_id: keeper.id,
        at: new Date(),
      });
  for (const { id, articleId, serial, place } of known)
    if (drying.includes(serial)) {
      const roomId = place.split('/')[0]!;
      await move(database, {
        batchId: uuidv7(),
        kind: 'moved',
        articleId,
        what: serial,
        from: { in: 'room', roomId, compartment: 'shelf' },
        to: { in: 'room', roomId, compartment: 'drying' },
        count: 1,
        pieceId: id,
        by: keeper.id,
      });
    }
  return new Map(
    known.map(({ id, serial, place }) => [serial, { roomId: place.split('/')[0]!, pieceId: id }]),
  );
}

/** What came after the season: what is booked for the days to come, and the orders that are open. */
export async function loadAfterSeason(
  database: Database,
  folder: string,
  charts: ReadonlyMap<string, string>,
  keeper: Fitter,
): Promise<void> {
  const { rooms, bookings, orders } = await read(folder);
  await asOfDockets(database);
  const known = new Map((await listPieces(database, () => undefined)).map((piece) => [piece.serial, piece]));
  for (const { id, serial, who, fromDays, untilDays, deposit } of bookings) {
    const piece = known.get(serial)!;
    const { keeping } = await garmentOf(database, piece.seriesId);
    const until = addDays(today(), untilDays);
    await database('bookings').insert({
      id,
      piece_id: piece.id,
      held_piece_id: piece.id,
      who,
      from_day: addDays(today(), fromDays),
      until_day: until,
      free_day: freeAfter(until, keeping.dryingDays),
      deposit,
      version: 1,
    });
  }
  for (const { id, maker, room, sent, lines } of orders) {
    const roomId = rooms.find(({ key }) => key === room)!.id;
    const asked = lines.map(({ file, label, count }) => ({
      seriesId: charts.get(file)!,
      label,
      count,
      wantedFor: [],
    }));
    await saveOrder(database, id, { maker, roomId, lines: asked }, keeper.id);
    if (!sent) continue;
    const message = {
      place: 1,
      on: addDays(today(), -1),
      says: 'acknowledged',
      promised: addDays(today(), 2),
    };
    const base = { order_id: id, at: new Date() };
    await database('order_events').insert({ ...base, kind: 'sent', by_id: keeper.id });
    await database('order_events').insert({
      ...base,
      kind: 'heard',
      heard: 1,
      body: JSON.stringify(makerMessageSchema.parse(message)),
    });
  }
}

/** What the season's dockets took from the stores happened when they say. */
async function asOfDockets(database: Database): Promise<void> {
  const rows = await database('bookings')
    .join('acts', (on) =>
      on.on('acts.docket_id', 'bookings.docket_id').andOnVal('acts.kind', 'garments-handed-over'),
    )
    .select<{ id: string; docket_id: string; done_at: Date; until: string; drying: number }[]>(
      'bookings.id',
      'bookings.docket_id',
      'acts.done_at',
      database.raw("json_value(acts.body, '$.garments[0].until') as until"),
    );
  for (const { id, docket_id, done_at, until } of rows) {
    const from = dayOf(done_at);
    const columns = { from_day: from, until_day: until, free_day: freeAfter(until, 2), out_day: from };
    await database('bookings').where({ id }).update(columns);
    await database('stock_movements').where({ docket_id }).update({ at: done_at });
  }
}
