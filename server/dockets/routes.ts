import {
  actsSaveSchema,
  docketsQuerySchema,
  exceptionsQuerySchema,
  docketMetPath,
  docketRunsPath,
  docketStreamPath,
  HABITS_EVENT,
  PATHS,
  ROUTES,
  sheetPath,
  verdictsPath,
  type ActAnswer,
  type Bench,
  type KeptAnyAct,
  type Newcomer,
} from '@neat-measure/contract';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { noteLook } from '../audit/looks';
import type { Exceptions } from './exceptions/exceptions';
import type { Runs } from './runs';
import type { Database } from '../database/database';
import type { Lookout } from '../http/lookout';
import { notFound, ProblemError } from '../http/problem-error';
import { whoeverOf, readBody, readId, readQuery, type Lasts } from '../http/request';
import { streamTo } from '../http/stream';
import { sendPdf } from '../print/send-pdf';
import type { Print } from '../print/print';
import type { StepsToPrint } from './measuring-sheet';
import { clockOff } from '../session/away-devices';
import { forgetPen, whoSigns, type Signing } from '../session/service';
import type { HouseSettings } from '../settings/service';
import { actsBehind } from './act-store';
import { openBench, verdictsOn } from './service';
import { keepLate } from './late/late-acts';
import { findDocket, listDockets } from './store';
import { listMet, meetOther, seeMet } from './met/met';
import { takeActs, type MeetOther, type OpenExpected, type TakeOther } from './take-acts';

/** What the routes of dockets work with. */
export interface DocketParts {
  readonly database: Database;
  readonly lookout: Lookout<KeptAnyAct>;
  /** Takes what is done on musters, which are not known here. */
  readonly takeOther: TakeOther;
  readonly openExpected: OpenExpected;
  /** Adds wearers who were met on a device that could not reach the server. */
  readonly meet: (signing: Signing, newcomers: readonly Newcomer[]) => Promise<void>;
  readonly exceptions: Pick<Exceptions, 'list'>;
  readonly runs: Runs;
  /** Makes what is to be printed, away from the requests too. */
  readonly print: Print<StepsToPrint>;
  /** Whether whoever has a stream open still may. */
  readonly lasts: Lasts;
  readonly settings: HouseSettings;
  readonly stopping: AbortSignal;
}

/** So often a pen is asked about anew within one request. */
const MOST_TRIES = 5;

/**
 * The one way in for what is done on dockets, and on musters. The pen says who did it, so that it needs no session:
 * what waited on a device while the session ended is kept all the same.
 */
export function actRoutes({
  database,
  lookout,
  takeOther,
  openExpected,
  meet,
  settings,
}: DocketParts): Router {
  const take: RequestHandler = async (request, response) => {
    const { pen, acts, wearers, clock, away } = readBody(actsSaveSchema, request);
    const off = clock === undefined ? {} : { clockOff: clockOff(clock) };
    const doneAway = new Set(away);
    const meetIt: MeetOther = async (act, refused) =>
      doneAway.has(act.id) ? meetOther(database, act, refused) : null;
    const answers: ActAnswer[] = [];
    for (let rest: readonly unknown[] = acts, tries = 0; rest.length > 0; tries++) {
      if (tries === MOST_TRIES)
        throw new ProblemError('unavailable', 'Accounts are being changed. Try again in a moment.');
      const whose = await whoSigns(database, settings, pen);
      if (whose === undefined)
        throw new ProblemError(
          'not-signed-in',
          'The server does not know who made this change. Sign in again on this device; the change stays here until then.',
        );
      if ('ended' in whose) {
        answers.push(...(await keepLate(database, { ...whose.ended, ...off }, rest)));
        break;
      }
      await meet(whose.signs, wearers);
      const signing = { ...whose.signs, ...off };
      const taken = await takeActs(database, lookout, signing, rest, takeOther, openExpected, meetIt);
      answers.push(...taken.answers);
      rest = taken.rest;
      // Something about the pen has changed just now: it is asked about anew, and not by what was known.
      if (rest.length > 0) forgetPen(whose.signs);
    }
    response.json(answers);
  };
  return Router().post(ROUTES.acts, take);
}

/** Dockets to be looked at. All need a session. */
export function docketRoutes({
  database,
  lookout,
  exceptions,
  runs,
  print,
  lasts,
  settings,
  stopping,
}: DocketParts): Router {
  /** Notes that somebody looks at a docket, however they do. */
  const look = (response: Response, id: string, wearerId?: string): Promise<void> =>
    noteLook(database, whoeverOf(response).person.id, {
      kind: 'docket',
      id,
      wearerId: async () => wearerId ?? (await findDocket(database, id))?.wearer.id,
    });
  /** A docket as it is sent. */
  const looked = async (request: Request, response: Response): Promise<Bench> => {
    const bench = await openBench(database, readId(request));
    await look(response, bench.id, bench.wearer.id);
    return bench;
  };
  return Router()
    .get(ROUTES.dockets, async (request, response) => {
      response.json(await listDockets(database, readQuery(docketsQuerySchema, request)));
    })
    .get(`${ROUTES.dockets}/:id`, async (request, response) => {
      response.json(await looked(request, response));
    })
    .get(docketStreamPath(':id'), async (request, response) => {
      const subject = readId(request);
      await look(response, subject);
      const missed = (place: number, most: number) => actsBehind(database, [subject], place, most);
      // Whoever has a docket open sizes by the house's habits: a change of them is told there.
      const beside = { event: HABITS_EVENT, now: async () => (await settings.now()).habits.version };
      await streamTo(request, response, {
        ...{ lookout, subject, missed, beside, stopping },
        lasts: lasts(response),
      });
    })
    .get(sheetPath(':id'), async (request, response) => {
      const bench = await looked(request, response);
      sendPdf(response, await print({ sheet: 'steps', bench }), 'steps.pdf');
    })
    .get(docketRunsPath(':id'), async (request, response) => {
      const id = readId(request);
      await look(response, id);
      response.json(await runs.onDocket(id));
    })
    .get(verdictsPath(':id'), async (request, response) => {
      const id = readId(request);
      await look(response, id);
      response.json(await verdictsOn(database, id));
    })
    .get(PATHS.met, async (_request, response) => {
      response.json(await listMet(database, whoeverOf(response).person.id));
    })
    .delete(`${PATHS.met}/:id`, async (request, response) => {
      if (!(await seeMet(database, readId(request), whoeverOf(response).person.id)))
        throw notFound('message');
      response.status(204).end();
    })
    .get(docketMetPath(':id'), async (request, response) => {
      const docketId = readId(request);
      response.json(await listMet(database, whoeverOf(response).person.id, { docketId }));
    })
    .get(ROUTES.exceptions, async (request, response) => {
      await noteLook(database, whoeverOf(response).person.id, { kind: 'exceptions' });
      response.json(await exceptions.list(readQuery(exceptionsQuerySchema, request)));
    });
}
