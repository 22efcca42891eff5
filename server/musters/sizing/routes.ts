import {
  sizingDecisionPath,
  sizingDecisionsPath,
  sizingPlacingPath,
  sizingSheetPath,
  SIZINGS,
  sizingStreamPath,
} from '@neat-measure/contract';
import {
  decideManySchema,
  MOST_PRINTED,
  placingWishSchema,
  type PlacingAsked,
  type PlacingView,
  sizingSheetQuerySchema,
  sizingsQuerySchema,
  sizingWantedSchema,
  type SizingProgress,
  type SizingView,
  type SizingWanted,
} from '@neat-measure/contract/musters';
import { groupTable, type Sizing } from '@neat-measure/core/group';
import { Router, type Response } from 'express';
import { noteLook } from '../../audit/looks';
import type { Database } from '../../database/database';
import { notFound, ProblemError } from '../../http/problem-error';
import { fitterOf, readBody, readId, readParam, readQuery, whoeverOf, type Lasts } from '../../http/request';
import type { Signing } from '../../session/service';
import type { Print } from '../../print/print';
import { sendPdf } from '../../print/send-pdf';
import { streamState } from '../../http/stream-state';
import { groupsOfWearers } from '../groups';
import { wearersOf } from '../store';
import { decideMany, undoMany, type DecidingMany } from './decide-many';
import type { GroupSizesToPrint } from './sizes-sheet';
import { stockOfSeries } from './stock';
import {
  addSizing,
  endSizing,
  findSizing,
  listSizings,
  readSizing,
  removeOldSizings,
  removeSizing,
} from '../../sizings/store';

/** What the routes of sizings work with. */
export interface SizingParts {
  readonly database: Database;
  /** Sizes one that was begun, in a thread of its own. */
  readonly size: (id: string) => Promise<void>;
  /** Places one that is done, in a thread of its own. */
  readonly place: (sizingId: string, asked: PlacingAsked) => Promise<PlacingView>;
  readonly print: Print<GroupSizesToPrint>;
  readonly lasts: Lasts;
  readonly stopping: AbortSignal;
  readonly lookout: DecidingMany['lookout'];
  readonly takeOther: DecidingMany['takeOther'];
}

/** Whole musters and groups sized at once, each as it was at its moment. All need a session. */
export function sizingRoutes({
  database,
  size,
  place,
  print,
  lasts,
  stopping,
  ...telling
}: SizingParts): Router {
  const deciding = { database, ...telling };
  const progressOf = async (id: string): Promise<SizingProgress> => {
    const found = await findSizing(database, id);
    if (found === undefined) throw notFound('sizing');
    return found.progress;
  };
  return Router()
    .get(SIZINGS, async (request, response) => {
      response.json(await listSizings(database, readQuery(sizingsQuerySchema, request).of));
    })
    .put(`${SIZINGS}/:id`, async (request, response) => {
      const id = readId(request);
      const wanted = readBody(sizingWantedSchema, request);
      if ((await subjectName(database, wanted)) === undefined) throw notFound(wanted.of);
      if (await addSizing(database, id, wanted, fitterOf(response).id)) {
        await removeOldSizings(database, wanted.subjectId);
        // Whoever waits hears of it on its stream; where it never begins it is told so there.
        size(id).catch(() => endSizing(database, id, 'failed').catch(() => undefined));
      }
      response.status(202).json(await progressOf(id));
    })
    .get(`${SIZINGS}/:id`, async (request, response) => {
      const id = readId(request);
      const progress = await progressOf(id);
      const sizing = await readSizing(database, id);
      if (sizing === undefined)
        throw new ProblemError(
          'not-found',
          progress.state === 'running'
            ? 'This sizing is not finished yet. Wait until it is.'
            : 'This sizing was not finished. Size the list again.',
        );
      await noteLook(database, whoeverOf(response).person.id, { kind: 'sizing', id });
      const view: SizingView = {
        progress,
        ...(await peopleOf(database, sizing)),
        stock: await stockOfSeries(database, [...new Set(sizing.garments.map(({ seriesId }) => seriesId))]),
      };
      response.json(view);
    })
    .delete(`${SIZINGS}/:id`, async (request, response) => {
      const id = readId(request);
      await progressOf(id);
      if (!(await endSizing(database, id, 'cancelled'))) await removeSizing(database, id);
      response.status(204).end();
    })
    .post(sizingDecisionsPath(':id'), async (request, response) => {
      const wanted = readBody(decideManySchema, request);
      response.json(await decideMany(deciding, signingOf(response), readId(request), wanted));
    })
    .delete(sizingDecisionPath(':id', ':decisionId'), async (request, response) => {
      const sizing = await readSizing(database, readId(request));
      if (sizing === undefined) throw notFound('sizing');
      response.json(await undoMany(deciding, signingOf(response), sizing, readParam(request, 'decisionId')));
    })
    .post(sizingPlacingPath(':id'), async (request, response) => {
      const id = readId(request);
      const asked = readBody(placingWishSchema, request);
      if ((await progressOf(id)).state !== 'done')
        throw new ProblemError('not-found', 'This sizing is not finished. Size the list first.');
      await noteLook(database, whoeverOf(response).person.id, { kind: 'sizing', id });
      response.json(await place(id, asked));
    })
    .get(sizingSheetPath(':id'), async (request, response) => {
      const id = readId(request);
      const filter = readQuery(sizingSheetQuerySchema, request);
      const found = await findSizing(database, id);
      const sizing = await readSizing(database, id);
      if (found === undefined || sizing === undefined) throw notFound('sizing');
      const people = await peopleOf(database, sizing);
      const count = groupTable(people).rows(filter).length;
      if (count > MOST_PRINTED)
        throw new ProblemError(
          'too-large',
          `${count} wearers are too many for paper, at most ${MOST_PRINTED} are printed. Choose a group, or save a table.`,
        );
      await noteLook(database, whoeverOf(response).person.id, { kind: 'sizing', id });
      const { madeAt, by } = found.progress;
      const of = (await subjectName(database, found)) ?? '';
      sendPdf(response, await print({ sheet: 'group-sizes', of, madeAt, by, people, filter }), 'sizes.pdf');
    })
    .get(sizingStreamPath(':id'), async (request, response) => {
      const id = readId(request);
      await progressOf(id);
      await streamState(request, response, {
        read: async () => (await findSizing(database, id))?.progress ?? null,
        isLast: ({ state }) => state !== 'running',
        lasts: lasts(response),
        stopping,
      });
    });
}

/** Whoever is signed in decides by what they are trusted with, in their own name. */
function signingOf(response: Response): Signing {
  return { fitter: fitterOf(response), role: whoeverOf(response).role, pen: null };
}

/** What the muster or the group is called that a sizing is of; nothing where it is not there. */
async function subjectName(
  database: Database,
  { of, subjectId }: Pick<SizingWanted, 'of' | 'subjectId'>,
): Promise<string | undefined> {
  const table = of === 'muster' ? 'musters' : 'wearer_groups';
  const found = await database(table).where({ id: subjectId }).first<{ name: string } | undefined>('name');
  return found?.name;
}

/** A sizing with whoever is still on it, and their groups. */
async function peopleOf(
  database: Database,
  sizing: Sizing,
): Promise<Pick<SizingView, 'sizing' | 'wearers' | 'groups'>> {
  const there = sizing.wearerIds.filter((one) => one !== '');
  return {
    // Lists that are sent may be changed by whoever gets them.
    sizing: sizing as SizingView['sizing'],
    wearers: await wearersOf(database, there),
    groups: await groupsOfWearers(database, there),
  };
}
