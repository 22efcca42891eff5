import { bodiesQuerySchema, listQuerySchema, ROUTES, wearerSaveSchema } from '@neat-measure/contract';
import { Router } from 'express';
import type { Database } from '../database/database';
import { refuseEdit } from '../http/problem-error';
import { readBody, readId, readQuery } from '../http/request';
import { listBodies } from './bodies';
import { findWearer, listWearers, saveWearer } from './store';

/** The people to be sized, and their values without their names. All need a session. */
export function wearerRoutes(database: Database): Router {
  return Router()
    .get(ROUTES.wearers, async (request, response) => {
      response.json(await listWearers(database, readQuery(listQuerySchema, request)));
    })
    .put(`${ROUTES.wearers}/:id`, async (request, response) => {
      const id = readId(request);
      refuseEdit(await saveWearer(database, id, readBody(wearerSaveSchema, request)));
      response.json(await findWearer(database, id));
    })
    .get(ROUTES.bodies, async (request, response) => {
      const { codes } = readQuery(bodiesQuerySchema, request);
      response.json(await listBodies(database, codes));
    });
}
