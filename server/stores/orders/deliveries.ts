import type { Delivery, Order } from '@neat-measure/contract/stores';
import type { Database } from '../../database/database';
import { notFound } from '../../http/problem-error';
import { once } from '../ledger/batches';
import { garmentOf, refuseLabel, type Garment } from '../ledger/garments';
import { holdArticle, StockRefused } from '../ledger/ledger';
import { orderOf } from './orders';
import { keepFor, reservedPlace, stillWaiting } from '../reserved/reserved';
import { takeIn, type Incoming } from '../shelves/receive';

/** Waits no more for the rest of some lines. */
export async function closeLines(
  database: Database,
  orderId: string,
  batchId: string,
  lines: readonly number[],
  by: string,
): Promise<void> {
  await orderOf(database, orderId);
  await once(database, { id: batchId, what: 'closed', body: { orderId, lines }, by }, async (transaction) => {
    const order = await holdOrder(transaction, orderId);
    for (const line of new Set(lines)) {
      const found = order.lines.find((one) => one.line === line);
      if (found === undefined) throw notFound('line of the order');
      if (found.open > 0)
        await transaction('order_events').insert({
          order_id: orderId,
          kind: 'closed',
          line,
          count: found.open,
          by_id: by,
          at: new Date(),
        });
    }
  });
}

/** An order as it stands, held until the transaction ends. */
async function holdOrder(transaction: Database, id: string): Promise<Order> {
  await transaction('orders').where({ id }).forUpdate().first('id');
  return orderOf(transaction, id);
}

/**
 * Takes in what came of an order, checked off against it: all of it or nothing. What is of another size than was
 * ordered lies on the shelf as what it is; for its line it counts only where its maker sends it in that one's place.
 *
 * @throws StockRefused where more came for a line than is open: the rest was not ordered, and is said to be so
 */
export async function deliver(
  database: Database,
  orderId: string,
  batchId: string,
  { holds }: Delivery,
  by: string,
): Promise<void> {
  const ordered = (await orderOf(database, orderId)).lines;
  const garments: Garment[] = [];
  for (const { seriesId, label } of holds) {
    const garment = await garmentOf(database, seriesId);
    // What was ordered comes, though its chart may have no such size any more.
    if (!ordered.some((line) => line.seriesId === seriesId && line.label === label))
      await refuseLabel(database, garment, label);
    garments.push(garment);
  }
  await once(
    database,
    { id: batchId, what: 'delivery', body: { orderId, holds }, by },
    async (transaction) => {
      const order = await holdOrder(transaction, orderId);
      const open = new Map(order.lines.map((one) => [one.line, one.open]));
      const at = new Date();
      for (const [index, hold] of holds.entries()) {
        const garment = garments[index]!;
        const what = `${garment.garment} ${hold.label}`;
        if (hold.does === 'send-back') {
          const body = JSON.stringify({ label: what });
          await transaction('order_events').insert({
            order_id: orderId,
            kind: 'sent-back',
            count: hold.count,
            body,
            by_id: by,
            at,
          });
          continue;
        }
        const line = order.lines.find((one) => one.line === hold.line);
        if (hold.line !== null && line === undefined) throw notFound('line of the order');
        if (line !== undefined) {
          refuseForLine(line, hold, what);
          const left = open.get(line.line)!;
          if (hold.count > left)
            throw new StockRefused(
              `${left} of ${what} ${left === 1 ? 'is' : 'are'} still to come by this order, and ${hold.count} were checked off. Take the rest in as not ordered, or send it back.`,
            );
          open.set(line.line, left - hold.count);
        }
        const article = await holdArticle(transaction, hold.seriesId, hold.label);
        await takeInAndReserve(transaction, line, {
          batchId,
          garment,
          article,
          roomId: order.roomId,
          count: hold.count,
          pieces: hold.pieces,
          orderId,
          by,
        });
        const isOther = line === undefined || line.label !== hold.label || line.seriesId !== hold.seriesId;
        await transaction('order_events').insert({
          order_id: orderId,
          kind: line === undefined ? 'beside' : 'received',
          line: line?.line ?? null,
          count: hold.count,
          // What its label said, where that is not what was ordered.
          body: isOther ? JSON.stringify({ label: what }) : null,
          by_id: by,
          at,
        });
      }
    },
  );
}

/** Takes in what came for a line: as many as dockets wait for are reserved for them, the others go to the shelf. */
async function takeInAndReserve(
  transaction: Database,
  line: Order['lines'][number] | undefined,
  {
    roomId,
    ...incoming
  }: Omit<Incoming, 'to' | 'orderId'> & { readonly roomId: string; readonly orderId: string },
): Promise<void> {
  const { article, count, pieces, orderId } = incoming;
  const waiting = line === undefined ? [] : await stillWaiting(transaction, article, line.wantedFor);
  const theirs = waiting.slice(0, count);
  for (const [at, { docketId, chartId }] of theirs.entries()) {
    const [pieceId = null] = await takeIn(transaction, {
      ...incoming,
      to: reservedPlace(roomId),
      count: 1,
      pieces: pieces.slice(at, at + 1),
    });
    await keepFor(transaction, { docketId, chartId, articleId: article.id, pieceId, roomId, orderId });
  }
  const left = count - theirs.length;
  if (left > 0)
    await takeIn(transaction, {
      ...incoming,
      to: { in: 'room', roomId, compartment: 'shelf' },
      count: left,
      pieces: pieces.slice(theirs.length),
    });
}

/** @throws StockRefused where what came is not what was ordered on that line, and its maker did not say so */
function refuseForLine(
  line: Order['lines'][number],
  { seriesId, label }: Delivery['holds'][number],
  what: string,
): void {
  if (line.seriesId === seriesId && (line.label === label || line.substitute?.label === label)) return;
  throw new StockRefused(
    `${what} was not ordered on that line: ${line.garment} ${line.label} was. Add it as not ordered, or send it back.`,
  );
}
