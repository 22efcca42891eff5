import {
  GROUPS,
  LIST_HEADINGS,
  listQuerySchema,
  musterImportPath,
  musterListPath,
  musterMatchPath,
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
  type MusterView,
} from '@neat-measure/contract/musters';
import type { Muster } from '@neat-measure/core/muster';
import { Router } from 'express';
import { note } from '../audit/store';
import type { Database } from '../database/database';
import { actsBehind } from '../dockets/act-store';
import type { Lookout } from '../http/lookout';
import { notFound } from '../http/problem-error';
import { fitterOf, readBody, readId, readQuery, type Lasts } from '../http/request';
import { streamTo } from '../http/stream';
import { listGroups, saveGroup, wearersIn } from './groups';
import { importPeople, listHeadings, matchPeople } from './import-people';
import { listOut } from './list-out';
import type { Standings } from './standing';
import { listMusters, mustersBeside, wearersOf } from './store';

/** What the routes of musters work with. */
export interface MusterParts {
  readonly database: Database;
  readonly lookout: Lookout<KeptAnyAct>;
  readonly standings: Standings;
  readonly lasts: Lasts;
  readonly stopping: AbortSignal;
}

/** Musters to be looked at; what is done on them goes with all acts. All need a session. */
export function musterRoutes({ database, lookout, standings, lasts, stopping }: MusterParts): Router {
  return Router()
    .get(ROUTES.musters, async (request, response) => {
      response.json(await listMusters(database, readQuery(listQuerySchema, request)));
    })
    .get(`${ROUTES.musters}/:id`, async (request, response) => {
      const id = readId(request);
      const standing = await standings.read(database, id);
      if (standing === undefined) throw notFound('muster');
      standings.remember(id, standing);
      const ids = standing.muster.people.map(({ wearerId }) => wearerId);
      const groupIds = [...new Set(standing.muster.people.flatMap(({ groupId }) => groupId ?? []))];
      const view: MusterView = {
        ...asSent(standing),
        wearers: await wearersOf(database, ids),
        groups: await listGroups(database, groupIds),
        alsoOn: await alsoOn(database, standings, standing.muster),
      };
      response.json(view);
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

/** Who of a muster is on another open one of the same days. */
async function alsoOn(
  database: Database,
  standings: Standings,
  muster: Muster,
): Promise<MusterView['alsoOn']> {
  const own = new Set(muster.people.map(({ wearerId }) => wearerId));
  const found: MusterView['alsoOn'] = [];
  for (const id of await mustersBeside(database, muster)) {
    const other = await standings.read(database, id);
    if (other === undefined) continue;
    standings.remember(id, other);
    for (const { wearerId, day } of other.muster.people)
      if (own.has(wearerId) && day.standing.is !== 'gone')
        found.push({ wearerId, muster: other.muster.name });
  }
  return found;
}

/** Lists that are sent may be changed by whoever gets them. */
function asSent({ muster, place }: { readonly muster: unknown; readonly place: number }) {
  return { muster: muster as MusterView['muster'], place };
}
