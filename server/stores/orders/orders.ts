import type { Order, OrderSave } from '@neat-measure/contract/stores';
import {
  makerMessageSchema,
  sayMessage,
  standingOfOrder,
  type MakerMessage,
  type OrderEvent,
  type OrderSheet,
} from '@neat-measure/core/stock';
import * as z from 'zod';
import type { Database } from '../../database/database';
import { readJson } from '../../database/read-json';
import { notFound } from '../../http/problem-error';
import { once } from '../ledger/batches';
import { findSettings } from '../../settings/store';
import { garmentOf, garmentsOf, refuseLabel } from '../ledger/garments';
import { codeOf, holdArticle, StockRefused, type ArticleRow } from '../ledger/ledger';
import { refuseRoom } from '../shelves/receive';
import { today } from '../ledger/pieces';

interface OrderRow {
  readonly id: string;
  readonly number: number;
  readonly maker: string;
  readonly room_id: string;
  readonly name: string;
  readonly at: Date;
}
interface LineRow {
  readonly order_id: string;
  readonly line: number;
  readonly article_id: string;
  readonly ordered_as: string | null;
  readonly count: number;
  readonly wanted_for: unknown;
}
interface EventRow {
  readonly order_id: string;
  readonly kind: 'sent' | 'heard' | 'received' | 'sent-back' | 'closed' | 'beside';
  readonly line: number | null;
  readonly count: number | null;
  readonly body: unknown;
  readonly name: string | null;
  readonly at: Date;
}

const wantedForSchema = z.array(z.object({ docketId: z.string(), chartId: z.string() }));
const labelledSchema = z.object({ label: z.string() });
const sentSchema = z.object({ byHand: z.literal(true) });

/** So many orders that are done are told beside those that are open. */
const MOST_DONE = 40;

/** Every order that is open, and the latest that are done; the newest first. */
export async function listOrders(database: Database): Promise<Order[]> {
  const rows: OrderRow[] = await orderRows(database);
  const told = await tellOrders(database, rows);
  const done = told.filter(({ stage }) => isOver(stage)).slice(MOST_DONE);
  return told.filter((one) => !done.includes(one));
}

/** Whether nothing of an order is waited for any more. */
export function isOver(stage: Order['stage']): boolean {
  return stage === 'done' || stage === 'ended';
}

/** Some orders. */
export async function findOrders(database: Database, ids: readonly string[]): Promise<Order[]> {
  return tellOrders(database, await orderRows(database).whereIn('orders.id', [...ids]));
}

/** One order. @throws ProblemError `not-found` */
export async function orderOf(database: Database, id: string): Promise<Order> {
  const [found] = await findOrders(database, [id]);
  if (found === undefined) throw notFound('order');
  return found;
}

function orderRows(database: Database) {
  return database('orders')
    .join('fitters', 'fitters.id', 'orders.by_id')
    .orderBy('orders.number', 'desc')
    .select<OrderRow[]>('orders.*', 'fitters.name');
}

async function tellOrders(database: Database, rows: readonly OrderRow[]): Promise<Order[]> {
  const ids = rows.map(({ id }) => id);
  const lines: LineRow[] = await database('order_lines')
    .whereIn('order_id', ids)
    .orderBy(['order_id', 'line']);
  const events: EventRow[] = await database('order_events')
    .leftJoin('fitters', 'fitters.id', 'order_events.by_id')
    .whereIn('order_id', ids)
    .orderBy('order_events.place')
    .select('order_events.*', 'fitters.name');
  const articles = await database<ArticleRow>('articles').whereIn(
    'id',
    lines.map(({ article_id }) => article_id),
  );
  const articleById = new Map(articles.map((one) => [one.id, one]));
  const garments = await garmentsOf(database, [...new Set(articles.map(({ series_id }) => series_id))]);
  const wanted = new Map(
    lines.map((line) => [line, readJson(wantedForSchema, line.wanted_for, 'an order line')]),
  );
  const docketIds = [...wanted.values()].flat().map(({ docketId }) => docketId);
  const numbers = new Map(
    (
      await database('dockets')
        .whereIn('id', docketIds)
        .select<{ id: string; number: number }[]>('id', 'number')
    ).map((one) => [one.id, one.number]),
  );
  const on = today();
  return rows.map((row) => {
    const own = lines.filter(({ order_id }) => order_id === row.id);
    const happened = events.filter(({ order_id }) => order_id === row.id);
    const asLines = own.map(({ line, article_id, count }) => ({ line, articleId: article_id, count }));
    const read = happened.map(toEvent);
    const standing = standingOfOrder(asLines, read, on);
    const labelOf = (line: number) => {
      const article = articleById.get(own.find((one) => one.line === line)?.article_id ?? '');
      return article === undefined
        ? `line ${line}`
        : `${garments.get(article.series_id)!.garment} ${article.label}`;
    };
    return {
      id: row.id,
      number: row.number,
      maker: row.maker,
      roomId: row.room_id,
      at: row.at.toISOString(),
      stage: standing.stage,
      promised: standing.promised,
      late: standing.late,
      silentSince: standing.silentSince,
      byHand: read.some((one) => one.kind === 'sent' && one.byHand === true),
      lines: own.map((line, at) => {
        const article = articleById.get(line.article_id)!;
        const garment = garments.get(article.series_id)!;
        return {
          ...standing.lines[at]!,
          articleId: article.id,
          seriesId: article.series_id,
          garment: garment.garment,
          label: article.label,
          orderedAs: line.ordered_as,
          code: codeOf(article.number),
          makerCode: article.maker_code,
          numbered: garment.keeping.numbered,
          count: line.count,
          wantedFor: wanted
            .get(line)!
            .map((one) => ({ ...one, docketNumber: numbers.get(one.docketId) ?? null })),
          pieces: read.flatMap((one) => (one.kind === 'heard' ? piecesIn(one.message, line.line) : [])),
        };
      }),
      story: [
        { on: row.at.toISOString(), by: row.name, says: 'Created the order.' },
        ...happened.map((event, at) => ({
          on: event.at.toISOString(),
          by: event.name ?? row.maker,
          says: sayEvent(read[at]!, labelOf),
        })),
      ],
    };
  });
}

function piecesIn(message: MakerMessage, line: number): { serial: string; made: string }[] {
  return message.says === 'despatched'
    ? message.holds.flatMap((one) => (one.line === line ? one.pieces : []))
    : [];
}

function toEvent({ kind, line, count, body, at }: EventRow): OrderEvent {
  switch (kind) {
    case 'sent': {
      const byHand = body === null ? {} : readJson(sentSchema, body, 'how an order was sent');
      return { kind, at: at.toISOString(), ...byHand };
    }
    case 'heard':
      return { kind, message: readJson(makerMessageSchema, body, 'what a maker said') };
    case 'sent-back':
    case 'beside':
      return { kind, count: count!, label: readJson(labelledSchema, body, 'what came').label };
    case 'received': {
      const as = body === null ? {} : { as: readJson(labelledSchema, body, 'what came').label };
      return { kind, line: line!, count: count!, ...as };
    }
    default:
      return { kind, line: line!, count: count! };
  }
}

function sayEvent(event: OrderEvent, labelOf: (line: number) => string): string {
  switch (event.kind) {
    case 'sent':
      return event.byHand === true ? 'Sent by hand.' : 'Sent the order.';
    case 'heard':
      return sayMessage(event.message, labelOf);
    case 'received':
      return event.as === undefined
        ? `Received ${event.count} of ${labelOf(event.line)}.`
        : `Received ${event.count} of ${event.as} instead of ${labelOf(event.line)}.`;
    case 'beside':
      return `Received ${event.count} of ${event.label}, not ordered.`;
    case 'sent-back':
      return `Sent back ${event.count} of ${event.label}.`;
    case 'closed':
      return `Closed: ${event.count} outstanding of ${labelOf(event.line)}.`;
  }
}

/** Puts an order together. @throws StockRefused where a garment is another maker's, or a size none */
export async function saveOrder(database: Database, id: string, save: OrderSave, by: string): Promise<void> {
  await refuseRoom(database, save.roomId);
  for (const { seriesId, label } of save.lines) {
    const garment = await garmentOf(database, seriesId);
    if (garment.maker !== save.maker)
      throw new StockRefused(
        `${garment.garment} is made by ${garment.maker}, not by ${save.maker}. Order it from its own maker.`,
      );
    await refuseLabel(database, garment, label);
  }
  const keys = save.lines.map(({ seriesId, label }) => `${seriesId} ${label}`);
  if (new Set(keys).size < keys.length)
    throw new StockRefused('A size is listed twice. Add the two counts together.');
  await once(database, { id, what: 'order', body: save, by }, async (transaction) => {
    await transaction('orders').insert({
      id,
      maker: save.maker,
      room_id: save.roomId,
      by_id: by,
      at: new Date(),
    });
    for (const [at, { seriesId, label, count, wantedFor }] of save.lines.entries()) {
      const article = await holdArticle(transaction, seriesId, label);
      await transaction('order_lines').insert({
        order_id: id,
        line: at + 1,
        article_id: article.id,
        count,
        wanted_for: JSON.stringify(wantedFor),
      });
    }
  });
}

/** An order in its open form. */
function sheetOf(order: Order, house: string): OrderSheet {
  return {
    form: 'neat-measure-order',
    version: 1,
    order: order.id,
    number: order.number,
    house,
    maker: order.maker,
    sent: order.at,
    lines: order.lines.map(({ line, garment, label, orderedAs, code, count, numbered }) => ({
      line,
      garment,
      // What its maker was sent stays what it was.
      label: orderedAs ?? label,
      code,
      count,
      numbered,
    })),
  };
}

/** An order in its open form, from the house by its own name. */
export async function sheetToSend(database: Database, order: Order): Promise<OrderSheet> {
  const { name } = await findSettings(database);
  return sheetOf(order, name === '' ? NO_NAME : name);
}

/** What stands on orders of a house that has not said what it is called. */
const NO_NAME = 'House without a name';
