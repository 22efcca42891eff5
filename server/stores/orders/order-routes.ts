import {
  deliveryPath,
  deliverySchema,
  orderAskedPath,
  orderClosedPath,
  orderClosedSchema,
  orderFilePath,
  orderSaveSchema,
  orderSentPath,
  orderSentSchema,
  STORES,
} from '@neat-measure/contract/stores';
import { orderAsCsv } from '@neat-measure/core/stock';
import { Router } from 'express';
import * as z from 'zod';
import type { Database } from '../../database/database';
import { fitterOf, readBody, readId, readParam } from '../../http/request';
import type { Maker } from './maker';
import { listNeeds } from './needs';
import { closeLines, deliver } from './deliveries';
import { hearOf, sendOrder } from './order-talk';
import { listOrders, orderOf, saveOrder, sheetToSend } from './orders';

/** What is ordered of makers, and what comes. All need a session. */
export function orderRoutes(database: Database, maker: Maker): Router {
  return Router()
    .get(STORES.needs, async (_request, response) => {
      response.json(await listNeeds(database));
    })
    .get(STORES.orders, async (_request, response) => {
      response.json(await listOrders(database));
    })
    .get(orderFilePath(':id', 'json'), async (request, response) => {
      const order = await orderOf(database, readId(request));
      response.attachment(`order-${order.number}.json`).json(await sheetToSend(database, order));
    })
    .get(orderFilePath(':id', 'csv'), async (request, response) => {
      const order = await orderOf(database, readId(request));
      response
        .type('text/csv')
        .attachment(`order-${order.number}.csv`)
        .send(orderAsCsv(await sheetToSend(database, order)));
    })
    .get(`${STORES.orders}/:id`, async (request, response) => {
      response.json(await orderOf(database, readId(request)));
    })
    .put(`${STORES.orders}/:id`, async (request, response) => {
      const id = readId(request);
      await saveOrder(database, id, readBody(orderSaveSchema, request), fitterOf(response).id);
      response.json(await orderOf(database, id));
    })
    .put(orderSentPath(':id'), async (request, response) => {
      const id = readId(request);
      const { byHand } = readBody(orderSentSchema, request);
      await sendOrder(database, maker, id, { by: fitterOf(response).id, byHand });
      // What it says at once, where it says anything: an order that was sent is sent, whatever comes of asking.
      if (!byHand) await hearOf(database, maker, id).catch(() => undefined);
      response.json(await orderOf(database, id));
    })
    .put(orderAskedPath(':id'), async (request, response) => {
      const { id } = await orderOf(database, readId(request));
      await hearOf(database, maker, id);
      response.json(await orderOf(database, id));
    })
    .put(orderClosedPath(':id'), async (request, response) => {
      const id = readId(request);
      const { lines, batchId } = readBody(orderClosedSchema.extend({ batchId: z.uuidv7() }), request);
      await closeLines(database, id, batchId, lines, fitterOf(response).id);
      response.json(await orderOf(database, id));
    })
    .put(deliveryPath(':id', ':deliveryId'), async (request, response) => {
      const id = readId(request);
      const delivery = readBody(deliverySchema, request);
      await deliver(database, id, readParam(request, 'deliveryId'), delivery, fitterOf(response).id);
      response.json(await orderOf(database, id));
    });
}
