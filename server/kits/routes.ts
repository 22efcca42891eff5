import { kitSaveSchema, ROUTES, type KitSave } from '@neat-measure/contract';
import { Router } from 'express';
import { noted } from '../audit/store';
import { seriesThere } from '../charts/store';
import type { Database } from '../database/database';
import { notFound, refuseEdit } from '../http/problem-error';
import { fitterOf, readBody, readId } from '../http/request';
import { findProtocols } from '../protocols/store';
import { dropKit, findKit, listKits, saveKit } from './store';

/** What is opened together. All need a session. */
export function kitRoutes(database: Database): Router {
  return Router()
    .get(ROUTES.kits, async (_request, response) => {
      response.json(await listKits(database));
    })
    .put(`${ROUTES.kits}/:id`, async (request, response) => {
      const id = readId(request);
      const save = readBody(kitSaveSchema, request);
      await refuseUnknown(database, save);
      const before = await findKit(database, id);
      const saved = await noted(
        database,
        (transaction) => saveKit(transaction, id, save),
        (done) =>
          done === 'saved'
            ? {
                by: fitterOf(response).id,
                kind: 'kit-kept',
                about: { kind: 'kit', id },
                detail: { before, after: save },
              }
            : null,
      );
      refuseEdit(saved);
      response.json(await findKit(database, id));
    })
    .delete(`${ROUTES.kits}/:id`, async (request, response) => {
      const id = readId(request);
      const before = await findKit(database, id);
      await noted(
        database,
        (transaction) => dropKit(transaction, id),
        (done) =>
          done
            ? {
                by: fitterOf(response).id,
                kind: 'kit-dropped',
                about: { kind: 'kit', id },
                detail: { name: before?.name ?? '' },
              }
            : null,
      );
      // One that is out already is out.
      response.status(204).end();
    });
}

/** @throws ProblemError `not-found` where a garment or a protocol of the kit is none that is known */
async function refuseUnknown(database: Database, { series, protocols }: KitSave): Promise<void> {
  if ((await seriesThere(database, series)) < series.length) throw notFound('chart');
  if ((await findProtocols(database, protocols)).length < protocols.length) throw notFound('protocol');
}
