import { auditQuerySchema, PATHS } from '@neat-measure/contract';
import { Router } from 'express';
import type { Database } from '../database/database';
import { readQuery } from '../http/request';
import { listAudit } from './store';

/** What happened, by whom, and to whom. */
export function auditRoutes(database: Database): Router {
  return Router().get(PATHS.audit, async (request, response) => {
    response.json(await listAudit(database, readQuery(auditQuerySchema, request)));
  });
}
