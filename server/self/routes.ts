import { ROUTES, selfLinkSaveSchema, selfPath, selfSubmissionSchema } from '@neat-measure/contract';
import { Router } from 'express';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { notFound } from '../http/problem-error';
import { fitterOf, readBody, readId } from '../http/request';
import { makeSelfLink, selfSheet, submitSelf } from './service';
import { endLink, listLinks } from '../links/store';

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

/** Making links, seeing which stand, and taking them back. Needs a session. */
export function selfLinkRoutes(database: Database): Router {
  return Router()
    .get(ROUTES.selfLinks, async (_request, response) => {
      response.json(await listLinks(database));
    })
    .put(`${ROUTES.selfLinks}/:id`, async (request, response) => {
      const { docketId } = readBody(selfLinkSaveSchema, request);
      response.json(await makeSelfLink(database, readId(request), docketId, fitterOf(response).id));
    })
    .delete(`${ROUTES.selfLinks}/:id`, async (request, response) => {
      const id = readId(request);
      const ended = await noted(
        database,
        (transaction) => endLink(transaction, id),
        (done) =>
          done ? { by: fitterOf(response).id, kind: 'link-ended', about: { kind: 'link', id } } : null,
      );
      if (!ended) throw notFound('link that stands');
      response.status(204).end();
    });
}
