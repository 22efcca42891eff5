import { ROUTES, selfLinkSaveSchema, selfPath, selfSubmissionSchema } from '@neat-measure/contract';
import { Router } from 'express';
import type { Database } from '../database/database';
import { fitterOf, readBody, readId } from '../http/request';
import { makeSelfLink, selfSheet, submitSelf } from './service';

/** The wearer's own page: the token of the link is the key, there is no session. */
export function selfRoutes(database: Database): Router {
  return Router()
    .get(selfPath(':token'), async (request, response) => {
      response.json(await selfSheet(database, String(request.params['token'])));
    })
    .put(selfPath(':token'), async (request, response) => {
      response.json(
        await submitSelf(database, String(request.params['token']), readBody(selfSubmissionSchema, request)),
      );
    });
}

/** Making links. Needs a session. */
export function selfLinkRoutes(database: Database): Router {
  return Router().put(`${ROUTES.selfLinks}/:id`, async (request, response) => {
    const { docketId } = readBody(selfLinkSaveSchema, request);
    response.json(await makeSelfLink(database, readId(request), docketId, fitterOf(response).id));
  });
}
