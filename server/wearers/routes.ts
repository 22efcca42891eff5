import {
  bodiesQuerySchema,
  listQuerySchema,
  ROUTES,
  wearerExportPath,
  wearerExportSheetPath,
  wearerSaveSchema,
  type WearerExport,
} from '@neat-measure/contract';
import { Router } from 'express';
import type { Database } from '../database/database';
import { refuseEdit } from '../http/problem-error';
import { note } from '../audit/store';
import { fitterOf, readBody, readId, readQuery } from '../http/request';
import { sendPdf } from '../print/send-pdf';
import type { Print } from '../print/sheets';
import type { HouseSettings } from '../settings/service';
import { eraseWearer } from './erase';
import { exportWearer } from './personal-data';
import { keepWearer } from './service';
import { listBodies } from './bodies';
import { findWearer, listWearers } from './store';

/** The people to be sized, and their values without their names. All need a session. */
export function wearerRoutes(database: Database, settings: HouseSettings, print: Print): Router {
  const exported = async (id: string, by: string, form: string): Promise<WearerExport> => {
    const person = await exportWearer(database, id);
    await note(database, {
      by,
      kind: 'wearer-exported',
      about: { kind: 'wearer', id },
      wearerId: id,
      detail: { form },
    });
    return person;
  };
  return Router()
    .get(ROUTES.wearers, async (request, response) => {
      response.json(await listWearers(database, readQuery(listQuerySchema, request)));
    })
    .put(`${ROUTES.wearers}/:id`, async (request, response) => {
      const id = readId(request);
      const save = readBody(wearerSaveSchema, request);
      refuseEdit(await keepWearer(database, id, save, fitterOf(response).id));
      response.json(await findWearer(database, id));
    })
    .get(wearerExportPath(':id'), async (request, response) => {
      const person = await exported(readId(request), fitterOf(response).id, 'json');
      response.setHeader('Content-Disposition', 'attachment; filename="person.json"');
      response.json(person);
    })
    .get(wearerExportSheetPath(':id'), async (request, response) => {
      const person = await exported(readId(request), fitterOf(response).id, 'pdf');
      sendPdf(response, await print({ sheet: 'person', person }), 'person.pdf');
    })
    .delete(`${ROUTES.wearers}/:id`, async (request, response) => {
      const { keepErasedBodies } = await settings.now();
      await eraseWearer(database, readId(request), fitterOf(response).id, { keepBody: keepErasedBodies });
      response.status(204).end();
    })
    .get(ROUTES.bodies, async (request, response) => {
      const { codes } = readQuery(bodiesQuerySchema, request);
      response.json(await listBodies(database, codes));
    });
}
