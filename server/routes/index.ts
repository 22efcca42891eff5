import {
  bodiesQuerySchema,
  chartSaveSchema,
  chartSheetPath,
  chartUsesPath,
  chartVersionsPath,
  confirmationSaveSchema,
  decisionSaveSchema,
  docketSaveSchema,
  protocolSaveSchema,
  readingSaveSchema,
  ROUTES,
  selfLinkSaveSchema,
  sheetPath,
  skipSaveSchema,
  verdictsPath,
  wearerSaveSchema,
  withdrawalPath,
} from '@neat-measure/contract';
import { Router, type Response } from 'express';
import { printChart } from '../print/chart-sheet';
import { printMeasuringSheet } from '../print/measuring-sheet';
import { notFound } from '../problem-error';
import {
  confirm,
  decide,
  judgeDocket,
  keepDocket,
  openBench,
  passOver,
  takeBack,
  takeReading,
} from '../services/bench';
import { keepChart, versionsOf } from '../services/charts';
import { listBodies } from '../services/bodies';
import { listExceptions } from '../services/exceptions';
import { makeSelfLink } from '../services/self-measuring';
import { chartUses, findCharts, listCharts } from '../store/chart-store';
import type { Database } from '../store/database';
import { listDockets } from '../store/docket-store';
import { findProtocols, listProtocols, saveProtocol } from '../store/protocol-store';
import { listWearers, saveWearer } from '../store/wearer-store';
import { fitterOf, readBody, readId, readQuery } from './request';

/** The routes of the work itself. All need a session; all saves are PUTs under the client's own id. */
export function workRoutes(database: Database): Router {
  return Router()
    .get(ROUTES.wearers, async (_request, response) => {
      response.json(await listWearers(database));
    })
    .put(`${ROUTES.wearers}/:id`, async (request, response) => {
      response.json(await saveWearer(database, readId(request), readBody(wearerSaveSchema, request)));
    })
    .get(ROUTES.charts, async (_request, response) => {
      response.json(await listCharts(database));
    })
    .get(`${ROUTES.charts}/:id`, async (request, response) => {
      const [chart] = await findCharts(database, [readId(request)]);
      if (chart === undefined) throw notFound('chart');
      response.json(chart);
    })
    .get(chartVersionsPath(':id'), async (request, response) => {
      response.json(await versionsOf(database, readId(request)));
    })
    .get(chartSheetPath(':id'), async (request, response) => {
      const [chart] = await findCharts(database, [readId(request)]);
      if (chart === undefined) throw notFound('chart');
      sendPdf(response, await printChart(chart), 'chart.pdf');
    })
    .get(chartUsesPath(':id'), async (request, response) => {
      const id = readId(request);
      if ((await findCharts(database, [id])).length === 0) throw notFound('chart');
      response.json(await chartUses(database, id));
    })
    .put(`${ROUTES.charts}/:id`, async (request, response) => {
      response.json(
        await keepChart(database, readId(request), readBody(chartSaveSchema, request), fitterOf(response).id),
      );
    })
    .get(ROUTES.dockets, async (_request, response) => {
      response.json(await listDockets(database));
    })
    .get(`${ROUTES.dockets}/:id`, async (request, response) => {
      response.json(await openBench(database, readId(request)));
    })
    .put(`${ROUTES.dockets}/:id`, async (request, response) => {
      response.json(await keepDocket(database, readId(request), readBody(docketSaveSchema, request)));
    })
    .get(sheetPath(':id'), async (request, response) => {
      const sheet = await printMeasuringSheet(await openBench(database, readId(request)));
      sendPdf(response, sheet, 'steps.pdf');
    })
    .get(verdictsPath(':id'), async (request, response) => {
      response.json(await judgeDocket(database, readId(request)));
    })
    .put(`${ROUTES.readings}/:id`, async (request, response) => {
      response.json(
        await takeReading(
          database,
          readId(request),
          readBody(readingSaveSchema, request),
          fitterOf(response).id,
        ),
      );
    })
    .put(withdrawalPath(':id'), async (request, response) => {
      response.json(await takeBack(database, readId(request), fitterOf(response).id));
    })
    .put(`${ROUTES.skips}/:id`, async (request, response) => {
      response.json(
        await passOver(database, readId(request), readBody(skipSaveSchema, request), fitterOf(response).id),
      );
    })
    .put(`${ROUTES.confirmations}/:id`, async (request, response) => {
      response.json(
        await confirm(
          database,
          readId(request),
          readBody(confirmationSaveSchema, request),
          fitterOf(response).id,
        ),
      );
    })
    .put(`${ROUTES.selfLinks}/:id`, async (request, response) => {
      const { docketId } = readBody(selfLinkSaveSchema, request);
      response.json(await makeSelfLink(database, readId(request), docketId, fitterOf(response).id));
    })
    .get(ROUTES.protocols, async (_request, response) => {
      response.json(await listProtocols(database));
    })
    .put(`${ROUTES.protocols}/:id`, async (request, response) => {
      const id = readId(request);
      await saveProtocol(database, id, readBody(protocolSaveSchema, request));
      response.json((await findProtocols(database, [id]))[0]);
    })
    .get(ROUTES.bodies, async (request, response) => {
      const { codes } = readQuery(bodiesQuerySchema, request);
      response.json(await listBodies(database, codes));
    })
    .get(ROUTES.exceptions, async (_request, response) => {
      response.json(await listExceptions(database));
    })
    .put(`${ROUTES.decisions}/:id`, async (request, response) => {
      response.json(
        await decide(database, readId(request), readBody(decisionSaveSchema, request), fitterOf(response).id),
      );
    });
}

/** Sends a PDF to be shown in the browser, from where it is printed. */
function sendPdf(response: Response, pdf: Buffer, name: string): void {
  response.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${name}"`);
  response.send(pdf);
}
