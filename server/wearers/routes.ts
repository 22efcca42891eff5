import {
  bodiesQuerySchema,
  eraseSchema,
  listQuerySchema,
  ROUTES,
  wearerErasingPath,
  wearerExportPath,
  wearerExportSheetPath,
  wearerRecordPath,
  wearerSaveSchema,
  type Bodies,
  type WearerExport,
  type WearerRecord,
} from '@neat-measure/contract';
import { historyCsv, type MeasurementCode } from '@neat-measure/core';
import { Router } from 'express';
import type { Database } from '../database/database';
import { refuseEdit } from '../http/problem-error';
import { noteLook } from '../audit/looks';
import { note } from '../audit/store';
import { fitterOf, readBody, readId, readQuery } from '../http/request';
import { sendPdf } from '../print/send-pdf';
import type { Print } from '../print/print';
import type { PersonToPrint } from './person-sheet';
import type { RecordToPrint } from './record-sheet';
import type { HouseSettings } from '../settings/service';
import { eraseWearer } from './erase';
import { beforeErasing } from './erasing';
import { exportWearer } from './personal-data';
import { keepWearer } from './service';
import { recordOfWearer } from './record';
import { findWearer, listWearers } from './store';

/** The people to be sized, and their values without their names. All need a session. */
export function wearerRoutes(
  database: Database,
  settings: HouseSettings,
  print: Print<PersonToPrint | RecordToPrint>,
  outbox: string,
  /** Gathers the values of everybody, away from the requests. */
  bodies: (codes: readonly MeasurementCode[], groupId: string | null) => Promise<Bodies>,
): Router {
  const exported = async (id: string, by: string, form: string): Promise<WearerExport> => {
    const person = await exportWearer(database, id);
    await noteTaken(database, id, by, form);
    return person;
  };
  /** The record of somebody, taken out of the house: that is noted. */
  const recordTaken = async (id: string, by: string, form: string): Promise<WearerRecord> => {
    const record = await recordOfWearer(database, id, Date.now());
    await noteTaken(database, id, by, form);
    return record;
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
    .get(wearerRecordPath(':id'), async (request, response) => {
      const id = readId(request);
      const record = await recordOfWearer(database, id, Date.now());
      const wearerId = () => Promise.resolve(id);
      await noteLook(database, fitterOf(response).id, { kind: 'wearer', id, wearerId });
      response.json(record);
    })
    .get(wearerRecordPath(':id', '.json'), async (request, response) => {
      const record = await recordTaken(readId(request), fitterOf(response).id, 'record json');
      response.setHeader('Content-Disposition', 'attachment; filename="record.json"');
      response.json(record);
    })
    .get(wearerRecordPath(':id', '.csv'), async (request, response) => {
      const record = await recordTaken(readId(request), fitterOf(response).id, 'record csv');
      response.setHeader('Content-Disposition', 'attachment; filename="record.csv"');
      response.type('text/csv').send(historyCsv(record));
    })
    .get(wearerRecordPath(':id', '.pdf'), async (request, response) => {
      const record = await recordTaken(readId(request), fitterOf(response).id, 'record pdf');
      sendPdf(response, await print({ sheet: 'record', record }), 'record.pdf');
    })
    .get(wearerErasingPath(':id'), async (request, response) => {
      response.json(await beforeErasing(database, outbox, readId(request)));
    })
    .delete(`${ROUTES.wearers}/:id`, async (request, response) => {
      const { keepErasedBodies } = await settings.now();
      const id = readId(request);
      const { hires } = readBody(eraseSchema, request);
      await eraseWearer(database, id, fitterOf(response).id, {
        keepBody: keepErasedBodies,
        hires,
        outbox: (await beforeErasing(database, outbox, id)).outbox,
      });
      response.status(204).end();
    })
    .get(ROUTES.bodies, async (request, response) => {
      const { codes, group } = readQuery(bodiesQuerySchema, request);
      response.json(await bodies(codes, group ?? null));
    });
}

async function noteTaken(database: Database, id: string, by: string, form: string): Promise<void> {
  await note(database, {
    by,
    kind: 'wearer-exported',
    about: { kind: 'wearer', id },
    wearerId: id,
    detail: { form },
  });
}
