import {
  putBackPath,
  putByCalledPath,
  putByCalledSchema,
  putByLabelsPath,
  putBySaveSchema,
  STORES,
} from '@neat-measure/contract/stores';
import { Router } from 'express';
import * as z from 'zod';
import type { Database } from '../../database/database';
import { notFound } from '../../http/problem-error';
import { fitterOf, readBody, readId } from '../../http/request';
import type { Print } from '../../print/print';
import { sendPdf } from '../../print/send-pdf';
import { noteCalled, putBack, putBy } from './put-by';
import type { PutByLabelsToPrint } from './put-by-labels';
import { listPutBy } from './put-by-list';

/** What came in for somebody and is kept for them. All need a session. */
export function putByRoutes(database: Database, print: Print<PutByLabelsToPrint>): Router {
  return Router()
    .get(STORES.putBy, async (_request, response) => {
      response.json(await listPutBy(database));
    })
    .put(`${STORES.putBy}/:id`, async (request, response) => {
      await putBy(database, readId(request), readBody(putBySaveSchema, request), fitterOf(response).id);
      response.status(204).end();
    })
    .put(putByCalledPath(':id'), async (request, response) => {
      const { called } = readBody(putByCalledSchema, request);
      await noteCalled(database, readId(request), called, fitterOf(response).id);
      response.status(204).end();
    })
    .put(putBackPath(':id'), async (request, response) => {
      const { batchId } = readBody(z.object({ batchId: z.uuidv7() }), request);
      await putBack(database, readId(request), batchId, fitterOf(response).id);
      response.status(204).end();
    })
    .get(putByLabelsPath(':id'), async (request, response) => {
      const kept = await listPutBy(database, readId(request));
      if (kept.length === 0) throw notFound('garment reserved for this docket');
      sendPdf(response, await print({ sheet: 'put-by', kept }), 'put-by.pdf');
    });
}
