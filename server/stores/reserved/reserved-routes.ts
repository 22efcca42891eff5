import {
  putBackPath,
  reservedCalledPath,
  reservedCalledSchema,
  reservedLabelsPath,
  reserveSaveSchema,
  STORES,
} from '@neat-measure/contract/stores';
import { Router } from 'express';
import * as z from 'zod';
import type { Database } from '../../database/database';
import { notFound } from '../../http/problem-error';
import { fitterOf, readBody, readId } from '../../http/request';
import type { Print } from '../../print/print';
import { sendPdf } from '../../print/send-pdf';
import { noteCalled, putBack, reserve } from './reserved';
import type { ReservedLabelsToPrint } from './reserved-labels';
import { listReserved } from './reserved-list';

/** What came in for somebody and is kept for them. All need a session. */
export function reservedRoutes(database: Database, print: Print<ReservedLabelsToPrint>): Router {
  return Router()
    .get(STORES.reserved, async (_request, response) => {
      response.json(await listReserved(database));
    })
    .put(`${STORES.reserved}/:id`, async (request, response) => {
      await reserve(database, readId(request), readBody(reserveSaveSchema, request), fitterOf(response).id);
      response.status(204).end();
    })
    .put(reservedCalledPath(':id'), async (request, response) => {
      const { called } = readBody(reservedCalledSchema, request);
      await noteCalled(database, readId(request), called, fitterOf(response).id);
      response.status(204).end();
    })
    .put(putBackPath(':id'), async (request, response) => {
      const { batchId } = readBody(z.object({ batchId: z.uuidv7() }), request);
      await putBack(database, readId(request), batchId, fitterOf(response).id);
      response.status(204).end();
    })
    .get(reservedLabelsPath(':id'), async (request, response) => {
      const kept = await listReserved(database, readId(request));
      if (kept.length === 0) throw notFound('garment reserved for this docket');
      sendPdf(response, await print({ sheet: 'reserved', kept }), 'reserved.pdf');
    });
}
