import { protocolSaveSchema, ROUTES } from '@neat-measure/contract';
import { Router } from 'express';
import type { Database } from '../database/database';
import { refuseEdit } from '../http/problem-error';
import { noted } from '../audit/store';
import { fitterOf, readBody, readId } from '../http/request';
import { findProtocols, listProtocols, saveProtocol } from './store';

/** The ways to measure. All need a session. */
export function protocolRoutes(database: Database): Router {
  return Router()
    .get(ROUTES.protocols, async (_request, response) => {
      response.json(await listProtocols(database));
    })
    .put(`${ROUTES.protocols}/:id`, async (request, response) => {
      const id = readId(request);
      const save = readBody(protocolSaveSchema, request);
      const [before] = await findProtocols(database, [id]);
      const saved = await noted(
        database,
        (transaction) => saveProtocol(transaction, id, save),
        (done) =>
          done === 'saved'
            ? {
                by: fitterOf(response).id,
                kind: 'protocol-kept',
                about: { kind: 'protocol', id },
                detail: { before: before ?? null, after: save },
              }
            : null,
      );
      refuseEdit(saved);
      response.json((await findProtocols(database, [id]))[0]);
    });
}
