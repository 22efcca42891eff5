import { PATHS, settingsSaveSchema } from '@neat-measure/contract';
import { Router } from 'express';
import type { Database } from '../database/database';
import { refuseEdit } from '../http/problem-error';
import { noted } from '../audit/store';
import { fitterOf, readBody } from '../http/request';
import type { HouseSettings } from './service';
import { findSettings, saveSettings } from './store';

/** What the house has settled. */
export function settingsRoutes(database: Database, settings: HouseSettings): Router {
  return Router()
    .get(PATHS.settings, async (_request, response) => {
      response.json(await findSettings(database));
    })
    .put(PATHS.settings, async (request, response) => {
      const save = readBody(settingsSaveSchema, request);
      const before = await findSettings(database);
      const saved = await noted(
        database,
        (transaction) => saveSettings(transaction, save),
        (done) =>
          done === 'saved'
            ? {
                by: fitterOf(response).id,
                kind: 'settings-kept',
                about: { kind: 'settings', id: 'house' },
                detail: { before, after: save },
              }
            : null,
      );
      refuseEdit(saved);
      settings.forget();
      response.json(await findSettings(database));
    });
}
