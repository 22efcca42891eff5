import {
  GROUPS,
  LIST_HEADINGS,
  listQuerySchema,
  musterImportPath,
  musterListPath,
  musterMatchPath,
  musterPackPath,
  musterStreamPath,
  musterWearersPath,
  ROUTES,
  type KeptAnyAct,
} from '@neat-measure/contract';
import {
  groupSaveSchema,
  musterStreamQuerySchema,
  musterWearersQuerySchema,
  peopleImportSchema,
  peopleMatchSchema,
} from '@neat-measure/contract/musters';
import { Router } from 'express';
import { noteLook } from '../audit/looks';
import { note } from '../audit/store';
import type { Database } from '../database/database';
import { actsBehind } from '../dockets/act-store';
import type { Lookout } from '../http/lookout';
import { notFound } from '../http/problem-error';
import { fitterOf, readBody, readId, readQuery, type Lasts } from '../http/request';
import { streamTo } from '../http/stream';
import { noteTaken } from '../session/away-devices';
import type { KnownDevice } from '../session/known-device';
import { listGroups, saveGroup, wearersIn } from './groups';
import { importPeople, listHeadings, matchPeople } from './import-people';
import { listOut } from './list-out';
import { packOf } from './pack/pack';
import type { Standings } from './standing';
import { listMusters, wearersOf } from './store';
import { viewOf } from './view';

/** What the routes of musters work with. */
export interface MusterParts {
  readonly database: Database;
  /** Which house this is, for whatever leaves it. */
  readonly house: string;
  readonly device: KnownDevice;
  readonly lookout: Lookout<KeptAnyAct>;
  readonly standings: Standings;
  readonly lasts: Lasts;
  readonly stopping: AbortSignal;
}

/** Musters to be looked at; what is done on them goes with all acts. All need a session. */
export function musterRoutes({
  database,
  house,
  device,
  lookout,
  standings,
  lasts,
  stopping,
}: MusterParts): Router {
  return Router()
    .get(ROUTES.musters, async (request, response) => {
      response.json(await listMusters(database, readQuery(listQuerySchema, request)));
    })
    .get(`${ROUTES.musters}/:id`, async (request, response) => {
      const id = readId(request);
      const view = await viewOf(database, standings, id);
      if (view === undefined) throw notFound('muster');
      response.json(view);
    })
    .get(musterPackPath(':id'), async (request, response) => {
      const id = readId(request);
      const pack = await packOf(database, standings, house, id);
      if (pack === undefined) throw notFound('muster');
      // Names and values leave the house with it: that is noted.
      await noteLook(database, fitterOf(response).id, { kind: 'muster', id });
      const deviceId = device.idOf(request);
      if (deviceId !== null)
        await noteTaken(database, {
          ...{ deviceId, musterId: id, place: pack.place },
          agent: request.get('user-agent') ?? '',
        });
      response.json(pack);
    })
    .get(musterListPath(':id'), async (request, response) => {
      const id = readId(request);
      const standing = await standings.read(database, id);
      if (standing === undefined) throw notFound('muster');
      // Names leave the house with it: that is noted.
      await note(database, {
        by: fitterOf(response).id,
        kind: 'muster-exported',
        about: { kind: 'muster', id },
      });
      response.json(await listOut(database, standing.muster));
    })
    .post(musterMatchPath(':id'), async (request, response) => {
      const { rows } = readBody(peopleMatchSchema, request);
      response.json(await matchPeople(database, standings, readId(request), rows));
    })
    .put(musterImportPath(':id'), async (request, response) => {
      const id = readId(request);
      const wanted = readBody(peopleImportSchema, request);
      const { came, kept } = await importPeople(database, standings, fitterOf(response), id, wanted);
      if (kept !== null) lookout.tell(id, kept);
      response.json(came);
    })
    .get(GROUPS, async (_request, response) => {
      response.json(await listGroups(database));
    })
    .get(`${GROUPS}/:id`, async (request, response) => {
      response.json(await wearersIn(database, readId(request)));
    })
    .put(`${GROUPS}/:id`, async (request, response) => {
      await saveGroup(database, readId(request), readBody(groupSaveSchema, request));
      response.status(204).end();
    })
    .get(LIST_HEADINGS, async (_request, response) => {
      response.json(await listHeadings(database));
    })
    .get(musterStreamPath(':id'), async (request, response) => {
      const subject = readId(request);
      const missed = (place: number, most: number) => actsBehind(database, [subject], place, most);
      const { after } = readQuery(musterStreamQuerySchema, request);
      await streamTo(request, response, {
        ...{ lookout, subject, missed, after, stopping },
        lasts: lasts(response),
      });
    })
    .get(musterWearersPath(':id'), async (request, response) => {
      const { ids } = readQuery(musterWearersQuerySchema, request);
      response.json(await wearersOf(database, ids));
    });
}
