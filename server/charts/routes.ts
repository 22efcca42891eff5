import type { ChartRun } from '@neat-measure/core';
import {
  chartRetiredPath,
  chartRetiredSchema,
  chartRunsPath,
  chartSheetPath,
  chartUsesPath,
  chartVersionsPath,
  listQuerySchema,
  ROUTES,
  type Chart,
} from '@neat-measure/contract';
import { chartSaveSchema } from '@neat-measure/contract/chart-save';
import { Router } from 'express';
import type { Database } from '../database/database';
import { notFound } from '../http/problem-error';
import { fitterOf, readBody, readId, readQuery } from '../http/request';
import { sendPdf } from '../print/send-pdf';
import type { Print } from '../print/print';
import type { ChartToPrint } from './chart-sheet';
import { keepChart, shelveChart, versionsOf } from './service';
import { chartUses, findCharts, listCharts } from './store';
import { findSettings } from '../settings/store';

/** The makers' charts. All need a session. */
export function chartRoutes(
  database: Database,
  print: Print<ChartToPrint>,
  runsOf: (id: string) => Promise<readonly ChartRun[]>,
): Router {
  const find = async (id: string): Promise<Chart> => {
    const [chart] = await findCharts(database, [id]);
    if (chart === undefined) throw notFound('chart');
    return chart;
  };
  return Router()
    .get(ROUTES.charts, async (request, response) => {
      response.json(await listCharts(database, readQuery(listQuerySchema, request)));
    })
    .get(`${ROUTES.charts}/:id`, async (request, response) => {
      response.json(await find(readId(request)));
    })
    .get(chartVersionsPath(':id'), async (request, response) => {
      response.json(await versionsOf(database, readId(request)));
    })
    .get(chartSheetPath(':id'), async (request, response) => {
      const chart = await find(readId(request));
      const { inchParts } = (await findSettings(database)).habits;
      sendPdf(response, await print({ sheet: 'chart', chart, inchParts }), 'chart.pdf');
    })
    .get(chartUsesPath(':id'), async (request, response) => {
      const { id } = await find(readId(request));
      response.json(await chartUses(database, id));
    })
    .get(chartRunsPath(':id'), async (request, response) => {
      const { id } = await find(readId(request));
      response.json(await runsOf(id));
    })
    .put(chartRetiredPath(':id'), async (request, response) => {
      const id = readId(request);
      const { retired } = readBody(chartRetiredSchema, request);
      await shelveChart(database, id, retired, fitterOf(response).id);
      response.json(await chartUses(database, id));
    })
    .put(`${ROUTES.charts}/:id`, async (request, response) => {
      response.json(
        await keepChart(database, readId(request), readBody(chartSaveSchema, request), fitterOf(response).id),
      );
    });
}
