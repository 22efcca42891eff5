import { protocolSaveSchema, ROUTES } from '@neat-measure/contract';
import { Router } from 'express';
import type { Database } from '../database/database';
import { refuseEdit } from '../http/problem-error';
import { readBody, readId } from '../http/request';
import { findProtocols, listProtocols, saveProtocol } from './store';

/** The ways to measure. All need a session. */
export function protocolRoutes(database: Database): Router {
  return Router()
    .get(ROUTES.protocols, async (_request, response) => {
      response.json(await listProtocols(database));
    })
    .put(`${ROUTES.protocols}/:id`, async (request, response) => {
      const id = readId(request);
      refuseEdit(await saveProtocol(database, id, readBody(protocolSaveSchema, request)));
      response.json((await findProtocols(database, [id]))[0]);
    });
}
