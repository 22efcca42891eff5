import { AS_IT_STANDS } from '../../database/all-or-nothing';
import type { Database } from '../../database/database';
import { tryAgain } from '../../database/trouble';
import { StockRefused } from '../ledger/ledger';
import type { Maker } from './maker';
import { isOver, orderOf, sheetToSend } from './orders';

/**
 * Sends an order to its maker, and notes that. Sent again it is the same order to the maker, and is noted once.
 *
 * @throws ProblemError `unavailable` where the maker does not answer: the order stays as it was
 */
export async function sendOrder(
  database: Database,
  maker: Maker,
  id: string,
  { by, byHand }: { readonly by: string; readonly byHand: boolean },
): Promise<void> {
  const order = await orderOf(database, id);
  if (isOver(order.stage))
    throw new StockRefused('Nothing of this order is outstanding. Create a new order.');
  if (!byHand) await maker.send(await sheetToSend(database, order));
  await tryAgain(() =>
    database.transaction(async (transaction) => {
      await transaction('orders').where({ id }).forUpdate().first('id');
      const sent = await transaction('order_events').where({ order_id: id, kind: 'sent' }).first('place');
      if (sent === undefined)
        await transaction('order_events').insert({
          order_id: id,
          kind: 'sent',
          body: byHand ? JSON.stringify({ byHand }) : null,
          by_id: by,
          at: new Date(),
        });
    }, AS_IT_STANDS),
  );
}

/** Asks the maker how an order stands, and keeps what is new. What it said once stands, whatever it says later. */
export async function hearOf(database: Database, maker: Maker, id: string): Promise<void> {
  const order = await orderOf(database, id);
  if (order.stage === 'draft')
    throw new StockRefused(
      `Order ${order.number} is not sent yet. Send the order first, then ask the maker.`,
    );
  let answer = await maker.ask(id);
  if (answer === null && order.byHand)
    throw new StockRefused(
      `Order ${order.number} was sent by hand, so the maker’s desk does not know it. Call the maker.`,
    );
  if (answer === null) {
    // It has lost the order, or never got it: the same order again is the same to it.
    await maker.send(await sheetToSend(database, order));
    answer = await maker.ask(id);
  }
  const messages = answer?.messages ?? [];
  for (const message of messages)
    await database('order_events')
      .insert({
        order_id: id,
        kind: 'heard',
        heard: message.place,
        body: JSON.stringify(message),
        at: new Date(),
      })
      .onConflict(['order_id', 'heard'])
      .ignore();
}

/** The orders of which something is still to come, sent or not. */
export async function openOrders(database: Database): Promise<string[]> {
  return database('orders')
    .whereExists(
      database('order_lines')
        .whereRaw('order_lines.order_id = orders.id')
        .whereRaw(
          `order_lines.count > (select coalesce(sum(e.count), 0) from order_events e where e.order_id = order_lines.order_id
             and e.line = order_lines.line and e.kind in ('received', 'closed'))`,
        ),
    )
    .pluck<string[]>('id');
}
