import { PATHS, settingsSaveSchema } from '@neat-measure/contract';
import { Router } from 'express';
import type { Database } from '../database/database';
import { refuseEdit } from '../http/problem-error';
import { readBody } from '../http/request';
import type { HouseSettings } from './service';
import { findSettings, saveSettings } from './store';

/** What the house has settled. */
export function settingsRoutes(database: Database, settings: HouseSettings): Router {
  return Router()
    .get(PATHS.settings, async (_request, response) => {
      response.json(await findSettings(database));
    })
    .put(PATHS.settings, async (request, response) => {
      refuseEdit(await saveSettings(database, readBody(settingsSaveSchema, request)));
      settings.forget();
      response.json(await findSettings(database));
    });
}
