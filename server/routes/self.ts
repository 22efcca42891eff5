import { selfPath, selfSubmissionSchema } from '@neat-measure/contract';
import { Router } from 'express';
import { selfSheet, submitSelf } from '../services/self-measuring';
import type { Database } from '../store/database';
import { readBody } from './request';

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
