import { lateDecisionSchema, PATHS } from '@neat-measure/contract';
import { Router } from 'express';
import { fitterOf, readBody, whoeverOf } from '../../http/request';
import type { DocketParts } from '../routes';
import { acceptLate, discardLate, lateActs } from './late-acts';

/** What came under pens that had ended, and what becomes of it. */
export function lateRoutes({
  database,
  lookout,
  takeOther,
}: Pick<DocketParts, 'database' | 'lookout' | 'takeOther'>): Router {
  return Router()
    .get(PATHS.late, async (_request, response) => {
      response.json(await lateActs(database));
    })
    .post(PATHS.late, async (request, response) => {
      const { ids, accepted } = readBody(lateDecisionSchema, request);
      const deciding = { by: fitterOf(response), role: whoeverOf(response).role };
      if (accepted) response.json(await acceptLate(database, lookout, takeOther, deciding, ids));
      else {
        await discardLate(database, deciding, ids);
        response.json([]);
      }
    });
}
